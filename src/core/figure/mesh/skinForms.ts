import { norm2 } from '../../norms';
import { PARTS } from '../skeleton/parts';
import { dot, type Vec3 } from '../skeleton/vector';

/**
 * Where bone, tendon or muscle comes to the surface, or where the skin sinks between them. Written for the left side on the resting body
 * that places are found on (arms out, soles on y = 0, head heights); the right is its mirror image.
 */
export interface SkinForm {
  name: string;
  /** It is looked at from there: distances are those seen, and skin that is turned away does not count. */
  from: Vec3;
  /** Parts whose skin it lies under, as the names of PARTS begin. */
  under: RegExp;
  line: readonly Vec3[];
  /** How far it stands out; negative for a hollow. */
  height: number;
  /** Where it has fallen to about a third. */
  width: number;
}

/** Beyond this many widths a form is over. */
const REACH = 2.6;
/** Skin that faces a form less than the first does not show it, more than the second all of it; cosines. */
const TURNED = [0.15, 0.55] as const;

/** Two axes that span what is seen from a direction. */
function seenAxes([x, y, z]: Vec3): [Vec3, Vec3] {
  const level = norm2(x, z);
  const across: Vec3 = [z / level, 0, -x / level];
  return [across, [-(x * y) / level, level, -(z * y) / level]];
}

/** A form with its line as it is seen, and the box that it lies in. */
function prepared(form: SkinForm): { form: SkinForm; axes: [Vec3, Vec3]; line: [number, number][]; box: number[] } {
  const axes = seenAxes(form.from);
  const line = form.line.map((p): [number, number] => [dot(p, axes[0]), dot(p, axes[1])]);
  const reach = form.width * REACH;
  const xs = line.map(([x]) => x);
  const ys = line.map(([, y]) => y);
  return {
    form,
    axes,
    line,
    box: [Math.min(...xs) - reach, Math.max(...xs) + reach, Math.min(...ys) - reach, Math.max(...ys) + reach],
  };
}

/** Square of the distance from a line of straight pieces. */
function distance2(line: readonly [number, number][], x: number, y: number): number {
  let least = Infinity;
  for (let i = 0; i < Math.max(1, line.length - 1); i++) {
    const [ax, ay] = line[i];
    const [bx, by] = line[Math.min(i + 1, line.length - 1)];
    const dx = bx - ax;
    const dy = by - ay;
    const l2 = dx * dx + dy * dy;
    const t = l2 === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / l2));
    least = Math.min(least, (x - ax - t * dx) ** 2 + (y - ay - t * dy) ** 2);
  }
  return least;
}

/**
 * How far forms stand out under the skin, or the skin sinks between them.
 * @param rest Positions of the resting body that the forms are written for, however fine.
 * @param normals Of the same vertices.
 * @param parts Of each, as a number in PARTS.
 * @returns Along the normal of each vertex, head heights.
 */
export function formHeights(
  forms: readonly SkinForm[],
  rest: Float32Array,
  normals: Float32Array,
  parts: Uint8Array,
): Float32Array {
  const out = new Float32Array(parts.length);
  const all = forms.map(prepared);
  const ofPart = PARTS.map((part) => all.filter(({ form }) => form.under.test(part)));
  for (let v = 0; v < parts.length; v++) {
    const o = v * 3;
    const sign = rest[o] < 0 ? -1 : 1;
    const p: Vec3 = [rest[o] * sign, rest[o + 1], rest[o + 2]];
    const n: Vec3 = [normals[o] * sign, normals[o + 1], normals[o + 2]];
    for (const { form, axes, line, box } of ofPart[parts[v]]) {
      const x = dot(p, axes[0]);
      if (x < box[0] || x > box[1]) continue;
      const y = dot(p, axes[1]);
      if (y < box[2] || y > box[3]) continue;
      const t = Math.min(1, Math.max(0, (dot(n, form.from) - TURNED[0]) / (TURNED[1] - TURNED[0])));
      if (t === 0) continue;
      const far = distance2(line, x, y) / form.width ** 2;
      if (far < REACH * REACH) out[v] += form.height * Math.exp(-far) * t * t * (3 - 2 * t);
    }
  }
  return out;
}
