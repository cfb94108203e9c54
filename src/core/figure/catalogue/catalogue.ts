import type { BuildName } from '../skeleton/builds';
import catalogue from './catalogue.json';
import type { Family } from './families';
import { describeHeading, type Facing, type ViewName } from '../picture/view';

/**
 * What is shipped of the built-in figures: facts and sizes of their pictures, worked out once by `npm run figures` so that no screen
 * needs the figure's mathematics to list them.
 */
export interface CatalogueEntry {
  id: string;
  poseId: string;
  build: BuildName;
  name: string;
  family: Family;
  viewName: ViewName;
  facing: Facing;
  /** 1 gentle to 5 hard. */
  difficulty: number;
  /** File name without ending. */
  file: string;
  /** Pixels of the cut-out for grids. */
  small: readonly [width: number, height: number];
  /** A full-size picture ships too. */
  full: boolean;
  /** A limb comes at you, or goes from you. */
  foreshortened: boolean;
  /** Kinds of things it is with, in order of the alphabet; empty for none. */
  props: string;
  /** How far a hand is open that is shown alone. */
  hand: string | undefined;
  /** How long a model could hold it, seconds, as a careful estimate; undefined where nothing limits it. */
  holdS: number | undefined;
}

/**
 * As stored: poses by slug [name, family, heading in degrees, props, how far a hand is open], views
 * [slug, build, azimuth, elevation, lens, difficulty, width, height, full, heading of this build, foreshortened].
 */
export interface CatalogueFile {
  poses: Record<string, [name: string, family: Family, headingDeg: number, props: string, hand?: string]>;
  /** How long a model could hold a pose, seconds; missing where nothing limits it. */
  holds: Record<string, number>;
  views: [string, BuildName, number, number, number, number, number, number, 0 | 1, number, 0 | 1][];
}
const { poses, holds, views } = catalogue as unknown as CatalogueFile;

/** The file name of a view's pictures, without ending. */
export const figureFileName = (poseId: string, build: string, azimuthDeg: number): string =>
  `${poseId}-${build}-${String(azimuthDeg)}`;

export const CATALOGUE: readonly CatalogueEntry[] = views.map(
  ([poseId, build, azimuth, elevation, lens, difficulty, width, height, full, heading, foreshortened]) => {
    const [name, family, , props, hand] = poses[poseId];
    return {
      id: ['figure', poseId, build, azimuth, elevation, lens].join('/'),
      poseId,
      build,
      name,
      family,
      ...describeHeading(heading, azimuth),
      difficulty,
      file: figureFileName(poseId, build, azimuth),
      small: [width, height],
      full: full === 1,
      props,
      hand,
      foreshortened: foreshortened === 1,
      holdS: holds[poseId],
    };
  },
);
const byId = new Map(CATALOGUE.map((entry) => [entry.id, entry]));
/** A view that ships, by its reference id; undefined for any other. */
export const catalogued = (referenceId: string): CatalogueEntry | undefined => byId.get(referenceId);

/** What is known of a figure without computing anything. */
export type KnownFacts = Pick<CatalogueEntry, 'name'> &
  Partial<Pick<CatalogueEntry, 'family' | 'viewName' | 'facing' | 'difficulty'>> & {
    /** The body lies or sits on the ground or flat on something, and darkens it where it does. */
    onGround?: boolean;
  };

/** Lying, or seated with nothing to sit on. */
const onGround = (family: Family, props: string): boolean =>
  family === 'reclining' || (family === 'seated' && props === '');

/** Name, family and view of any view of an authored pose, mirrored or not; the name alone of other poses; undefined for pictures. */
export function knownFacts(referenceId: string): KnownFacts | undefined {
  const entry = byId.get(referenceId);
  if (entry) return { ...entry, onGround: onGround(entry.family, entry.props) };
  const [kind, poseId, , azimuth] = referenceId.split('/');
  if (kind !== 'figure' || poseId === undefined) return undefined;
  const mirrored = poseId.endsWith('~m');
  const slug = mirrored ? poseId.slice(0, -2) : poseId;
  const seed = /^chance\.(\d+)$/.exec(slug)?.[1];
  if (seed !== undefined) return { name: `Chance pose ${seed}` };
  if (slug.startsWith('joints.')) return { name: 'Pose from motion' };
  if (!Object.hasOwn(poses, slug)) return undefined;
  const [name, family, heading, props] = poses[slug];
  return {
    name,
    family,
    onGround: onGround(family, props),
    ...describeHeading(mirrored ? -heading : heading, Number(azimuth)),
  };
}
