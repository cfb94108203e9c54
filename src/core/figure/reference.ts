import { BUILDS, type BuildName } from './builds';
import { poseSkeleton } from './kinematics';
import { type AuthoredPose, type Family, type PoseId, POSES } from './poses';
import { clamp } from './vector';
import { describeView, type Facing, foreshortening, twistDeg, type View, type ViewName } from './view';

/** A built-in figure as something to draw: who, which pose, seen from where. Any combination can be rendered. */
export interface FigureReference {
  poseId: PoseId;
  build: BuildName;
  view: View;
}

/** `figure/pose/build/azimuth/elevation/lens`, whole degrees. */
export function figureReferenceId({ poseId, build, view }: FigureReference): string {
  return ['figure', poseId, build, view.azimuthDeg, view.elevationDeg, view.lensDeg].join('/');
}

/** The inverse of figureReferenceId; undefined for any other id. */
export function parseFigureReference(id: string): FigureReference | undefined {
  const [kind, poseId, build, ...numbers] = id.split('/');
  const [azimuthDeg, elevationDeg, lensDeg] = numbers.map(Number);
  const inRange = Math.abs(azimuthDeg) <= 180 && Math.abs(elevationDeg) <= 80 && lensDeg >= 5 && lensDeg <= 90;
  if (
    kind !== 'figure' ||
    numbers.length !== 3 ||
    !inRange ||
    !Object.hasOwn(POSES, poseId) ||
    !Object.hasOwn(BUILDS, build)
  )
    return undefined;
  return { poseId: poseId as PoseId, build: build as BuildName, view: { azimuthDeg, elevationDeg, lensDeg } };
}

export interface FigureFacts {
  name: string;
  family: Family;
  viewName: ViewName;
  facing: Facing;
  /** 1 gentle to 5 hard. */
  difficulty: number;
}

/** A limb segment shorter than this in the picture, relative to its true length, counts as foreshortened. */
const FORESHORTENED = 0.6;
const TWISTED_DEG = 25;
const UNUSUAL: readonly Family[] = ['reclining', 'balancing', 'bending'];

/** What people choose a reference by, worked out from the skeleton. */
export function figureFacts({ poseId, build, view }: FigureReference): FigureFacts {
  const { name, family, pose }: AuthoredPose = POSES[poseId];
  const rig = poseSkeleton(pose, BUILDS[build]);
  const short = foreshortening(rig, view).filter((ratio) => ratio < FORESHORTENED).length;
  const points =
    Math.min(2, short / 2) +
    (twistDeg(rig) > TWISTED_DEG ? 1 : 0) +
    (UNUSUAL.includes(family) ? 1 : 0) +
    (view.lensDeg > 45 ? 1 : 0);
  return { name, family, ...describeView(rig, view), difficulty: Math.round(clamp(1 + points, 1, 5)) };
}

/** The lens of the shipped views: about how one sees a model from across a room. */
const LENS_DEG = 26;

/** Pose, then build and views [azimuth, elevation] in degrees; chosen by eye so that no weak spot of the model shows. */
const SHIPPED: readonly (readonly [PoseId, ...(readonly [BuildName, number, number])[]])[] = [
  ['stilt-walker-at-rest', ['masc', 25, 6], ['fem', -150, 6]],
  ['stilt-walker-reaching', ['lean', -30, 4], ['fem', 140, 6]],
  ['bread-carrier-crouching', ['lean', 40, 10], ['masc', -125, 10]],
  ['drummer-waiting', ['lean', 35, 8], ['stocky', -60, 6]],
  ['net-mender-pausing', ['masc', -50, 12], ['lean', 60, 10]],
  ['archer-turning', ['masc', -20, 5]],
  ['archer-lunging', ['masc', 50, 6], ['lean', -70, 8]],
  ['drummer-reclining', ['masc', -10, 12], ['lean', 20, 16]],
  ['net-mender-kneeling', ['lean', 35, 7], ['masc', -75, 7]],
  ['bread-carrier-bending', ['lean', 65, 7], ['masc', -80, 7]],
  ['bell-ringer-stretching', ['masc', 165, 6], ['lean', 35, 5]],
  ['net-mender-hugging-knees', ['lean', 50, 8], ['masc', -65, 10]],
  ['net-mender-on-all-fours', ['masc', 60, 8], ['lean', -80, 8]],
  ['bell-ringer-leaning', ['masc', 70, 6], ['stocky', -55, 8]],
  ['drummer-lying-down', ['masc', -75, 14]],
  ['stilt-walker-balancing', ['lean', 80, 6], ['masc', -60, 6]],
];

/** The figures whose pictures ship with the app, so that a first session waits for nothing. */
export const SHIPPED_FIGURES: readonly FigureReference[] = SHIPPED.flatMap(([poseId, ...views]) =>
  views.map(([build, azimuthDeg, elevationDeg]) => ({
    poseId,
    build,
    view: { azimuthDeg, elevationDeg, lensDeg: LENS_DEG },
  })),
);

/** The file name of a shipped picture, without ending. */
export function figureFileName({ poseId, build, view }: FigureReference): string {
  return `${poseId}-${build}-${view.azimuthDeg}`;
}
