import { type Rig, soleContacts } from '../skeleton/kinematics';
import { centerOf, centerOfMass, type Segment, segments } from '../skeleton/mass';
import type { Pose } from '../skeleton/pose';
import { METERS_PER_HEAD, SIDES, type Side } from '../skeleton/skeleton';
import { cross, dot, rotate, sub, type Vec3 } from '../skeleton/vector';

/** How long a pose can be held, as an estimate on the careful side. */
export interface Effort {
  /** Seconds; never more than HOLD_CAP_S. */
  holdS: number;
  /** The joint that tires first, in words; undefined when nothing limits it within the cap. */
  limitedBy: string | undefined;
  /** Share of the weight on the left foot when both feet carry, 0 to 1. */
  leftShare: number | undefined;
}

/** Even an easy pose needs a stretch after this long. */
export const HOLD_CAP_S = 20 * 60;

const BODY_KG = 68;
const GRAVITY = 9.81;

/**
 * Torques that joints can give for a moment, newton meters: about the median of a mixed adult population, rounded down, after
 * D. B. Chaffin, G. B. J. Andersson and B. J. Martin, Occupational Biomechanics, 4th ed. 2006, table 4.6.
 */
const STRENGTH_NM = { shoulder: 52, elbow: 46, back: 190, neck: 30, hip: 120, knee: 125, ankle: 105 } as const;

/**
 * Endurance of a static effort at a share f of strength, seconds: -1.5 + 2.1/f - 0.6/f^2 + 0.1/f^3 minutes, without limit below
 * 15 % (W. Rohmert, "Ermittlung von Erholungspausen für statische Arbeit des Menschen", Int. Z. angew. Physiol. 18, 1960).
 */
export function enduranceS(share: number): number {
  if (share <= 0.15) return Infinity;
  const f = Math.min(1, share);
  return Math.max(0, 60 * (-1.5 + 2.1 / f - 0.6 / (f * f) + 0.1 / (f * f * f)));
}

/** Only this part of the computed endurance is promised: models differ, and nobody should shake. */
const CAREFUL = 0.6;

/**
 * Standing on one leg with nothing to hold on to, seconds: adults under 40 keep it for 43 s in the mean with their eyes open
 * (B. Springer et al., "Normative values for the unipedal stance test", J. Geriatr. Phys. Ther. 30, 2007).
 */
const ONE_LEG_S = 40;

/** The ground's push under a foot leans toward the center of mass, as friction lets it, at most by this slope. */
const SLOPE = 0.5;

/** Torque about a hinge of the ground's push under a foot, newton meters. */
function push(newtons: number, under: Vec3, mass: Vec3, joint: Vec3, axis: Vec3): number {
  const aside = sub(mass, under);
  const slope = Math.hypot(aside[0], aside[2]) / Math.max(0.1, aside[1]);
  const k = slope === 0 ? 0 : (Math.min(SLOPE, slope) / slope) * (newtons / Math.max(0.1, aside[1]));
  const force: Vec3 = [aside[0] * k, newtons, aside[2] * k];
  return Math.abs(dot(cross(sub(under, joint), force), axis)) * METERS_PER_HEAD;
}

const horizontally = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[2] - b[2]) * METERS_PER_HEAD;

/** Gravity's torque of segments about a joint, newton meters. */
function torque(parts: readonly Segment[], joint: Vec3): number {
  const mass = parts.reduce((sum, p) => sum + p.share, 0) * BODY_KG;
  return mass * GRAVITY * horizontally(centerOf(parts), joint);
}

/** A sole this near to the floor touches it, heads. */
const TOUCHES = 0.08;

/** Share of the weight on the left foot from where the center of mass falls between the two. */
function weightOnLeft(pose: Pose, rig: Rig): number | undefined {
  if (pose.support !== undefined || !pose.ik?.legL || !pose.ik.legR) return undefined;
  const middle = (side: Side): Vec3 => {
    if (pose.ik?.[`leg${side}`]?.kneel) return rig.pos[`calf.${side}`];
    const contacts = soleContacts(rig, side).filter(([, y]) => y < (pose.ik?.[`leg${side}`]?.floor ?? 0) + TOUCHES);
    if (contacts.length === 0) return [NaN, 0, NaN];
    return [0, 1, 2].map((k) => contacts.reduce((sum, p) => sum + p[k], 0) / contacts.length) as Vec3;
  };
  const [l, r, c] = [middle('L'), middle('R'), centerOfMass(rig)];
  if (Number.isNaN(l[0])) return Number.isNaN(r[0]) ? undefined : 0;
  if (Number.isNaN(r[0])) return 1;
  const [dx, dz] = [l[0] - r[0], l[2] - r[2]];
  const t = ((c[0] - r[0]) * dx + (c[2] - r[2]) * dz) / (dx * dx + dz * dz || 1);
  return Math.max(0, Math.min(1, t));
}

/** Whether one foot is on the ground and the other in the air. */
const standsOnOne = (pose: Pose, rig: Rig): boolean =>
  pose.support === undefined &&
  SIDES.filter((side) => {
    const leg = pose.ik?.[`leg${side}`];
    return !leg?.kneel && soleContacts(rig, side).every(([, y]) => y >= (leg?.floor ?? 0) + TOUCHES);
  }).length === 1;

/**
 * Torques at the joints against gravity, and the endurance of the weakest. Muscles that share a load, and momentum, are left out:
 * a pose in motion is judged as if it were held.
 */
export function effort(pose: Pose, rig: Rig): Effort {
  const all = segments(rig);
  const named = (names: readonly string[]): Segment[] => all.filter((s) => names.includes(s.name));
  const loads: { joint: string; share: number }[] = [];
  const load = (joint: string, nm: number, strength: number): void => {
    loads.push({ joint, share: nm / strength });
  };
  const left = weightOnLeft(pose, rig);
  const mass = centerOfMass(rig);
  const hinge = (bone: string): Vec3 => rotate(rig.rot[bone], [1, 0, 0]);
  for (const side of SIDES) {
    const words = side === 'L' ? 'left' : 'right';
    const arm = pose.ik?.[`arm${side}`];
    const carried = arm !== undefined && (arm.by === 'palm' || arm.rel !== undefined) && arm.rel !== 'chest';
    if (!carried) {
      const forearm = named([`farm.${side}`, `hand.${side}`]);
      load(
        `${words} shoulder`,
        torque([...named([`uarm.${side}`]), ...forearm], rig.pos[`uarm.${side}`]),
        STRENGTH_NM.shoulder,
      );
      load(`${words} elbow`, torque(forearm, rig.pos[`farm.${side}`]), STRENGTH_NM.elbow);
    }
    if (pose.support !== undefined) continue;
    const share = left === undefined ? 0.5 : side === 'L' ? left : 1 - left;
    const foot = rig.pos[`foot.${side}`];
    const lower = named([`calf.${side}`, `foot.${side}`]);
    if (share > 0.05) {
      // The ground pushes up under the foot; each joint above resists it.
      const contacts = soleContacts(rig, side)
        .sort((a, b) => a[1] - b[1])
        .slice(0, 4);
      const under = [0, 1, 2].map((k) => contacts.reduce((sum, p) => sum + p[k], 0) / contacts.length) as Vec3;
      const newtons = share * BODY_KG * GRAVITY;
      const kneeling = rig.pos[`calf.${side}`][1] < 0.35;
      if (!kneeling) {
        load(
          `${words} knee`,
          push(newtons, under, mass, rig.pos[`calf.${side}`], hinge(`calf.${side}`)),
          STRENGTH_NM.knee,
        );
        load(`${words} hip`, push(newtons, under, mass, rig.pos[`thigh.${side}`], hinge('pelvis')), STRENGTH_NM.hip);
      }
      const heelUp = soleContacts(rig, side)[0][1] > 0.1;
      if (heelUp) load(`${words} calf`, push(newtons, under, mass, foot, hinge(`foot.${side}`)), STRENGTH_NM.ankle);
    } else
      load(`${words} hip`, torque([...named([`thigh.${side}`]), ...lower], rig.pos[`thigh.${side}`]), STRENGTH_NM.hip);
  }
  const upper = all.filter((s) => /^(chest|head|uarm|farm|hand)/.test(s.name));
  const lying = pose.support !== undefined && rig.pos.neck[1] < pose.support + 1.6;
  if (!lying) {
    const propped = SIDES.some((side) => pose.ik?.[`arm${side}`]?.by === 'palm');
    load('back', torque(upper, rig.pos.spine) * (propped ? 0.4 : 1), STRENGTH_NM.back);
    load('neck', torque(named(['head']), rig.pos.neck), STRENGTH_NM.neck);
  }
  const hardest = loads.reduce((a, b) => (b.share > a.share ? b : a), { joint: '', share: 0 });
  const strengthS = CAREFUL * enduranceS(hardest.share);
  const balances = standsOnOne(pose, rig) && !SIDES.some((side) => pose.ik?.[`arm${side}`]?.by === 'palm');
  const holdS = Math.min(HOLD_CAP_S, strengthS, balances ? ONE_LEG_S : Infinity);
  return {
    holdS: holdS >= 60 ? Math.floor(holdS / 30) * 30 : Math.max(5, Math.floor(holdS / 5) * 5),
    limitedBy: holdS === HOLD_CAP_S ? undefined : balances && ONE_LEG_S < strengthS ? 'balance' : hardest.joint,
    leftShare: left,
  };
}
