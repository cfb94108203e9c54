import { BUILD_NAMES, type BuildName } from '../skeleton/buildNames';
import type { View } from '../picture/view';

/** A built-in figure as something to draw: who, which pose, seen from where. Any combination can be rendered. */
export interface FigureReference {
  poseId: string;
  build: BuildName;
  view: View;
}

/** `figure/pose/build/azimuth/elevation/lens`, whole degrees. */
export function figureReferenceId({ poseId, build, view }: FigureReference): string {
  return ['figure', poseId, build, view.azimuthDeg, view.elevationDeg, view.lensDeg].join('/');
}

/** The inverse of figureReferenceId, as far as an id's form goes: whether there is such a pose is not asked. */
export function splitFigureReference(id: string): FigureReference | undefined {
  const [kind, poseId, build, ...numbers] = id.split('/');
  const [azimuthDeg, elevationDeg, lensDeg] = numbers.map(Number);
  const inRange = Math.abs(azimuthDeg) <= 180 && Math.abs(elevationDeg) <= 80 && lensDeg >= 5 && lensDeg <= 90;
  if (kind !== 'figure' || numbers.length !== 3 || !inRange || !BUILD_NAMES.some((name) => name === build))
    return undefined;
  return { poseId, build: build as BuildName, view: { azimuthDeg, elevationDeg, lensDeg } };
}

/** No reference has a longer id: a moved pose of a pose from motion is the longest. */
export const LONGEST_REFERENCE_ID = 320;

/** Ends the id of a pose seen in a mirror. */
export const MIRRORED = '~m';

/** The id of a pose’s mirror image; of a mirror image, that of the pose. */
export const mirroredId = (poseId: string): string =>
  poseId.endsWith(MIRRORED) ? poseId.slice(0, -MIRRORED.length) : poseId + MIRRORED;
