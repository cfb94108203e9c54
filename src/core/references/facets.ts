import {
  FACT_NAMES,
  FACT_VALUES,
  FACT_WORDS,
  type FactName,
  type FactValues,
  SUBJECT_GROUPS,
  type SubjectGroup,
  SUBJECTS,
  subjectId,
} from './facts';
import { effectiveFacts, isSaid } from './effectiveFacts';
import { LICENSES, type Picture } from './picture';
import { type Facet, FACETS, type Query, type Sort } from './query';

/** What the library knows of drawings made from a picture. */
export interface DrawnFacts {
  times: number;
  lastMs: number | undefined;
}

const DAY_MS = 86_400_000;
const AGES = ['in the last week', 'in the last month', 'longer ago', 'never'] as const;
function ageOf(lastMs: number | undefined, nowMs: number): (typeof AGES)[number] {
  if (lastMs === undefined) return 'never';
  const days = (nowMs - lastMs) / DAY_MS;
  return days <= 7 ? AGES[0] : days <= 31 ? AGES[1] : AGES[2];
}

/** Stands for a fact that is not known, and for one that is only a guess: guesses stand apart and count for no value. */
export const UNKNOWN = 'not known';
export const GUESSED = 'only a guess';

export const FACET_WORDS: Record<Facet, string> = {
  ...FACT_WORDS,
  theme: 'Theme',
  license: 'Rights',
  drawn: 'Drawn',
  lastDrawn: 'Last drawn',
};

interface Column {
  facet: Facet;
  values: readonly string[];
  /** By picture, the indices of its values. */
  of: (readonly number[])[];
}

export interface LibraryIndex {
  pictures: readonly Picture[];
  columns: Column[];
  /** By picture, what is searched for words. */
  text: string[];
  drawn: DrawnFacts[];
}

const subjects = [
  ...SUBJECT_GROUPS.flatMap((g) => [g, ...SUBJECTS[g].map((kind) => subjectId(g, kind))]),
  GUESSED,
  UNKNOWN,
];
/** Facets whose values are the same for every library, with all of them. */
const FIXED: Record<Exclude<Facet, 'theme' | 'drawn' | 'lastDrawn'>, readonly string[]> = {
  ...(Object.fromEntries(FACT_NAMES.map((name) => [name, [...FACT_VALUES[name], GUESSED, UNKNOWN]])) as Record<
    FactName,
    string[]
  >),
  subject: subjects,
  license: [...LICENSES, UNKNOWN],
};
type FixedFacet = keyof typeof FIXED;
const isFixed = (facet: Facet): facet is FixedFacet => facet in FIXED;

function fixedValues(facet: FixedFacet, picture: Picture, facts: FactValues): string[] {
  if (facet === 'license') return [picture.rights.license ?? UNKNOWN];
  if (facts[facet] !== undefined && !isSaid(picture, facet)) return [GUESSED];
  if (facet !== 'subject') return [facts[facet] ?? UNKNOWN];
  const [group, kind] = (facts.subject ?? UNKNOWN).split('/');
  return kind ? [group, subjectId(group as SubjectGroup, kind)] : [group];
}

interface Row {
  text: string;
  of: Record<FixedFacet, number[]>;
}
/** Pictures are never changed in place, so what was laid out of one holds as long as it does. */
const rows = new WeakMap<Picture, Row>();
function rowOf(picture: Picture): Row {
  const known = rows.get(picture);
  if (known) return known;
  const facts = effectiveFacts(picture);
  const { name, tags, rights } = picture;
  const of = Object.fromEntries(
    (Object.keys(FIXED) as FixedFacet[]).map((facet) => [
      facet,
      fixedValues(facet, picture, facts).map((value) => FIXED[facet].indexOf(value)),
    ]),
  ) as Row['of'];
  const row = { text: fold([name, ...tags, rights.credit, rights.source].join(' ')), of };
  rows.set(picture, row);
  return row;
}

const fold = (text: string): string => text.toLocaleLowerCase().normalize('NFKD').replace(/\p{M}/gu, '');

/**
 * The library laid out for searching: made once for many searches, and cheap to make again after a few pictures changed.
 * @param drawnOf What was drawn of a picture, by its id.
 */
export function indexLibrary(
  pictures: readonly Picture[],
  drawnOf: (id: string) => DrawnFacts | undefined,
  nowMs: number,
): LibraryIndex {
  const drawn = pictures.map((p) => drawnOf(p.id) ?? NEVER_DRAWN);
  const laidOut = pictures.map(rowOf);
  const themes = [...new Set(pictures.flatMap((p) => p.tags))].sort((a, b) => a.localeCompare(b));
  const theme = new Map(themes.map((tag, i) => [tag, i]));
  const columns = FACETS.map((facet): Column => {
    if (isFixed(facet)) return { facet, values: FIXED[facet], of: laidOut.map((row) => row.of[facet]) };
    if (facet === 'theme')
      return { facet, values: themes, of: pictures.map((p) => p.tags.map((tag) => theme.get(tag) as number)) };
    if (facet === 'drawn')
      return { facet, values: ['never', 'drawn'], of: drawn.map(({ times }) => (times === 0 ? FIRST : SECOND)) };
    return { facet, values: AGES, of: drawn.map(({ lastMs }) => [AGES.indexOf(ageOf(lastMs, nowMs))]) };
  });
  return { pictures, drawn, text: laidOut.map((row) => row.text), columns };
}
const NEVER_DRAWN: DrawnFacts = { times: 0, lastMs: undefined };
const FIRST: readonly number[] = [0];
const SECOND: readonly number[] = [1];

export interface FacetCounts {
  facet: Facet;
  /** Values that some picture has when the other facets are as they are, or that are chosen. */
  values: { value: string; count: number; chosen: boolean }[];
}

/** Pictures that match, sorted, and how many each value of each facet would give. */
export function search(index: LibraryIndex, query: Query): { found: Picture[]; facets: FacetCounts[] } {
  const { pictures, columns, text } = index;
  const words = fold(query.text).split(/\s+/).filter(Boolean);
  const chosen = columns.map(({ facet, values }) => {
    const wanted = query.wanted[facet];
    return wanted && wanted.length > 0 ? values.map((v) => wanted.includes(v)) : undefined;
  });
  const counts = columns.map(({ values }) => new Uint32Array(values.length));
  const positions: number[] = [];
  for (let p = 0; p < pictures.length; p++) {
    if (words.length > 0 && !words.every((w) => text[p].includes(w))) continue;
    let failing = -1;
    let fails = 0;
    for (let c = 0; c < columns.length && fails < 2; c++) {
      const wanted = chosen[c];
      if (!wanted || columns[c].of[p].some((v) => wanted[v])) continue;
      fails++;
      failing = c;
    }
    if (fails > 1) continue;
    // A picture that only one facet keeps out still counts for what else that facet could be.
    if (fails === 1) for (const v of columns[failing].of[p]) counts[failing][v]++;
    else {
      positions.push(p);
      for (let c = 0; c < columns.length; c++) for (const v of columns[c].of[p]) counts[c][v]++;
    }
  }
  return {
    found: sorted(index, positions, query.sort).map((p) => pictures[p]),
    facets: columns.map(({ facet, values }, c) => ({
      facet,
      values: values
        .map((value, v) => ({ value, count: counts[c][v], chosen: chosen[c]?.[v] ?? false }))
        .filter((entry) => entry.count > 0 || entry.chosen),
    })),
  };
}

function sorted({ pictures, drawn, columns }: LibraryIndex, positions: number[], sort: Sort): number[] {
  const difficulty = columns.find((c) => c.facet === 'difficulty') as Column;
  const keys: Record<Exclude<Sort, 'by name'>, (p: number) => number> = {
    'in your order': (p) => p,
    'newest first': (p) => -pictures[p].addedAtMs,
    'taken, newest first': (p) => -(pictures[p].takenAtMs ?? 0),
    'gentle to hard': (p) => difficulty.of[p][0],
    'least drawn first': (p) => drawn[p].times,
    'longest not drawn': (p) => drawn[p].lastMs ?? -Infinity,
  };
  if (sort === 'by name') {
    const { compare } = new Intl.Collator(undefined, { numeric: true });
    return positions.sort((a, b) => compare(pictures[a].name, pictures[b].name));
  }
  const values = new Float64Array(pictures.length);
  for (const p of positions) values[p] = keys[sort](p);
  return positions.sort((a, b) => values[a] - values[b] || a - b);
}

/** What the search asks for, in words: for naming a set made from it. */
export function queryWords({ text, wanted }: Query): string {
  const parts = FACETS.flatMap((facet) => (wanted[facet] ?? []).map((value) => valueWords(facet, value)));
  return [...(text.trim() ? [`“${text.trim()}”`] : []), ...parts].join(', ').slice(0, 80);
}

/** A value as it reads in a list of choices. */
export function valueWords(facet: Facet, value: string): string {
  if (value === UNKNOWN || value === GUESSED) return value;
  if (facet === 'subject') return value.split('/').at(-1) as string;
  if (facet === 'difficulty') return ['gentle', 'easy', 'middling', 'hard', 'very hard'][Number(value) - 1];
  if (facet === 'foreshortened') return value === 'yes' ? 'foreshortened' : 'not foreshortened';
  if (facet === 'tone') return value === 'middle' ? 'middle values' : value;
  if (facet === 'light') return value === 'clear' ? 'clear light' : 'flat light';
  if (facet === 'facing') return value === 'toward you' ? 'toward you' : value;
  return value;
}
