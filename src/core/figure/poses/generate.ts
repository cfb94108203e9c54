import { seededRandom } from '../../random';
import { BUILDS } from '../skeleton/builds';
import { brokenLimits, penetrations } from '../skeleton/limits';
import { type Rig, soleContacts } from '../skeleton/kinematics';
import { mirrorPose } from '../skeleton/mirror';
import type { LimbTarget, Pose } from '../skeleton/pose';
import { SIDES } from '../skeleton/skeleton';
import { imbalance, settlePose } from '../skeleton/support';
import { lerp, mix, type Quat, quatProduct, slerp, aboutX, aboutY, aboutZ } from '../skeleton/vector';
import type { AuthoredPose } from './author';
import { POSES } from './poses';

/** Authored poses that stand on their feet with free hands: what further poses are blended from. */
const PARENTS: readonly AuthoredPose[] = Object.values(POSES as Record<string, AuthoredPose>).filter(
  ({ pose }) =>
    pose.props === undefined &&
    pose.support === undefined &&
    pose.ik?.legL?.floor === 0 &&
    pose.ik.legR?.floor === 0 &&
    !holdsSomething(pose),
);
function holdsSomething({ ik }: Pose): boolean {
  return [ik?.armL, ik?.armR].some((arm) => arm !== undefined && (arm.rel === undefined || arm.by === 'palm'));
}

const rigs = new Map<Pose, Rig>();
function rigOf(pose: Pose): Rig {
  const known = rigs.get(pose);
  if (known) return known;
  const { rig } = settlePose(pose, BUILDS.masc);
  rigs.set(pose, rig);
  return rig;
}

function blendedLeg(a: LimbTarget, b: LimbTarget, t: number): LimbTarget {
  const toe = mix(a.toe ?? 0, b.toe ?? 0, t);
  return {
    pos: lerp(a.pos, b.pos, t),
    rot: lerp(a.rot ?? [0, 0, 0], b.rot ?? [0, 0, 0], t),
    floor: 0,
    ...(toe > 1 && { toe }),
  };
}

/** Bones that are blended as rotations; the legs go where blended feet stand. */
const BLENDED = ['pelvis', 'spine', 'chest', 'neck', 'head', 'clav', 'uarm', 'farm', 'hand'];
/** Random turn of each, degrees at most. */
const VARIED: Record<string, number> = { spine: 6, chest: 7, neck: 8, head: 10, uarm: 12, farm: 14 };

function attempt(random: () => number): AuthoredPose {
  const pick = (): AuthoredPose => PARENTS[Math.floor(random() * PARENTS.length)];
  const first = pick();
  let second = pick();
  while (second === first) second = pick();
  const mirrored = random() < 0.5;
  const other = mirrored ? mirrorPose(second.pose) : second.pose;
  const t = 0.3 + 0.4 * random();
  const [a, b] = [rigOf(first.pose), rigOf(other)];
  const turn = (degrees: number): number => (2 * random() - 1) * degrees;
  const joints: Record<string, Quat> = {};
  for (const bone of Object.keys(a.local)) {
    const plain = bone.replace(/\.[LR]$/, '');
    const finger = /^(f\d|th)\d/.test(bone);
    if (!finger && !BLENDED.includes(plain)) continue;
    const blended = slerp(a.local[bone], b.local[bone], t);
    const most = VARIED[plain] ?? 0;
    // An elbow only bends; the rest may turn any way.
    const varied =
      plain === 'farm' ? aboutX(turn(most)) : quatProduct(aboutY(turn(most)), aboutZ(turn(most)), aboutX(turn(most)));
    joints[bone] = most > 0 ? quatProduct(blended, varied) : blended;
  }
  const legs = (side: 'L' | 'R'): LimbTarget =>
    blendedLeg(first.pose.ik?.[`leg${side}`] as LimbTarget, other.ik?.[`leg${side}`] as LimbTarget, t);
  return {
    name: '',
    family: t < 0.5 ? first.family : second.family,
    seenFrom: [Math.round(turn(60)), Math.round(180 + turn(60)) % 180],
    pose: {
      joints,
      root: { pos: lerp(a.pos.pelvis, b.pos.pelvis, t) },
      ik: { legL: legs('L'), legR: legs('R') },
    },
  };
}

/** Why a pose cannot stand, or undefined: a joint beyond its range, flesh in flesh, a foot in the air, or the weight beside the feet. */
export function whyRejected(pose: Pose): string | undefined {
  const { rig } = settlePose(pose, BUILDS.masc);
  const broken = brokenLimits(rig);
  if (broken.length > 0) return broken[0];
  for (const side of SIDES)
    if (Math.min(...soleContacts(rig, side).map(([, y]) => y)) > 0.02) return 'a foot does not reach the ground';
  if (imbalance(pose, rig) > 0.02) return 'it would fall';
  const deep = penetrations(rig).find(({ depth }) => depth > 0.08);
  return deep && `${deep.parts} overlap`;
}

const ATTEMPTS = 60;
const made = new Map<number, AuthoredPose | undefined>();

/**
 * A pose made from a seed: a blend of two authored ones, varied, the first of its attempts that stands. The same seed gives the same
 * pose, always.
 * @returns undefined for the rare seed of which nothing stands.
 */
export function generatedPose(seed: number): AuthoredPose | undefined {
  if (made.has(seed)) return made.get(seed);
  const random = seededRandom(seed);
  let found: AuthoredPose | undefined;
  for (let i = 0; i < ATTEMPTS && !found; i++) {
    const candidate = attempt(random);
    if (whyRejected(candidate.pose) === undefined) found = { ...candidate, name: `Chance pose ${String(seed)}` };
  }
  made.set(seed, found);
  return found;
}
