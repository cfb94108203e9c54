// Packs the body and its adults, and writes where their joints are: tsx pack.ts SOURCE OUT_PACK OUT_JOINTS
import { writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import {
  type BodyPack,
  LEFT_BONES,
  PACK_MAGIC,
  type PackHeader,
  readBodyPack,
  TIPS,
} from '@/core/figure/mesh/bodyPack';
import { MESH_BONES } from '@/core/figure/mesh/meshBones';
import { METERS_PER_HEAD } from '@/core/figure/skeleton/skeleton';
import { lerp, type Vec3 } from '@/core/figure/skeleton/vector';
import { jointsOf } from './joints';
import { mixture, RECIPES } from './recipes';
import { Source, UNITS_PER_HEAD } from './source';

const [root, packFile, jointsFile] = process.argv.slice(2);
/** Positions to 0.055 mm, differences between people to 0.11 mm. */
const STEPS = 3600;
const DELTA_STEPS = 2048;

const source = new Source(root);
const { vertices } = source;
const eyeFrom = 14598;
const used = [...new Set(source.quads.flat())].sort((a, b) => a - b);

// Which vertex lies where another would in a mirror.
const cell = (x: number, y: number, z: number): string => [x, y, z].map((v) => Math.round(v * 50)).join();
const cells = new Map<string, number[]>();
for (const v of used) {
  const key = cell(vertices[v * 3], vertices[v * 3 + 1], vertices[v * 3 + 2]);
  cells.set(key, [...(cells.get(key) ?? []), v]);
}
const mirrorOf = new Map<number, number>();
for (const v of used) {
  const [x, y, z] = [-vertices[v * 3], vertices[v * 3 + 1], vertices[v * 3 + 2]];
  let best = -1;
  let least = 0.02;
  for (let n = 0; n < 27; n++) {
    const near = [((n % 3) - 1) / 50, ((Math.floor(n / 3) % 3) - 1) / 50, (Math.floor(n / 9) - 1) / 50];
    for (const w of cells.get(cell(x + near[0], y + near[1], z + near[2])) ?? []) {
      const d = Math.hypot(vertices[w * 3] - x, vertices[w * 3 + 1] - y, vertices[w * 3 + 2] - z);
      if (d < least) [best, least] = [w, d];
    }
  }
  if (best < 0) throw new Error(`vertex ${String(v)} has no mirror image`);
  mirrorOf.set(v, best);
}
for (const [v, w] of mirrorOf)
  if (mirrorOf.get(w) !== v) throw new Error(`vertices ${String(v)} and ${String(w)} are no pair`);

const isMiddle = (v: number): boolean => mirrorOf.get(v) === v;
const isLeft = (v: number): boolean => vertices[v * 3] > 0 && !isMiddle(v);
const middle = used.filter(isMiddle);
const left = used.filter((v) => isLeft(v) && v < eyeFrom);
const half = [...middle, ...left, ...used.filter((v) => isLeft(v) && v >= eyeFrom)];
const at = new Map(half.map((v, i) => [v, i]));
const quads = source.quads.filter((quad) => quad.every((v) => at.has(v)));
if (quads.length * 2 !== source.quads.length)
  throw new Error(`${String(source.quads.length)} faces, ${String(quads.length)} on the left`);

/** 16-bit numbers, low and high bytes apart, each as the difference from the one before of the same axis. */
function planes(values: Int16Array, stride: number): Uint8Array {
  const n = values.length;
  const out = new Uint8Array(n * 2);
  for (let k = 0, o = 0; k < stride; k++)
    for (let i = k; i < n; i += stride, o++) {
      const d = ((values[i] - (i >= stride ? values[i - stride] : 0)) << 16) >> 16;
      const z = (d << 1) ^ (d >> 31);
      out[o] = z & 255;
      out[n + o] = (z >> 8) & 255;
    }
  return out;
}

/** A person's vertices, head heights, soles on the ground. */
function shaped(name: keyof typeof RECIPES): Float32Array {
  const recipe = RECIPES[name];
  const mixed = (height: number): Float32Array => {
    const p = vertices.slice();
    for (const [target, share] of mixture(recipe, height)) source.add(target, share, p);
    let low = Infinity;
    for (const v of used) low = Math.min(low, p[v * 3 + 1]);
    return p.map((value, i) => (value - (i % 3 === 1 ? low : 0)) / UNITS_PER_HEAD);
  };
  const tall = (p: Float32Array): number => used.reduce((most, v) => Math.max(most, p[v * 3 + 1]), 0);
  const wanted = recipe.meters / METERS_PER_HEAD;
  // The shapes of height are added by shares, so that height goes up in a straight line.
  const plain = mixed(0);
  const toward = Math.sign(wanted - tall(plain)) * 0.2;
  return mixed(((wanted - tall(plain)) / (tall(mixed(toward)) - tall(plain))) * toward);
}

const names = Object.keys(RECIPES) as (keyof typeof RECIPES)[];
const people = names.map((name) => ({ name, p: shaped(name) }));
/** Both halves are one: the mean of a side and the other's mirror image. */
const halfOf = (p: Float32Array): Float32Array =>
  Float32Array.from(
    half.flatMap((v) => {
      const w = mirrorOf.get(v) ?? v;
      return [(p[v * 3] - p[w * 3]) / 2, (p[v * 3 + 1] + p[w * 3 + 1]) / 2, (p[v * 3 + 2] + p[w * 3 + 2]) / 2];
    }),
  );
const halves = people.map(({ p }) => halfOf(p));
const base = Int16Array.from(halves[0], (v) => Math.round(v * STEPS));

const toeTip = (s: string, p: Float32Array): Vec3 => source.joint(`toe2-3.${s}`, 'tail', p);
function jointNumbers(p: Float32Array): Int16Array {
  const heads = LEFT_BONES.map((bone) => {
    if (bone === 'toe.L') return source.joint('foot.L', 'tail', p);
    const q = source.joint(bone, 'head', p);
    if (bone.endsWith('.L')) {
      const [x, y, z] = source.joint(bone.replace('.L', '.R'), 'head', p);
      return lerp(q, [-x, y, z], 0.5);
    }
    return [0, q[1], q[2]];
  });
  const tips = TIPS.map((bone) => (bone === 'toe.L' ? toeTip('L', p) : source.joint(bone, 'tail', p)));
  return Int16Array.from([...heads, ...tips].flat(), (v) => Math.round(v * STEPS));
}

const skin = source.skin();
const header: PackHeader = {
  half: half.length,
  middle: middle.length,
  halfEye: middle.length + left.length,
  quads: quads.length,
  steps: STEPS,
  deltaSteps: DELTA_STEPS,
  builds: names.map((name) => ({ name, years: RECIPES[name].years })),
};
const head = Buffer.from(JSON.stringify(header));
const length = Buffer.alloc(4);
length.writeUInt32LE(head.length);
const bytes = Buffer.concat([
  Buffer.from(PACK_MAGIC),
  length,
  head,
  planes(
    Int16Array.from(quads.flat(), (v) => at.get(v) as number),
    4,
  ),
  ...[0, 1, 2, 3].map((k) => Uint8Array.from(half, (v) => skin[v][k]?.bone ?? 0)),
  ...[0, 1, 2, 3].map((k) => Uint8Array.from(half, (v) => Math.round(255 * (skin[v][k]?.weight ?? 0)))),
  planes(base, 3),
  ...halves.flatMap((h, i) => [
    planes(
      Int16Array.from(h, (v, j) => Math.round((v - base[j] / STEPS) * DELTA_STEPS)),
      3,
    ),
    planes(jointNumbers(people[i].p), 3),
  ]),
]);
const zipped = gzipSync(bytes, { level: 9 });
writeFileSync(packFile, zipped);
const pack: BodyPack = readBodyPack(bytes);
writeFileSync(jointsFile, JSON.stringify(jointsOf(pack)));
console.log(
  `${String(names.length)} adults, ${String(pack.mesh.vertexCount)} vertices, ${String(pack.mesh.quads.length / 4)} faces, ${String(MESH_BONES.length)} bones: ${String(Math.round(bytes.length / 1000))} kB, ${String(Math.round(zipped.length / 1000))} kB packed`,
);
