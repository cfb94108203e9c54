import type { Rig } from '../skeleton/kinematics';
import { PARTS } from './sculptor';
import { boneScale, REST } from '../skeleton/skeleton';
import type { Surface } from './surface';
import { conjugate, rotate, sub, type Vec3 } from '../skeleton/vector';

/** A point of the posed body in the rest directions of a bone. */
function toRest(rig: Rig, bone: string, p: Vec3): Vec3 {
  const l = rotate(conjugate(rig.rot[bone]), sub(p, rig.pos[bone]));
  const s = boneScale(rig.build, bone);
  const b = REST[bone].p;
  return [l[0] / s[0] + b[0], l[1] / s[1] + b[1], l[2] / s[2] + b[2]];
}

/** Rest heights of the garments' edges, head heights above the ground. */
const WAIST = 4.5;
const HEM = 3.42;
const BAND_LOW = 5.08;
const NECKLINE = 5.95;
/** Straps over the shoulders: distance from the middle, half width. */
const STRAP = { from: 0.4, half: 0.13 };

/**
 * How far inside close-fitting shorts and top each vertex lies, head heights along the body; negative is bare. The zero level is the
 * garment's edge.
 */
export function coverDepth(surface: Surface, rig: Rig): Float32Array {
  const out = new Float32Array(surface.positions.length / 3);
  const torso = PARTS.indexOf('torso');
  const thighs = [PARTS.indexOf('thigh.L'), PARTS.indexOf('thigh.R')];
  for (let i = 0; i < out.length; i++) {
    const p: Vec3 = [surface.positions[i * 3], surface.positions[i * 3 + 1], surface.positions[i * 3 + 2]];
    const part = surface.parts[i];
    const thigh = thighs.indexOf(part);
    if (thigh >= 0) out[i] = toRest(rig, thigh === 0 ? 'thigh.L' : 'thigh.R', p)[1] - HEM;
    else if (part === torso) {
      const shorts = WAIST - toRest(rig, 'pelvis', p)[1];
      const [x, y] = toRest(rig, 'chest', p);
      const band = Math.min(y - BAND_LOW, NECKLINE - y);
      const strap = Math.min(STRAP.half - Math.abs(Math.abs(x) - STRAP.from), y - 5.6);
      // Toward the arm and the neck the garment ends before the torso does.
      const top = Math.min(Math.max(band, strap), surface.margins[i] - 0.03);
      out[i] = Math.max(shorts, top);
    } else out[i] = -1;
  }
  return out;
}

/** Thickness of the cloth, and the length over which it rises at its edge, head heights. */
const CLOTH = 0.014;
const EDGE = 0.03;

/** Positions of a figure with its cover on: displaced along the normals where it is covered. */
export function coveredPositions({
  positions,
  normals,
  cover,
}: Pick<Surface, 'positions' | 'normals'> & { cover: Float32Array }): Float32Array {
  const out = positions.slice();
  for (let i = 0; i < cover.length; i++) {
    const rise = CLOTH * Math.max(0, Math.min(1, cover[i] / EDGE));
    if (rise > 0) for (let k = 0; k < 3; k++) out[i * 3 + k] += normals[i * 3 + k] * rise;
  }
  return out;
}
