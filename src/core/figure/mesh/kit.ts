import type { BuildName } from '../skeleton/buildNames';
import { PARTS } from '../skeleton/parts';
import type { Quat } from '../skeleton/vector';
import { type BodyMesh, type BodyPack, type MeshBuild, readBodyPack } from './bodyPack';
import { coverDepth, suitDepth } from './cover';
import { type Mush, mushOf } from './deltaMush';
import { withIrises } from './eyes';
import { type Facets, facetsOf } from './facets';
import { type FineSurface, fineSurface, type Levels } from './fineSurface';
import { type Graph, graphOf, quadNormals } from './graph';
import { growHair, type Hair } from './hair';
import { HAIR, HAIR_STYLES } from './hairStyles';
import { meshParts, meshSegments } from './meshParts';
import { findMuscles, type Muscles } from './muscles';
import { once } from './once';
import { picked } from './picked';
import { findPlaces, type Places } from './places';
import { BONES_SHOW, MUSCLES_SHOW, pronounced } from './relief';
import { restTurns } from './restTurns';
import { type Region, regionOf, type ShownPart, wholeRegion } from './region';

/** Close-fitting shorts and top, or a suit from the neck to wrists and ankles. */
export type Cover = 'shorts' | 'suit';

/** Somebody ready to be posed. */
export interface Sitter {
  build: MeshBuild;
  turns: Record<string, Quat>;
  mush: Mush;
  /** Signed depth of each vertex under what can be worn. */
  worn: Readonly<Record<Cover, Float32Array>>;
  /** How much of the light comes to each vertex by its own form. */
  light: Float32Array;
  /** How much bones show under the skin. */
  bones: number;
  /** How much flexed muscles show. */
  muscles: number;
  hair: Hair | undefined;
}

/** All that is worked out once and used for every figure. */
export interface BodyKit {
  mesh: BodyMesh;
  graph: Graph;
  /** The part of each vertex, as a number in PARTS. */
  parts: Uint8Array;
  /** Body vertices of each part, by its number in PARTS. */
  members: readonly Uint32Array[];
  /** What swells where a limb is bent. */
  muscles: Muscles;
  /** Landmarks and the lines of the face. */
  places: () => Places;
  /** Made when first asked for. */
  sitter: (name: BuildName) => Sitter;
  /** The whole of it, or a part that is drawn alone. */
  region: (part: ShownPart | 'whole') => Region;
  /** The same, subdivided. */
  surface: (part: ShownPart | 'whole', levels: Levels) => FineSurface;
  /** The planes of the whole or of a part, and of somebody's hair. */
  facets: (part: ShownPart | 'whole') => Facets;
  hairFacets: (name: BuildName) => Facets | undefined;
}

/** Whose resting body places and parts are found on. */
const FOUND_ON: BuildName = 'masc';

/** Planes that a whole body, a part and hair are gathered into, and how many more head, hands and feet ask for. */
const WHOLE_PLANES = 360;
const PART_PLANES = 190;
const HAIR_PLANES = 110;
const SMALL_FORMS = 5;

/**
 * Read a packed body and make it ready.
 * @param bytes Unzipped.
 * @throws when it is no packed body.
 */
export function bodyKit(bytes: Uint8Array): BodyKit {
  const { mesh, builds }: BodyPack = readBodyPack(bytes);
  const graph = graphOf(mesh.vertexCount, mesh.quads);
  const parts = meshParts(mesh);
  const region = once((part: ShownPart | 'whole'): Region =>
    part === 'whole' ? wholeRegion(mesh) : regionOf(mesh, builds[FOUND_ON], part),
  );
  const surfaces = once((part: ShownPart | 'whole') =>
    once((levels: Levels) => fineSurface(region(part), levels, builds[FOUND_ON].rest, parts)),
  );
  const sitter = once((name: BuildName): Sitter => {
    const { rest, light } = withIrises(mesh, builds[name].rest);
    const build = { ...builds[name], rest };
    const style = HAIR[name];
    const { detail } = mushOf(mesh, build.rest, graph);
    return {
      build,
      turns: restTurns(build),
      mush: { graph, detail: pronounced(mesh, build, graph, parts, detail, name) },
      worn: { shorts: coverDepth(build), suit: suitDepth(build) },
      light,
      bones: BONES_SHOW[name],
      muscles: MUSCLES_SHOW[name],
      hair: style && growHair(mesh, parts, build, HAIR_STYLES[style]),
    };
  });
  const places = once((of: BuildName): Places => findPlaces(mesh, builds[of], restTurns(builds[of])));
  const segments = meshSegments(mesh);
  const facets = once((part: ShownPart | 'whole'): Facets => {
    const { vertices, quads } = region(part);
    const weight = PARTS.map((name) => (/^(head|hand|foot)/.test(name) ? SMALL_FORMS : 1));
    return facetsOf(
      picked(builds[FOUND_ON].rest, vertices, 3),
      quads,
      part === 'whole' ? WHOLE_PLANES : PART_PLANES,
      (face) => weight[parts[vertices[quads[face * 4]]]],
      (face) => segments[vertices[quads[face * 4]]],
    );
  });
  const hairFacets = once((name: BuildName): Facets | undefined => {
    const { hair } = sitter(name);
    return (
      hair &&
      facetsOf(
        hair.rest,
        hair.quads,
        HAIR_PLANES,
        () => 1,
        () => 0,
      )
    );
  });
  const members = PARTS.map((_, part) =>
    Uint32Array.from({ length: mesh.firstEye }, (_value, v) => v).filter((v) => parts[v] === part),
  );
  const { rest } = builds[FOUND_ON];
  const muscles = findMuscles(mesh, rest, quadNormals(mesh.quads, rest), parts);
  return {
    mesh,
    graph,
    parts,
    members,
    muscles,
    sitter,
    region,
    surface: (part, levels) => surfaces(part)(levels),
    facets,
    hairFacets,
    places: () => places(FOUND_ON),
  };
}
