import { BONE_FORMS } from './boneForms';
import { quadNormals, trianglesOf } from './graph';
import { picked } from './picked';
import type { Region } from './region';
import { formHeights } from './skinForms';
import { subdivided, type Subdivision } from './subdivide';

/** A piece of the body's surface as fine as it is wanted: what is the same of it for every build and pose. */
export interface FineSurface {
  quads: Uint32Array;
  /** Those of which something is there, three vertices each. */
  triangles: Uint32Array;
  /** Of each vertex: its part, as a number in PARTS; how much of it is there; how far bone stands out under it. */
  parts: Uint8Array;
  fade: Float32Array;
  bones: Float32Array;
  /** Values of the whole mesh's vertices taken to this surface. @param stride Numbers a vertex. */
  take: (data: Float32Array, stride: number) => Float32Array;
  /** Values of the region's own vertices taken to this surface. */
  finer: (data: Float32Array, stride: number) => Float32Array;
}

/** How often a surface is subdivided. */
export type Levels = 0 | 1 | 2;

/**
 * @param rest Of the body that bones are described on.
 * @param parts Of each vertex of the mesh.
 */
export function fineSurface(region: Region, levels: Levels, rest: Float32Array, parts: Uint8Array): FineSurface {
  const steps: Subdivision[] = ([1, 2] as const).filter((n) => n <= levels).map(region.level);
  const finer = (data: Float32Array, stride: number): Float32Array =>
    steps.reduce((d, level) => subdivided(level, d, stride), data);
  const take = (data: Float32Array, stride: number): Float32Array =>
    finer(picked(data, region.vertices, stride), stride);
  const quads = steps.at(-1)?.quads ?? region.quads;
  const fineParts = steps.reduce(
    partsOf,
    Uint8Array.from(region.vertices, (v) => parts[v]),
  );
  const fade = finer(region.fade, 1);
  const resting = take(rest, 3);
  return {
    quads,
    triangles: present(trianglesOf(quads), fade),
    parts: fineParts,
    fade,
    bones: formHeights(BONE_FORMS, resting, quadNormals(quads, resting), fineParts),
    take,
    finer,
  };
}

/** Fainter than this is not drawn at all. */
const GONE = 0.05;

/** Triangles of which something is there. */
const present = (triangles: Uint32Array, fade: Float32Array): Uint32Array =>
  triangles.filter((_, i) => {
    const t = i - (i % 3);
    return Math.max(fade[triangles[t]], fade[triangles[t + 1]], fade[triangles[t + 2]]) > GONE;
  });

/** A new vertex on an edge or a face belongs where the first vertex of that does. */
function partsOf(parts: Uint8Array, { vertexCount, coarseQuads, edges, fineCount }: Subdivision): Uint8Array {
  const out = new Uint8Array(fineCount);
  out.set(parts);
  const edgeCount = edges.length / 4;
  for (let e = 0; e < edgeCount; e++) out[vertexCount + e] = parts[edges[e * 4]];
  for (let f = 0; f < coarseQuads.length / 4; f++) out[vertexCount + edgeCount + f] = parts[coarseQuads[f * 4]];
  return out;
}
