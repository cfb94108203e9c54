import { type Drawn, envelopeOf, jointsEnvelope, matched, uprightQuarters } from '@/core/desk/matching';
import { MOST_DRAWINGS, type SheetDrawing } from '@/core/desk/sheet';
import type { Drawing } from '@/core/journal/drawings';
import { parsePictureReference, pictureReferenceId } from '@/core/references/picture';
import { loadBody } from '@/storage/pictures/bodies';
import { loadPicture } from '@/storage/pictures/pictures';
import type { CutBox } from '@/workers/sheet.worker';

/** A joint is taken for seen from so much on, as elsewhere. */
const SEEN = 0.5;

/** The shape of the person in an own picture, where one was found in it. */
async function pictureShape(referenceId: string): Promise<Drawn['envelope']> {
  const id = parsePictureReference(referenceId);
  const [picture, body] = id === undefined ? [] : await Promise.all([loadPicture(id), loadBody(id)]);
  if (!picture || !body) return undefined;
  const mirrored = referenceId !== pictureReferenceId(id as string);
  return jointsEnvelope(
    body.points
      .filter(({ seen }) => seen > SEEN)
      .map(({ x, y }) => [(mirrored ? 1 - x : x) * picture.widthPx, y * picture.heightPx]),
  );
}

/** What is known of the shapes of a session's drawings: of those by built-in figures, and by pictures in which a person was found. */
async function shapesOf(drawn: readonly Drawing[], keys: readonly string[]): Promise<Drawn[]> {
  const { envelopeOf: shipped } = await import('@/core/figure/catalogue/envelopes');
  return Promise.all(
    keys.map(async (key): Promise<Drawn> => {
      const referenceId = drawn.find(({ drawing }) => drawing === key)?.referenceId;
      if (!referenceId) return { key, envelope: undefined };
      const shape = shipped(referenceId);
      if (!shape) return { key, envelope: await pictureShape(referenceId) };
      return { key, envelope: envelopeOf(shape.corners.map(([x, y]) => [x * shape.width, y * shape.height])) };
    }),
  );
}

/**
 * Boxes as drawings of a session, by shape and order.
 * @param left Keys of the drawings that are on no other sheet.
 * @returns also by how many quarters the sheet has to be turned to stand upright; 0 where that is not clear.
 */
export async function nameBoxes(
  boxes: readonly CutBox[],
  drawn: readonly Drawing[],
  left: readonly string[],
): Promise<{ drawings: SheetDrawing[]; quarters: number }> {
  const shapes = await shapesOf(drawn, left);
  const drawings = matched(boxes, shapes).boxes.map(({ box, key }): SheetDrawing => ({ ...box, drawing: key }));
  return { drawings: drawings.slice(0, MOST_DRAWINGS), quarters: uprightQuarters(boxes, shapes) };
}
