import type { Figure } from '../figure';
import { marginsFor, sceneOf, shownPositions } from '../picture/draft';
import { cameraOf, projectAll, rasterize } from '../picture/raster';
import { frameFigure, type View } from '../picture/view';
import type { Rig } from '../skeleton/kinematics';
import { type Part, partNumber } from '../skeleton/parts';
import { dot, length, scale, sub, type Vec3 } from '../skeleton/vector';
import type { Point } from './actionLine';
import { KEY_LONG_SIDE } from './answerKey';
import { contourLength, zeroLines } from './contours';

/** Pixels of the long side when the surface is searched for its lines. */
const RASTER = 460;
/** Shorter lines are left out, as a share of the picture's long side. */
const LEAST = 0.012;
/** Enough for a smooth line: every second point where it crosses an edge of the mesh. */
const EVERY = 2;
/** Sections of a part, evenly along its bone. */
const SECTIONS = { torso: 11, head: 7, limb: 7, end: 4 };

/** The joints that a part lies between, along which it is cut. */
function axisOf(part: Part, pos: Rig['pos']): { axis: readonly Vec3[]; count: number } | undefined {
  const [name, side] = part.split('.');
  const joint = (bone: string): Vec3 => pos[`${bone}.${side}`];
  switch (name) {
    case 'torso':
      return { axis: [pos.neck, pos.chest, pos.spine, pos.pelvis], count: SECTIONS.torso };
    case 'head':
      return { axis: beyond(pos.neck, pos.head, 3), count: SECTIONS.head };
    case 'uarm':
      return { axis: [joint('uarm'), joint('farm')], count: SECTIONS.limb };
    case 'farm':
      return { axis: [joint('farm'), joint('hand')], count: SECTIONS.limb };
    case 'hand':
      return { axis: beyond(joint('farm'), joint('hand'), 1.4), count: SECTIONS.end };
    case 'thigh':
      return { axis: [joint('thigh'), joint('calf')], count: SECTIONS.limb };
    case 'calf':
      return { axis: [joint('calf'), joint('foot')], count: SECTIONS.limb };
    default:
      return undefined;
  }
}

/** A line from a joint on, in the direction it has from the one before: so many times their distance. */
const beyond = (before: Vec3, from: Vec3, times: number): Vec3[] => {
  const step = scale(sub(from, before), times - 1);
  return [from, [from[0] + step[0], from[1] + step[1], from[2] + step[2]]];
};

/** How far along a line of joints a point lies, in lengths of it: before its start below 0, after its end above 1. */
function along(axis: readonly Vec3[], p: Vec3): number {
  const lengths = axis.slice(1).map((to, i) => length(sub(to, axis[i])));
  const total = lengths.reduce((a, b) => a + b, 0);
  let start = 0;
  for (let i = 0; i < lengths.length; i++) {
    const t = dot(sub(p, axis[i]), sub(axis[i + 1], axis[i])) / lengths[i];
    if (t <= lengths[i] || i === lengths.length - 1) return (start + Math.max(i === 0 ? -Infinity : 0, t)) / total;
    start += lengths[i];
  }
  return 1;
}

/** The triangles all of whose corners have a value. */
const trianglesOf = (indices: Uint32Array, values: Float32Array): Uint32Array =>
  indices.filter((_, i) => {
    const first = i - (i % 3);
    return !Number.isNaN(values[indices[first]] + values[indices[first + 1]] + values[indices[first + 2]]);
  });

/**
 * Lines across the form: where planes at right angles to the bones cut the skin, as far as they can be seen. They follow every bump
 * of the surface, because they are cut out of it.
 * @returns Lines in the pixels of the figure's answer key, part by part from the trunk outward.
 */
export function crossContours(figure: Figure, view: View, covered: boolean): Point[][] {
  const scene = sceneOf(figure, covered);
  const camera = cameraOf(frameFigure(shownPositions(scene), view, marginsFor(figure, true)), RASTER);
  const up = KEY_LONG_SIDE / RASTER;
  const projected = projectAll(camera, scene.positions);
  const picture = rasterize(camera, scene, projected);
  const { positions, parts, indices } = figure;
  const lines: Point[][] = [];
  const cut = (part: Part): void => {
    const found = axisOf(part, figure.rig.pos);
    if (!found) return;
    const number = partNumber(part);
    const of = new Float32Array(parts.length).fill(NaN);
    for (let v = 0; v < parts.length; v++)
      if (parts[v] === number)
        of[v] = along(found.axis, [positions[3 * v], positions[3 * v + 1], positions[3 * v + 2]]) * found.count;
    const within = trianglesOf(indices, of);
    for (let k = 0; k <= found.count; k++)
      for (const line of zeroLines(
        within,
        of.map((t) => t - k - 0.5),
        picture,
        projected,
      )) {
        if (contourLength(line) < LEAST * RASTER) continue;
        const points = line.closed ? [...line.points, line.points[0]] : line.points;
        lines.push(
          points.filter((_, i) => i % EVERY === 0 || i === points.length - 1).map(([x, y]): Point => [x * up, y * up]),
        );
      }
  };
  cut('torso');
  cut('head');
  for (const side of ['L', 'R'] as const)
    for (const limb of ['uarm', 'farm', 'hand', 'thigh', 'calf'] as const) cut(`${limb}.${side}`);
  return lines;
}
