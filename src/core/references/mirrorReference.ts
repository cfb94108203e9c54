import { figureReferenceId, mirroredId, splitFigureReference } from '../figure/catalogue/referenceId';
import type { ReferenceFacts } from './coverage';
import { isMirrored, parsePictureReference, pictureReferenceId } from './picture';

/** The reference that shows the mirror image of another. */
export function mirroredReference(id: string): string {
  const pictureId = parsePictureReference(id);
  if (pictureId !== undefined) return pictureReferenceId(pictureId, !isMirrored(id));
  const figure = splitFigureReference(id);
  if (!figure) return id;
  const { poseId, build, view } = figure;
  return figureReferenceId({
    poseId: mirroredId(poseId),
    build,
    view: { ...view, azimuthDeg: -view.azimuthDeg },
  });
}

/** The facing that a mirror shows: left and right change places, the others stay. */
export const mirroredFacing = (facing: ReferenceFacts['facing']): ReferenceFacts['facing'] =>
  facing === 'left' ? 'right' : facing === 'right' ? 'left' : facing;
