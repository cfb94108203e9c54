import { clamp } from '../../clamp';
import { ballAngles, eulerYzx, wrapDegrees } from './jointAngles';
import type { Rig } from './kinematics';
import type { Part } from './parts';
import { SIDES, sideSign } from './skeleton';
import { add, dot, length, quatMul, RAD_PER_DEG, rotate, scale, sub, type Vec3 } from './vector';

type Range = readonly [low: number, high: number];

/** Comfortable ranges in degrees, rounded from the usual clinical tables (American Academy of Orthopaedic Surgeons 1965). */
const RANGES: Record<string, Range> = {
  'spine bend': [-25, 40],
  'spine side': [-20, 25],
  'spine twist': [-20, 20],
  'chest bend': [-20, 35],
  'chest side': [-20, 26],
  'chest twist': [-30, 30],
  'neck bend': [-30, 35],
  'neck side': [-25, 25],
  'neck twist': [-35, 35],
  'head bend': [-30, 25],
  'head side': [-15, 15],
  'head twist': [-40, 40],
  elbow: [0, 148],
  pronation: [-85, 85],
  'wrist flexion': [-70, 80],
  'wrist deviation': [-35, 25],
  knee: [0, 152],
  'ankle toes up': [-58, 36],
  'ankle inversion': [-25, 25],
  'hip flexion': [-28, 142],
  'hip abduction': [-32, 60],
  'hip twist': [-50, 65],
  'shoulder raise': [0, 178],
  'shoulder extension': [-180, 66],
  'shoulder across': [-180, 60],
  'shoulder twist': [-95, 95],
};

const hingeDeg = (rig: Rig, bone: string): number =>
  wrapDegrees((2 * Math.atan2(rig.local[bone][0], rig.local[bone][3])) / RAD_PER_DEG);

/** A limb raised by `raise` toward `azimuth`: its angle forward, seen from the side, and out of that plane; degrees. */
const inSagittal = (raise: number, azimuth: number): number =>
  Math.atan2(Math.sin(raise * RAD_PER_DEG) * Math.cos(azimuth * RAD_PER_DEG), Math.cos(raise * RAD_PER_DEG)) /
  RAD_PER_DEG;
const outOfSagittal = (raise: number, azimuth: number): number =>
  Math.asin(Math.sin(raise * RAD_PER_DEG) * Math.sin(azimuth * RAD_PER_DEG)) / RAD_PER_DEG;

const behind = (raise: number, azimuth: number): number =>
  Math.asin(-Math.sin(raise * RAD_PER_DEG) * Math.cos(azimuth * RAD_PER_DEG)) / RAD_PER_DEG;
/**
 * Rotation about the limb as it is measured clinically, raising forward first and then swinging aside; the shortest swing itself
 * turns the limb by its azimuth times (1 - cos raise).
 */
const clinicalTwist = (raise: number, azimuth: number, twist: number): number =>
  wrapDegrees(twist - azimuth * (1 - Math.cos(raise * RAD_PER_DEG)));

/** Joint angles of a posed skeleton, degrees, by the names of RANGES with a side where there are two. */
function jointAngles(rig: Rig): [name: string, range: string, value: number][] {
  const out: [string, string, number][] = [];
  const put = (where: string, range: string, value: number): void => {
    out.push([`${where}${range}`, range, value]);
  };
  for (const bone of ['spine', 'chest', 'neck', 'head']) {
    const [twist, side, bend] = eulerYzx(rig.local[bone]);
    put('', `${bone} bend`, bend);
    put('', `${bone} side`, -side);
    put('', `${bone} twist`, twist);
  }
  for (const side of SIDES) {
    const where = side === 'L' ? 'left ' : 'right ';
    const sign = sideSign(side);
    put(where, 'elbow', -hingeDeg(rig, `farm.${side}`));
    put(where, 'knee', hingeDeg(rig, `calf.${side}`));
    const [pronation, flexion, deviation] = eulerYzx(rig.local[`hand.${side}`]);
    put(where, 'pronation', -pronation * sign);
    put(where, 'wrist flexion', -flexion * sign);
    put(where, 'wrist deviation', -deviation);
    const [, inversion, toes] = eulerYzx(rig.local[`foot.${side}`]);
    put(where, 'ankle toes up', -toes);
    put(where, 'ankle inversion', -inversion * sign);
    const [raise, azimuth, twist] = ballAngles(rig.local[`thigh.${side}`], sign);
    put(where, 'hip flexion', inSagittal(raise, azimuth));
    put(where, 'hip abduction', outOfSagittal(raise, azimuth));
    put(where, 'hip twist', clinicalTwist(raise, azimuth, twist));
    const arm = ballAngles(quatMul(rig.local[`clav.${side}`], rig.local[`uarm.${side}`]), sign);
    put(where, 'shoulder raise', arm[0]);
    if (arm[0] < 90) put(where, 'shoulder extension', behind(arm[0], arm[1]));
    put(where, 'shoulder across', -outOfSagittal(arm[0], arm[1]));
    if (arm[0] < 100) put(where, 'shoulder twist', arm[2]); // near overhead the split into swing and twist is not a clinical rotation
  }
  return out;
}

/** Joints bent beyond their range by more than a degree, in words. */
export function brokenLimits(rig: Rig): string[] {
  return jointAngles(rig)
    .filter(([, range, value]) => value < RANGES[range][0] - 1 || value > RANGES[range][1] + 1)
    .map(([name, , value]) => `${name} at ${Math.round(value)} degrees`);
}

const neighbors = new Set<string>();
const mayTouch = (a: Part, b: Part): void => {
  neighbors.add(`${a}|${b}`).add(`${b}|${a}`);
};
mayTouch('torso', 'head');
mayTouch('thigh.L', 'thigh.R');
for (const s of SIDES) {
  mayTouch('torso', `uarm.${s}`);
  mayTouch(`uarm.${s}`, `farm.${s}`);
  mayTouch(`farm.${s}`, `hand.${s}`);
  mayTouch('torso', `thigh.${s}`);
  mayTouch(`thigh.${s}`, `calf.${s}`);
  mayTouch(`calf.${s}`, `foot.${s}`);
  mayTouch(`uarm.${s}`, `hand.${s}`);
  mayTouch('head', `uarm.${s}`);
}

/** A bone's flesh: all within a radius of a line, head heights. */
interface Capsule {
  part: Part;
  from: Vec3;
  to: Vec3;
  radius: number;
}

/** The body as capsules: two across the trunk at pelvis and chest and one between, one a segment of the limbs, head and palms. */
function capsules(rig: Rig): Capsule[] {
  const { flesh } = rig.build;
  const at = (bone: string, offset: Vec3): Vec3 => add(rig.pos[bone], rotate(rig.rot[bone], offset));
  // Across the trunk, as wide as its flesh and as thick as it is deep.
  const across = (bone: string, y: number): Capsule => {
    const [width, depth] = flesh[bone];
    const side = Math.max(0, width - depth);
    return { part: 'torso', from: at(bone, [-side, y, 0]), to: at(bone, [side, y, 0]), radius: depth };
  };
  const limb = (part: Part, from: Vec3, to: Vec3, kind: string): Capsule => ({
    part,
    from,
    to,
    radius: flesh[kind][0],
  });
  return [
    across('pelvis', 0.1),
    across('spine', 0.15),
    across('chest', 0.55),
    { part: 'head', from: at('head', [0, 0.1, 0.12]), to: at('head', [0, 0.42, 0.02]), radius: flesh.head[0] },
    ...SIDES.flatMap((s) => [
      limb(`uarm.${s}`, rig.pos[`uarm.${s}`], rig.pos[`farm.${s}`], 'uarm'),
      limb(`farm.${s}`, rig.pos[`farm.${s}`], rig.pos[`hand.${s}`], 'farm'),
      {
        part: `hand.${s}` as Part,
        from: at(`hand.${s}`, [0, -0.12, -0.06]),
        to: at(`hand.${s}`, [0, -0.36, -0.08]),
        radius: PALM,
      },
      limb(`thigh.${s}`, rig.pos[`thigh.${s}`], rig.pos[`calf.${s}`], 'thigh'),
      limb(`calf.${s}`, rig.pos[`calf.${s}`], rig.pos[`foot.${s}`], 'calf'),
      {
        part: `foot.${s}` as Part,
        from: at(`foot.${s}`, [0, -0.16, -0.1]),
        to: at(`foot.${s}`, [0, -0.2, 0.62]),
        radius: FOOT,
      },
    ]),
  ];
}
/** Half the thickness of a palm and of a foot, head heights. */
const PALM = 0.08;
const FOOT = 0.13;

/**
 * Least distance of two line segments.
 * Source: C. Ericson, Real-Time Collision Detection, 2005, section 5.1.9.
 */
function segmentDistance(p: Capsule, q: Capsule): number {
  const d1 = sub(p.to, p.from);
  const d2 = sub(q.to, q.from);
  const r = sub(p.from, q.from);
  const a = Math.max(1e-9, dot(d1, d1));
  const e = Math.max(1e-9, dot(d2, d2));
  const b = dot(d1, d2);
  const c = dot(d1, r);
  const f = dot(d2, r);
  const denominator = a * e - b * b;
  let s = denominator > 1e-9 ? clamp((b * f - c * e) / denominator, 0, 1) : 0;
  let t = (b * s + f) / e;
  if (t < 0 || t > 1) {
    t = clamp(t, 0, 1);
    s = clamp((b * t - c) / a, 0, 1);
  }
  return length(sub(add(p.from, scale(d1, s)), add(q.from, scale(d2, t))));
}

/** How deep parts that are not neighbors go into each other, by their capsules, head heights; only what exceeds 0.05. */
export function penetrations(rig: Rig): { parts: string; depth: number }[] {
  const all = capsules(rig);
  const deepest = new Map<string, number>();
  all.forEach((p, i) => {
    for (const q of all.slice(i + 1)) {
      if (p.part === q.part || neighbors.has(`${p.part}|${q.part}`)) continue;
      const key = `${p.part} in ${q.part}`;
      deepest.set(key, Math.max(deepest.get(key) ?? 0, p.radius + q.radius - segmentDistance(p, q)));
    }
  });
  return [...deepest].filter(([, depth]) => depth > 0.05).map(([parts, depth]) => ({ parts, depth }));
}
