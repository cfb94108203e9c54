import type { Sheet, SheetDrawing } from '../desk/sheet';
import type { Drawing } from './drawings';
import type { Page } from './session';

/** Where a drawing is to be seen: its page, how the sheet lies on it, and its box there. */
export interface SeenDrawing {
  page: Page;
  sheet: Sheet;
  box: SheetDrawing;
}

/** A drawing of a session on its pages; the last place where it was cut out, undefined where it was not. */
export function seenOnPages(pages: readonly Page[], drawing: string): SeenDrawing | undefined {
  return pages
    .flatMap((page): SeenDrawing[] => {
      const { sheet } = page;
      const box = sheet?.drawings.find((one) => one.drawing === drawing);
      return sheet && box ? [{ page, sheet, box }] : [];
    })
    .at(-1);
}

/**
 * The first and the last drawing of a session that were cut out of its pages.
 * @param drawn The session's drawings in order.
 * @returns undefined where fewer than two were.
 */
export function firstAndLastSeen<D extends Pick<Drawing, 'drawing'>>(
  drawn: readonly D[],
  pages: readonly Page[],
): readonly [first: SeenDrawing & { drawn: D }, last: SeenDrawing & { drawn: D }] | undefined {
  const seen = drawn.flatMap((one) => {
    const on = seenOnPages(pages, one.drawing);
    return on ? [{ ...on, drawn: one }] : [];
  });
  const [first, last] = [seen.at(0), seen.at(-1)];
  return first && last && first !== last ? [first, last] : undefined;
}
