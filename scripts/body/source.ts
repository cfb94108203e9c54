// Reads the body of the source package: mesh, joints, skin weights and shape targets. Only files under its CC0 notice are read.
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { MESH_BONES, type MeshBone } from '@/core/figure/mesh/meshBones';
import { add, scale, type Vec3 } from '@/core/figure/skeleton/vector';

/** Units of the mesh (decimeters) in one head height. */
export const UNITS_PER_HEAD = 2.25;

interface RigEnd {
  strategy: 'CUBE' | 'MEAN' | 'VERTEX';
  cube_name?: string;
  vertex_index?: number;
  vertex_indices?: number[];
}

/** Never read, whoever asks: children's shapes, and detail that is not needed for drawing. */
const REFUSED = /baby|child|genital|penis|vagina|nipple|underwear/;

/** @throws for a shape that is never read. */
export function refuse(target: string): void {
  if (REFUSED.test(target)) throw new Error(`never read: ${target}`);
}

/** The body as the package has it. */
export class Source {
  readonly vertices: Float32Array;
  /** Four vertices a face, of the body and the eyeballs. */
  readonly quads: number[][] = [];
  readonly #rig: Record<string, { head: RigEnd; tail: RigEnd }>;
  readonly #weights: Record<string, [number, number][]>;
  readonly #groups: Record<string, [number, number][]>;
  readonly #parents: Record<string, string>;

  /** @param root Folder with the source's license beside it. */
  constructor(private readonly root: string) {
    if (!readFileSync(`${root}/LICENSE.md`, 'utf8').startsWith('# Creative Commons CC0 1.0'))
      throw new Error('the notice beside the data is not CC0: nothing is taken');
    const text = readFileSync(`${root}/3dobjs/base.obj`, 'utf8');
    if (!text.includes('explicitly released as CC0')) throw new Error('the mesh does not say that it is CC0');
    const vertices: number[] = [];
    let group = '';
    for (const line of text.split('\n')) {
      const [kind, ...words] = line.trim().split(/\s+/);
      if (kind === 'v') vertices.push(...words.map(Number));
      if (kind === 'g') group = words[0];
      if (kind === 'f' && /^(body|helper-[lr]-eye)$/.test(group))
        this.quads.push(words.map((w) => Number(w.split('/')[0]) - 1));
    }
    this.vertices = Float32Array.from(vertices);
    const json = (path: string): unknown => JSON.parse(readFileSync(`${root}/${path}`, 'utf8'));
    const rig = json('rigs/standard/rig.default.json') as Record<
      string,
      { head: RigEnd; tail: RigEnd; parent: string }
    >;
    this.#rig = rig;
    this.#parents = Object.fromEntries(Object.entries(rig).map(([name, { parent }]) => [name, parent]));
    const weights = json('rigs/standard/weights.default.json') as {
      license: string;
      weights: Record<string, [number, number][]>;
    };
    if (weights.license !== 'CC0') throw new Error('the weights do not say that they are CC0');
    this.#weights = weights.weights;
    this.#groups = json('mesh_metadata/basemesh_vertex_groups.json') as Record<string, [number, number][]>;
  }

  /** The kept bone that a bone's weight goes to: itself, or the nearest above it. */
  #keptBone(name: string): MeshBone {
    for (let bone = name; bone; bone = this.#parents[bone]) {
      const kept = bone.replace(/^toe\d-\d/, 'toe');
      if (MESH_BONES.includes(kept)) return kept;
    }
    return 'root';
  }

  /** The four heaviest bones of each vertex, their weights summing to one. */
  skin(): { bone: number; weight: number }[][] {
    const sums = Array.from({ length: this.vertices.length / 3 }, () => new Map<number, number>());
    for (const [name, list] of Object.entries(this.#weights)) {
      const bone = MESH_BONES.indexOf(this.#keptBone(name));
      for (const [v, w] of list) sums[v].set(bone, (sums[v].get(bone) ?? 0) + w);
    }
    return sums.map((sum) => {
      const four = [...sum].sort((a, b) => b[1] - a[1]).slice(0, 4);
      const total = four.reduce((t, [, w]) => t + w, 0) || 1;
      return four.map(([bone, w]) => ({ bone, weight: w / total }));
    });
  }

  /** Where a bone begins or ends on a shaped body. */
  joint(name: string, end: 'head' | 'tail', p: Float32Array): Vec3 {
    const at = (v: number): Vec3 => [p[v * 3], p[v * 3 + 1], p[v * 3 + 2]];
    const { strategy, cube_name = '', vertex_index = 0, vertex_indices = [] } = this.#rig[name][end];
    if (strategy === 'VERTEX') return at(vertex_index);
    const list =
      strategy === 'CUBE'
        ? this.#groups[cube_name].flatMap(([a, b]) => Array.from({ length: b - a + 1 }, (_, i) => a + i))
        : vertex_indices;
    return list.map(at).reduce<Vec3>((sum, q) => add(sum, scale(q, 1 / list.length)), [0, 0, 0]);
  }

  /** Add a share of a shape target. @throws for one that is never read, or is not there. */
  add(target: string, share: number, p: Float32Array): void {
    refuse(target);
    const text = gunzipSync(readFileSync(`${this.root}/targets/${target}.target.gz`)).toString();
    for (const line of text.split('\n')) {
      if (!line || line.startsWith('#')) continue;
      const [v, x, y, z] = line.trim().split(/\s+/).map(Number);
      p[v * 3] += x * share;
      p[v * 3 + 1] += y * share;
      p[v * 3 + 2] += z * share;
    }
  }
}
