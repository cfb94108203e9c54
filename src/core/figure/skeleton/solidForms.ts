import type { Rig } from './kinematics';
import { SIDES } from './skeleton';
import { add, cross, length, normalize, rotate, scale, sub, type Vec3 } from './vector';
import { type Part, partNumber } from './parts';

/** A body as solids: an egg for the ribs, a box for the pelvis, a ball for the head, cylinders for the limbs and balls for their joints. */
export interface SolidForms {
  positions: Float32Array;
  normals: Float32Array;
  indices: Uint32Array;
  parts: Uint8Array;
  /** Which face of which solid each vertex belongs to; an egg has eight, by its middle lines. */
  labels: Uint16Array;
}

const AROUND = 28;

/** Whole numbers from one to another, both of them in it. */
const range = (from: number, to: number): number[] => Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** Build the solids of a posed skeleton, with the widths of its build; head heights. */
export function solidForms(rig: Rig): SolidForms {
  const positions: number[] = [];
  const normals: number[] = [];
  const indices: number[] = [];
  const parts: number[] = [];
  const labels: number[] = [];
  /** The face that vertices are made for. */
  let label = 0;
  const at = (bone: string, offset: Vec3): Vec3 => add(rig.pos[bone], rotate(rig.rot[bone], offset));
  const vertex = (p: Vec3, n: Vec3, part: Part): number => {
    positions.push(...p);
    normals.push(...normalize(n));
    parts.push(partNumber(part));
    labels.push(label);
    return parts.length - 1;
  };
  const quads = (rows: number[][], columns: number): void => {
    for (let i = 0; i + 1 < rows.length; i++)
      for (let j = 0; j < columns; j++) {
        const k = (j + 1) % rows[i].length;
        indices.push(rows[i][j], rows[i + 1][j], rows[i + 1][k], rows[i][j], rows[i + 1][k], rows[i][k]);
      }
  };
  /** Rows that go all around, and rows with two ends. */
  const grid = (rows: number[][]): void => quads(rows, rows[0].length);
  const sheet = (rows: number[][]): void => quads(rows, rows[0].length - 1);
  /** A ball drawn out along a bone's axes; `taper` makes its upper end narrower. */
  const egg = (bone: string, center: Vec3, [a, b, c]: Vec3, part: Part, taper = 0): void => {
    const on = (i: number, j: number): number => {
      const theta = (Math.PI * i) / 18;
      const phi = (2 * Math.PI * j) / AROUND;
      const y = Math.cos(theta);
      const narrow = 1 - taper * Math.max(0, y);
      const d: Vec3 = [Math.sin(theta) * Math.sin(phi) * narrow, y, Math.sin(theta) * Math.cos(phi) * narrow];
      return vertex(
        at(bone, add(center, [a * d[0], b * d[1], c * d[2]])),
        rotate(rig.rot[bone], [d[0] / a, d[1] / b, d[2] / c]),
        part,
      );
    };
    // Eight pieces, parted by the middle lines that show which way it is turned.
    for (const top of [0, 9])
      for (let quarter = 0; quarter < 4; quarter++) {
        label++;
        const [from, to] = [(quarter * AROUND) / 4, ((quarter + 1) * AROUND) / 4];
        const rows = range(top, top + 9).map((i) => range(from, to).map((j) => on(i, j)));
        sheet(rows);
      }
  };
  const cylinder = (from: Vec3, to: Vec3, r0: number, r1: number, part: Part): void => {
    const axis = normalize(sub(to, from));
    const u = normalize(cross(axis, Math.abs(axis[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0]));
    const v = cross(axis, u);
    const ring = (p: Vec3, r: number, n?: Vec3): number[] =>
      Array.from({ length: AROUND }, (_, j) => {
        const phi = (2 * Math.PI * j) / AROUND;
        const out = add(scale(u, Math.cos(phi)), scale(v, Math.sin(phi)));
        return vertex(add(p, scale(out, r)), n ?? out, part);
      });
    label++;
    grid([ring(to, r1), ring(from, r0)]);
    for (const [p, r, n] of [
      [from, r0, scale(axis, -1)],
      [to, r1, axis],
    ] as const) {
      label++;
      grid(n === axis ? [ring(p, 0, n), ring(p, r, n)] : [ring(p, r, n), ring(p, 0, n)]);
    }
  };
  const box = (bone: string, center: Vec3, half: Vec3, part: Part, taper = 1): void => {
    for (let axis = 0; axis < 3; axis++)
      for (const sign of [-1, 1]) {
        const [j, k] = [(axis + 1) % 3, (axis + 2) % 3];
        const corners = [
          [-1, -1],
          [1, -1],
          [1, 1],
          [-1, 1],
        ].map(([p, q]) => {
          const o: Vec3 = [0, 0, 0];
          o[axis] = sign * half[axis];
          o[j] = p * half[j];
          o[k] = q * half[k];
          // A pelvis is narrower below, a foot lower in front.
          if (o[1] < 0) o[0] *= taper;
          return o;
        });
        label++;
        const n: Vec3 = [0, 0, 0];
        n[axis] = sign;
        const own = corners.map((o) => vertex(at(bone, add(center, o)), rotate(rig.rot[bone], n), part));
        const [a, b, c, d] = sign > 0 ? own : own.toReversed();
        indices.push(a, b, c, a, c, d);
      }
  };

  const { flesh } = rig.build;
  const face = rig.build.s.head[1];
  egg('head', [0, 0.325 * face, -0.04], [flesh.head[0], 0.515 * face, flesh.head[1]], 'head');
  cylinder(at('neck', [0, 0.05, 0]), at('head', [0, 0.1, -0.1]), flesh.neck[0] * 0.95, flesh.neck[0] * 0.85, 'head');
  egg(
    'chest',
    [0, 0.5, 0.02],
    [flesh.chest[0] * 0.86, 0.82 * rig.build.s.chest[1], flesh.chest[1] * 0.92],
    'torso',
    0.22,
  );
  box('pelvis', [0, 0.08, 0], [flesh.pelvis[0] * 0.82, 0.4, flesh.pelvis[1] * 0.78], 'torso', 0.8);
  cylinder(
    at('spine', [0, -0.1, 0.06]),
    at('chest', [0, 0.15, 0.06]),
    flesh.spine[0] * 0.6,
    flesh.spine[0] * 0.6,
    'torso',
  );
  for (const s of SIDES) {
    const ball = (bone: string, r: number, part: Part): void => {
      egg(bone, [0, 0, 0], [r, r, r], part);
    };
    const limb = (from: string, to: string, r0: number, r1: number, part: Part): void => {
      const [a, b] = [rig.pos[`${from}.${s}`], rig.pos[`${to}.${s}`]];
      const inset = scale(normalize(sub(b, a)), Math.min(r0, length(sub(b, a)) / 4) * 0.7);
      cylinder(add(a, inset), sub(b, inset), r0, r1, part);
    };
    ball(`uarm.${s}`, flesh.uarm[0] * 1.15, `uarm.${s}`);
    limb('uarm', 'farm', flesh.uarm[0] * 0.95, flesh.uarm[0] * 0.8, `uarm.${s}`);
    ball(`farm.${s}`, flesh.farm[0] * 1.05, `farm.${s}`);
    limb('farm', 'hand', flesh.farm[0] * 1.05, flesh.farm[0] * 0.68, `farm.${s}`);
    box(`hand.${s}`, [0, -0.26 * rig.build.s.hand[1], -0.06], [0.08, 0.24, 0.2], `hand.${s}`, 1);
    const fingers = rig.pos[`f20.${s}`];
    cylinder(fingers, add(fingers, scale(sub(rig.pos[`f22.${s}`], fingers), 1.3)), 0.15, 0.1, `hand.${s}`);
    cylinder(
      rig.pos[`th1.${s}`],
      add(rig.pos[`th2.${s}`], scale(sub(rig.pos[`th2.${s}`], rig.pos[`th1.${s}`]), 0.7)),
      0.07,
      0.05,
      `hand.${s}`,
    );
    ball(`thigh.${s}`, flesh.thigh[0] * 0.95, `thigh.${s}`);
    limb('thigh', 'calf', flesh.thigh[0] * 1.02, flesh.thigh[0] * 0.62, `thigh.${s}`);
    ball(`calf.${s}`, flesh.calf[0] * 1.02, `calf.${s}`);
    limb('calf', 'foot', flesh.calf[0] * 1.1, flesh.calf[0] * 0.62, `calf.${s}`);
    ball(`foot.${s}`, flesh.calf[0] * 0.62, `foot.${s}`);
    box(`foot.${s}`, [0, -0.2, 0.28], [0.19, 0.1, 0.6], `foot.${s}`, 1);
  }
  return {
    positions: Float32Array.from(positions),
    normals: Float32Array.from(normals),
    indices: Uint32Array.from(indices),
    parts: Uint8Array.from(parts),
    labels: Uint16Array.from(labels),
  };
}
