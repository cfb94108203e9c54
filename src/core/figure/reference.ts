import { BUILDS, type BuildName } from './builds';
import type { AuthoredPose, Family } from './poses/author';
import { findPose } from './poses/find';
import { POSE_SLUGS } from './poses/poses';
import { settlePose } from './support';
import { clamp } from './vector';
import { describeView, type Facing, foreshortening, twistDeg, type View, type ViewName } from './view';

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

/** The inverse of figureReferenceId; undefined for any other id. */
export function parseFigureReference(id: string): FigureReference | undefined {
  const [kind, poseId, build, ...numbers] = id.split('/');
  const [azimuthDeg, elevationDeg, lensDeg] = numbers.map(Number);
  const inRange = Math.abs(azimuthDeg) <= 180 && Math.abs(elevationDeg) <= 80 && lensDeg >= 5 && lensDeg <= 90;
  if (kind !== 'figure' || numbers.length !== 3 || !inRange || !Object.hasOwn(BUILDS, build) || !findPose(poseId))
    return undefined;
  return { poseId, build: build as BuildName, view: { azimuthDeg, elevationDeg, lensDeg } };
}

/** @throws for an id that parseFigureReference would refuse. */
export function poseOf(poseId: string): AuthoredPose {
  const pose = findPose(poseId);
  if (!pose) throw new Error(`not a pose: ${poseId}`);
  return pose;
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
  const { name, family, pose } = poseOf(poseId);
  const { rig } = settlePose(pose, BUILDS[build]);
  const short = foreshortening(rig, view).filter((ratio) => ratio < FORESHORTENED).length;
  const points =
    Math.min(2, short / 2) +
    (twistDeg(rig) > TWISTED_DEG ? 1 : 0) +
    (UNUSUAL.includes(family) ? 1 : 0) +
    (view.lensDeg > 45 ? 1 : 0);
  return { name, family, ...describeView(rig, view), difficulty: Math.round(clamp(1 + points, 1, 5)) };
}

/** The lens of the sets' views: about how one sees a model from across a room. */
export const ROOM_LENS_DEG = 26;

/** Who plays whom, in turn over a character's views. */
export const PLAYED_BY: Record<string, readonly BuildName[]> = {
  'stilt-walker': ['lean', 'fem'],
  'bell-ringer': ['stocky', 'masc'],
  archer: ['slight', 'muscular'],
  drummer: ['masc', 'heavy'],
  'bread-carrier': ['fem', 'stocky'],
  'net-mender': ['older', 'lean'],
};

/** Every view of every authored pose in the sets. */
export const SET_FIGURES: readonly FigureReference[] = POSE_SLUGS.flatMap((poseId, i) => {
  const character = Object.keys(PLAYED_BY).find((name) => poseId.startsWith(name)) ?? 'archer';
  return poseOf(poseId).seenFrom.map((azimuthDeg, j) => ({
    poseId,
    build: PLAYED_BY[character][(i + j) % 2],
    view: { azimuthDeg, elevationDeg: [6, 10, 4, 14][(i + 2 * j) % 4], lensDeg: ROOM_LENS_DEG },
  }));
});

/** The file name of a shipped picture, without ending. */
export function figureFileName({ poseId, build, view }: FigureReference): string {
  return `${poseId}-${build}-${view.azimuthDeg}`;
}
