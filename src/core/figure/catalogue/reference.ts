import { BUILDS, type BuildName } from '../skeleton/builds';
import type { Family } from './families';
import type { AuthoredPose } from '../poses/author';
import { findPose } from '../poses/find';
import { POSE_SLUGS } from '../poses/poses';
import { type FigureReference, mirroredId, splitFigureReference } from './referenceId';
import type { ShownPart } from '../mesh/region';
import { PART_POSES } from '../poses/partPoses';
import { BUILD_NAMES } from '../skeleton/buildNames';
import { settlePose } from '../skeleton/support';
import { clamp } from '../../clamp';
import {
  describeHeading,
  describeView,
  type Facing,
  foreshortening,
  headingDeg,
  partHeading,
  twistDeg,
  type ViewName,
} from '../picture/view';

/** The figure an id stands for; undefined for any other id. */
export function parseFigureReference(id: string): FigureReference | undefined {
  const reference = splitFigureReference(id);
  return reference && findPose(reference.poseId) ? reference : undefined;
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
  /** A limb points nearly at you, or from you: less than two fifths of its length is seen. */
  foreshortened: boolean;
  /** What makes it hard, hardest first; empty when nothing does. */
  why: string[];
}

/** A limb segment shorter than this in the picture, relative to its true length, counts as foreshortened. */
const FORESHORTENED = 0.6;
const STRONGLY = 0.4;
const TWISTED_DEG = 25;
const WIDE_LENS_DEG = 45;
const UNUSUAL: Partial<Record<Family, string>> = {
  reclining: 'lying down, so that familiar proportions turn',
  balancing: 'balanced, so that every tilt counts',
  bending: 'bent over, so that the trunk hides behind itself',
};
const LIMB_NAMES = ['upper arm', 'forearm', 'thigh', 'lower leg'] as const;

/** Seen from this far above or below, a part is foreshortened, degrees. */
const STEEP_DEG = 40;
const RAISED_DEG = 12;

/** What a part is chosen by: how hard its own form is, and what the view adds. */
function partFacts(
  { build, view }: FigureReference,
  { name, family, pose, difficulty = 2 }: AuthoredPose,
  part: ShownPart,
): FigureFacts {
  const { rig } = settlePose(pose, BUILDS[build]);
  const seen = describeHeading(partHeading(rig, part), view.azimuthDeg);
  const why: string[] = [];
  const steep = Math.abs(view.elevationDeg) > STEEP_DEG;
  if (difficulty > 2) why.push('a form of many directions');
  if (steep) why.push('foreshortened by the view');
  else if (Math.abs(view.elevationDeg) > RAISED_DEG)
    why.push(view.elevationDeg > 0 ? 'seen from above' : 'seen from below');
  if (part === 'head' && seen.viewName === 'three-quarter') why.push('turned, so that its two sides differ');
  const harder = (steep ? 2 : 0) + (Math.abs(view.elevationDeg) > RAISED_DEG && !steep ? 1 : 0);
  return { name, family, ...seen, difficulty: Math.round(clamp(difficulty + harder, 1, 5)), foreshortened: steep, why };
}

/** What people choose a reference by, worked out from the skeleton. */
export function figureFacts(reference: FigureReference): FigureFacts {
  const { poseId, build, view } = reference;
  const authored = poseOf(poseId);
  if (authored.part) return partFacts(reference, authored, authored.part);
  const { name, family, pose } = authored;
  const { rig } = settlePose(pose, BUILDS[build]);
  const reasons: { points: number; words: string }[] = [];
  const add = (points: number, words: string): void => {
    reasons.push({ points, words });
  };
  const short = foreshortening(rig, view)
    .map((ratio, i) => ({ ratio, name: `${i < 4 ? 'left' : 'right'} ${LIMB_NAMES[i % 4]}` }))
    .filter(({ ratio }) => ratio < FORESHORTENED)
    .sort((p, q) => p.ratio - q.ratio);
  if (short.length > 0)
    add(
      Math.min(2, short.length / 2),
      `${short[0].ratio < STRONGLY ? 'strongly ' : ''}foreshortened ${short[0].name}${short.length > 1 ? ` and ${String(short.length - 1)} more` : ''}`,
    );
  const twist = twistDeg(rig);
  if (twist > TWISTED_DEG) add(1, `shoulders turned ${String(Math.round(twist))}° against the hips`);
  const unusual = UNUSUAL[family];
  if (unusual) add(1, unusual);
  if (view.lensDeg > WIDE_LENS_DEG) add(1, 'seen through a wide lens');
  if (view.elevationDeg > 30) add(1, 'seen from above');
  if (view.elevationDeg < -3) add(1, 'seen from below');
  const points = reasons.reduce((sum, r) => sum + r.points, 0);
  return {
    name,
    family,
    ...describeView(rig, view),
    difficulty: Math.round(clamp(1 + points, 1, 5)),
    foreshortened: (short[0]?.ratio ?? 1) < STRONGLY,
    why: reasons.sort((p, q) => q.points - p.points).map((r) => r.words),
  };
}

/** Which way a pose faces, degrees from the world's front: what its view names are told by. */
export function poseHeadingDeg(poseId: string, build: BuildName): number {
  const { pose, part } = poseOf(poseId);
  const { rig } = settlePose(pose, BUILDS[build]);
  return part ? partHeading(rig, part) : headingDeg(rig);
}

/** The lens of the sets' views: about how one sees a model from across a room. */
const ROOM_LENS_DEG = 26;

/** Who plays whom, in turn over a character's views. */
const PLAYED_BY: Record<string, readonly BuildName[]> = {
  'stilt-walker': ['lean', 'fem', 'tall', 'strong'],
  'bell-ringer': ['stocky', 'masc', 'big', 'small'],
  archer: ['slight', 'muscular', 'strong', 'masc'],
  drummer: ['masc', 'heavy', 'muscular', 'fem'],
  'bread-carrier': ['fem', 'stocky', 'heavy', 'tall'],
  'net-mender': ['older', 'lean', 'elder', 'small'],
};

/** Whose limbs are too long or too short for a pose to touch what it touches. */
const UNSUITED: Record<string, readonly BuildName[]> = {
  'stilt-walker-sweeping': ['lean', 'tall'],
  'drummer-kneeling-at-the-drum': ['masc', 'muscular'],
  'net-mender-pausing': ['older', 'elder', 'small'],
  'net-mender-stretched-on-a-bench': ['older'],
  'stilt-walker-holding-an-ankle': ['lean'],
  'net-mender-holding-up-the-net': ['older', 'elder'],
  'archer-on-a-stool': ['strong'],
  'drummer-leaning-back': ['heavy'],
  'net-mender-hugging-knees': ['small', 'lean'],
  'bread-carrier-crouching': ['stocky'],
};

/** Who plays a pose. */
function castOf(poseId: string): readonly BuildName[] {
  const character = Object.keys(PLAYED_BY).find((name) => poseId.startsWith(name)) ?? 'archer';
  return PLAYED_BY[character].filter((name) => !UNSUITED[poseId]?.includes(name));
}

/** Every view of every pose of a whole body in the sets. */
export const WHOLE_FIGURES: readonly FigureReference[] = POSE_SLUGS.flatMap((poseId, i) => {
  const cast = castOf(poseId);
  return poseOf(poseId).seenFrom.map((azimuthDeg, j) => ({
    poseId,
    build: cast[(i + j) % cast.length],
    view: { azimuthDeg, elevationDeg: [6, 10, 4, 14][(i + 2 * j) % 4], lensDeg: ROOM_LENS_DEG },
  }));
});

/** The lens that parts are seen through: from near, but not so near that they bulge. */
const PART_LENS_DEG = 20;

/** In whose shape each part is seen, in turn; every head is everybody's. */
function partFigures(): FigureReference[] {
  let turn = 0;
  return Object.entries(PART_POSES).flatMap(([poseId, { part, seenFrom, raised }]) =>
    (part === 'head' ? BUILD_NAMES : [undefined]).flatMap((everybody) =>
      seenFrom.map((azimuthDeg, i) => {
        const build = everybody ?? BUILD_NAMES[turn++ % BUILD_NAMES.length];
        // Every other hand and foot is a right one.
        const mirrored = part !== 'head' && part !== 'torso' && turn % 2 === 0;
        return {
          poseId: mirrored ? mirroredId(poseId) : poseId,
          build,
          view: {
            azimuthDeg: mirrored ? -azimuthDeg : azimuthDeg,
            elevationDeg: raised?.[i] ?? 6,
            lensDeg: PART_LENS_DEG,
          },
        };
      }),
    ),
  );
}

/** Every view of every head, hand, foot and torso in the sets. */
export const PART_FIGURES: readonly FigureReference[] = partFigures();

/** Everything that ships: whole figures, then parts. */
export const SET_FIGURES: readonly FigureReference[] = [...WHOLE_FIGURES, ...PART_FIGURES];

/**
 * The figures whose full-size pictures ship too, so that a first session waits for nothing: the first view of every third pose, and
 * some heads, hands, feet and torsos.
 */
export const FIRST_FIGURES: readonly FigureReference[] = [
  ...POSE_SLUGS.filter((_, i) => i % 3 === 0).map(
    (slug) => SET_FIGURES.find(({ poseId }) => poseId === slug) as FigureReference,
  ),
  ...PART_FIGURES.filter((_, i) => i % 13 === 0),
];
