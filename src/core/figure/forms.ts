import { type ContactMap, contactShade } from './mesh/contactShade';
import { faceted } from './mesh/facets';
import type { Levels } from './mesh/fineSurface';
import { quadNormals, trianglesOf } from './mesh/graph';
import { both, joined, withMore } from './mesh/joined';
import type { BodyKit, Cover, Sitter } from './mesh/kit';
import { openness } from './mesh/openness';
import { picked } from './mesh/picked';
import { hairFade, type ShownPart } from './mesh/region';
import type { Triangles } from './picture/raster';
import type { PosedBody } from './posedBody';
import { solidMesh } from './props/solids';
import type { BuildName } from './skeleton/builds';
import { PARTS, partNumber } from './skeleton/parts';
import { solidForms } from './skeleton/solidForms';

/** As skin, as the flat planes it can be gathered into, or as the solids it is built on. */
export type Form = 'skin' | 'planes' | 'solids';

/** How often the mesh is subdivided, and from how many directions openness is looked at. */
export interface Fineness {
  levels: Levels;
  directions: number;
}
export const FINE: Fineness = { levels: 1, directions: 64 };
export const COARSE: Fineness = { levels: 0, directions: 24 };

/** A surface ready to be rendered, standing on y = 0, head heights. */
export interface Surface extends Triangles {
  normals: Float32Array;
  /** The part of each vertex, as a number in PARTS. */
  parts: Uint8Array;
  /** Openness to the sky of each vertex, 0 to 1. */
  openness: Float32Array;
  contact: ContactMap;
  /** How far each vertex lies inside the figure's cover; negative is bare. */
  cover: Float32Array;
  /** How much of each vertex is there: 0 where a part that is shown alone has faded away. */
  fade: Float32Array;
  /** Of planes and solids: which of them each vertex belongs to. */
  labels?: Uint16Array;
}

/** What a surface is made from. */
export interface Made {
  kit: BodyKit;
  posed: PosedBody;
  sitter: Sitter;
  name: BuildName;
  fineness: Fineness;
  /** What of the body is to be seen; all of it when missing. */
  part: ShownPart | undefined;
  /** How much bones show, 1 as much as usual on this body. */
  bones: number;
  /** What it wears where it is shown covered. */
  cover: Cover;
}

const NOTHING: Triangles = { positions: new Float32Array(), indices: new Uint32Array() };

/** Whether hair is seen with a part. */
const isHairy = (part: ShownPart | undefined): boolean => part === undefined || part === 'head';

/** The skin of a posed body, as fine as wanted, its bones under it, with its hair. */
export function skinSurface({ kit, posed, sitter, fineness, part, bones, cover }: Made): Surface {
  const { positions: body, hair: allHair, solids } = posed;
  const { mesh } = kit;
  const region = kit.region(part ?? 'whole');
  const surface = kit.surface(part ?? 'whole', fineness.levels);
  const of = (data: Float32Array, stride: number): Float32Array => picked(data, region.vertices, stride);
  const positions = surface.take(body, 3);
  raise(positions, quadNormals(surface.quads, positions), surface.bones, bones * sitter.bones);

  const hair = isHairy(part) ? allHair : new Float32Array();
  const hairCount = hair.length / 3;
  const hairThere = new Float32Array(hairCount).fill(1);
  if (part && sitter.hair)
    for (let v = 0; v < hairCount; v++)
      hairThere[v] = hairFade(sitter.build, Math.min(sitter.hair.rest[v * 3 + 1], hair[v * 3 + 1]));
  const hairQuads = quadsThere((isHairy(part) && sitter.hair?.quads) || new Uint32Array(), hairThere);
  const hairNormals = quadNormals(hairQuads, hair);

  const occluders = joined(
    joined({ positions: body, indices: trianglesOf(mesh.quads) }, { positions: hair, indices: trianglesOf(hairQuads) }),
    solidMesh(solids),
  );
  const asked = both(of(body, 3), hair);
  const open = openness(asked, both(of(quadNormals(mesh.quads, body), 3), hairNormals), occluders, fineness.directions);
  const bodyEnd = region.vertices.length;
  region.vertices.forEach((v, i) => {
    open[i] *= sitter.light[v];
  });
  return {
    ...joined({ positions, indices: surface.triangles }, { positions: hair, indices: trianglesOf(hairQuads) }),
    normals: both(quadNormals(surface.quads, positions), hairNormals),
    parts: withMore(surface.parts, hairCount, partNumber('head')),
    openness: both(surface.finer(open.subarray(0, bodyEnd), 1), open.subarray(bodyEnd)),
    contact: contactShade(part ? { positions: of(body, 3), indices: trianglesOf(region.quads) } : occluders),
    cover: both(surface.take(sitter.worn[cover], 1), new Float32Array(hairCount).fill(-1)),
    fade: both(surface.fade, hairThere),
  };
}

/** Faces of which not every corner has faded away. */
const quadsThere = (quads: Uint32Array, there: Float32Array): Uint32Array =>
  quads.filter((_, i) => {
    const q = i - (i % 4);
    return Math.max(there[quads[q]], there[quads[q + 1]], there[quads[q + 2]], there[quads[q + 3]]) > 0;
  });

/** Move each vertex along its normal. Changes `p`. */
function raise(p: Float32Array, normals: Float32Array, heights: Float32Array, factor: number): void {
  for (let v = 0; v < heights.length; v++)
    if (heights[v] !== 0) for (let k = 0; k < 3; k++) p[v * 3 + k] += normals[v * 3 + k] * heights[v] * factor;
}

/** Parts of which the solids of a shown part are. */
const SOLIDS_OF: Readonly<Record<ShownPart, RegExp>> = {
  head: /^head/,
  'hand.L': /^(hand|farm)\.L/,
  'hand.R': /^(hand|farm)\.R/,
  'foot.L': /^(foot|calf)\.L/,
  'foot.R': /^(foot|calf)\.R/,
  torso: /^(torso|uarm|thigh)/,
  hands: /^(hand|farm)/,
};

/** The solids that a posed body is built on. */
export function solidsSurface({ posed: { rig, solids }, fineness, part }: Made): Surface {
  const all = solidForms(rig);
  const shown = part ? SOLIDS_OF[part] : /./;
  const indices = all.indices.filter((_, i) => shown.test(PARTS[all.parts[all.indices[i - (i % 3)]]]));
  const occluders = joined({ positions: all.positions, indices }, solidMesh(solids));
  const count = all.parts.length;
  return {
    ...all,
    indices,
    openness: openness(all.positions, all.normals, occluders, fineness.directions),
    contact: contactShade(occluders),
    cover: new Float32Array(count).fill(-1),
    fade: new Float32Array(count).fill(1),
  };
}

/** Planes of the hair are numbered from here. */
const FIRST_OF_HAIR = 10_000;

/** The planes that a posed body and its hair can be gathered into. */
export function planesSurface({ kit, posed, sitter, name, fineness, part, cover }: Made): Surface {
  const { positions: body, hair, solids } = posed;
  const { vertices, quads, fade } = kit.region(part ?? 'whole');
  const of = (data: Float32Array, stride: number): Float32Array => picked(data, vertices, stride);
  const planes = faceted(of(body, 3), quads, kit.facets(part ?? 'whole'));
  const hairFacets = isHairy(part) ? kit.hairFacets(name) : undefined;
  const cap = hairFacets && sitter.hair && faceted(hair, sitter.hair.quads, hairFacets);
  const hairCount = cap?.source.length ?? 0;
  const whole = joined(planes, cap ?? NOTHING);
  const normals = both(planes.normals, cap?.normals ?? new Float32Array());
  const occluders = joined(whole, solidMesh(solids));
  const light = of(sitter.light, 1);
  const open = openness(whole.positions, normals, occluders, fineness.directions);
  planes.source.forEach((v, i) => {
    open[i] *= light[v];
  });
  return {
    ...whole,
    normals,
    labels: Uint16Array.from([...planes.facet, ...(cap?.facet ?? []).map((facet) => facet + FIRST_OF_HAIR)]),
    parts: withMore(
      Uint8Array.from(planes.source, (v) => kit.parts[vertices[v]]),
      hairCount,
      partNumber('head'),
    ),
    openness: open,
    contact: contactShade(occluders),
    cover: both(picked(of(sitter.worn[cover], 1), planes.source, 1), new Float32Array(hairCount).fill(-1)),
    fade: both(picked(fade, planes.source, 1), new Float32Array(hairCount).fill(1)),
  };
}
