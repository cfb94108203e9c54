import { sculptBody } from './body/body';
import type { Build } from './skeleton/builds';
import { compileField } from './surface/compile';
import { coverDepth } from './surface/cover';
import { type Field, fieldDistance, SHAPE } from './surface/field';
import { buildFactor, poseSkeleton, type Rig } from './skeleton/kinematics';
import { bakeOcclusion, coarseGrid, type ContactMap, contactMap } from './surface/occlusion';
import type { Pose } from './skeleton/pose';
import { PARTS } from './surface/sculptor';
import { propSolids, type Solid } from './surface/solids';
import { SIDES } from './skeleton/skeleton';
import { settlePose } from './skeleton/support';
import { meshSurface, type Patch, type Surface } from './surface/surface';
import { add, rotate, type Vec3 } from './skeleton/vector';

/** A figure ready to be rendered, standing on y = 0, head heights. */
export interface Figure extends Surface {
  /** Openness to the sky of each vertex, 0 to 1. */
  occlusion: Float32Array;
  contact: ContactMap;
  /** How far each vertex lies inside the figure's cover; negative is bare. */
  cover: Float32Array;
  solids: Solid[];
  /** The skeleton under it, in the same place. */
  rig: Rig;
}

/** Mesh fineness: `h` is the body's cell in head heights; `detail` divides the cells of head, hands and feet (0 leaves them as the body). */
export interface Fineness {
  h: number;
  detail: number;
}
export const FINE: Fineness = { h: 0.036, detail: 1 };
export const COARSE: Fineness = { h: 0.08, detail: 0.35 };

const SEATED_PARTS = new Set(['torso', 'thigh.L', 'thigh.R'].map((p) => PARTS.indexOf(p as (typeof PARTS)[number])));

/** Lowest flesh of torso and thighs within `radius` of a point, by sphere tracing columns upward. */
function lowestNear(field: Field, p: Vec3, radius: number): number {
  const list = new Int16Array(field.count);
  let n = 0;
  for (let i = 0; i < field.count; i++) {
    if (field.shape[i] >= SHAPE.bump || !SEATED_PARTS.has(field.part[i])) continue;
    const away = Math.hypot(field.center[i * 3] - p[0], field.center[i * 3 + 2] - p[2]) - field.radius[i];
    if (away < radius) list[n++] = i;
  }
  let low = Infinity;
  const steps = 12;
  for (let i = -steps; i <= steps; i++)
    for (let j = -steps; j <= steps; j++) {
      if (i * i + j * j > steps * steps) continue;
      const x = p[0] + (radius * i) / steps;
      const z = p[2] + (radius * j) / steps;
      let y = p[1] - 1.3;
      for (let s = 0; s < 40 && y < Math.min(low, p[1] + 0.3); s++) {
        const d = fieldDistance(field, list, n, x, y, z);
        if (d < 0.004) {
          low = Math.min(low, y);
          break;
        }
        y += Math.max(0.006, d * 0.8);
      }
    }
  return low;
}

/** Pose a build and settle it; if the pelvis rests on something, move the root until the flesh does (two secant steps). */
export function placeFigure(pose: Pose, build: Build): { rig: Rig; field: Field } {
  const body = sculptBody(build);
  const settled = settlePose(pose, build);
  let { rig } = settled;
  let field = compileField(body, rig);
  if (pose.support !== undefined) {
    const seat = pose.support * buildFactor(rig) - (pose.sink ?? 0.05);
    let shift = settled.shift;
    for (let step = 0; step < 2; step++) {
      shift = add(shift, [0, seat - lowestNear(field, rig.pos.pelvis, 0.95), 0]);
      rig = poseSkeleton(pose, build, shift);
      field = compileField(body, rig);
    }
  }
  return { rig, field };
}

function finePatches(rig: Rig, detail: number): Patch[] {
  if (detail <= 0) return [];
  const at = (bone: string, offset: Vec3): Vec3 => add(rig.pos[bone], rotate(rig.rot[bone], offset));
  return [
    { center: at('head', [0, 0.2, 0.1]), radius: 0.6, h: 0.0135 / detail },
    ...(['L', 'R'] as const).flatMap((side) => [
      { center: at(`hand.${side}`, [0, -0.44, 0]), radius: 0.53, h: 0.0145 / detail },
      { center: at(`foot.${side}`, [0.02, -0.22, 0.36]), radius: 0.7, h: 0.018 / detail },
    ]),
  ];
}

const FLATTEN = 0.012;

/** Whether the legs' targets say where the ground is; otherwise the lowest flesh does. */
const standsOnTarget = ({ ik }: Pose): boolean => ik?.legL !== undefined || ik?.legR !== undefined;

/** Mesh a pose of a build, put it on the ground, press flesh flat where it touches, and bake its occlusion. */
export function buildFigure(pose: Pose, build: Build, { h, detail }: Fineness): Figure {
  const { rig, field } = placeFigure(pose, build);
  const surface = meshSurface(field, h, finePatches(rig, detail));
  const cover = coverDepth(surface, rig);
  const { positions } = surface;
  let groundY = 0;
  if (!standsOnTarget(pose)) {
    let low = Infinity;
    for (let i = 1; i < positions.length; i += 3) low = Math.min(low, positions[i]);
    groundY = low + (pose.sink ?? 0.02);
    for (const p of Object.values(rig.pos)) p[1] -= groundY;
  }
  const solids = propSolids(pose.props ?? [], rig);
  const grid = coarseGrid(field, solids, groundY);
  const occlusion = bakeOcclusion(surface, grid, groundY);
  const contact = contactMap(positions, grid, groundY, solids);
  const k = buildFactor(rig);
  const floors = new Map(
    SIDES.map((side) => [PARTS.indexOf(`foot.${side}`), (pose.ik?.[`leg${side}`]?.floor ?? 0) * k] as const),
  );
  for (let i = 1; i < positions.length; i += 3) {
    const floor = floors.get(surface.parts[(i - 1) / 3]) ?? 0;
    const y = positions[i] - groundY - floor;
    positions[i] = floor + (y >= FLATTEN ? y : y < -FLATTEN ? 0 : (y + FLATTEN) ** 2 / (4 * FLATTEN));
  }
  return { ...surface, occlusion, contact, cover, solids, rig };
}
