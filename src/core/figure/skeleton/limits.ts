import { ballAngles, eulerYzx, type Rig, wrapDegrees } from './kinematics';
import { type Field, partDistances, SHAPE } from '../surface/field';
import { type Part, PARTS } from '../surface/sculptor';
import { SIDES, sideSign } from './skeleton';
import { fieldBounds } from '../surface/surface';
import { quatMul, RAD_PER_DEG } from './vector';

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
  'hip flexion': [-28, 130],
  'hip abduction': [-32, 60],
  'hip twist': [-50, 65],
  'shoulder raise': [0, 178],
  'shoulder extension': [-180, 62],
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

/** Grid step of the search, head heights, and grid points per block edge; primitives are culled once a block. */
const STEP = 0.09;
const BLOCK = 6;

/** Fleshy primitives whose bounding sphere comes within `margin` of a point. */
function nearby(field: Field, from: readonly number[], x: number, y: number, z: number, margin: number): number[] {
  return from.filter((i) => {
    const c = i * 3;
    const d2 = (x - field.center[c]) ** 2 + (y - field.center[c + 1]) ** 2 + (z - field.center[c + 2]) ** 2;
    return d2 < (field.radius[i] + margin) ** 2;
  });
}

/** How deep parts that are not neighbors go into each other, head heights; only what exceeds 0.05. */
export function penetrations(field: Field): { parts: string; depth: number }[] {
  const { lo, hi } = fieldBounds(field);
  const flesh = Array.from({ length: field.count }, (_, i) => i).filter((i) => field.shape[i] < SHAPE.bump);
  const severalParts = (list: readonly number[]): boolean => list.some((i) => field.part[i] !== field.part[list[0]]);
  const deepest = new Map<string, number>();
  const look = (list: Int16Array, x: number, y: number, z: number): void => {
    const d = partDistances(field, list, list.length, x, y, z);
    for (let a = 0; a < PARTS.length; a++)
      for (let b = a + 1; d[a] < -0.02 && b < PARTS.length; b++) {
        if (d[b] >= -0.02 || neighbors.has(`${PARTS[a]}|${PARTS[b]}`)) continue;
        const key = `${PARTS[a]} in ${PARTS[b]}`;
        deepest.set(key, Math.max(deepest.get(key) ?? 0, Math.min(-d[a], -d[b])));
      }
  };
  const span = BLOCK * STEP;
  const half = ((BLOCK - 1) * STEP) / 2;
  for (let X = lo[0]; X < hi[0]; X += span)
    for (let Y = lo[1]; Y < hi[1]; Y += span)
      for (let Z = lo[2]; Z < hi[2]; Z += span) {
        const near = nearby(field, flesh, X + half, Y + half, Z + half, half * Math.sqrt(3));
        if (near.length < 2 || !severalParts(near)) continue;
        for (let n = 0; n < BLOCK ** 3; n++) {
          const x = X + (n % BLOCK) * STEP;
          const y = Y + (Math.floor(n / BLOCK) % BLOCK) * STEP;
          const z = Z + Math.floor(n / BLOCK ** 2) * STEP;
          const list = nearby(field, near, x, y, z, 0);
          if (list.length > 1 && severalParts(list)) look(Int16Array.from(list), x, y, z);
        }
      }
  return [...deepest].filter(([, depth]) => depth > 0.05).map(([parts, depth]) => ({ parts, depth }));
}
