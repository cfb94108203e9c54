import type { Sheet } from '@/core/desk/sheet';
import type { Page } from '@/core/journal/session';

/** Corners of a sheet that fills its photograph. */
export const WHOLE: Sheet['corners'] = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

/** A page of a session on which one of its drawings was cut out. */
export const pageOf = (sessionId: string, drawing: string, more: Partial<Page> = {}): Page => ({
  id: `page-${sessionId}`,
  sessionId,
  widthPx: 100,
  heightPx: 100,
  addedAtMs: 1000,
  binnedAtMs: null,
  sheet: {
    corners: WHOLE,
    quarters: 0,
    aspect: 1,
    drawings: [{ x: 0, y: 0, width: 0.5, height: 0.5, drawing }],
  },
  ...more,
});
