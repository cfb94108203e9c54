/** What a picture or figure is chosen by. Unknown facts are undefined. */
export interface ReferenceFacts {
  id: string;
  /** What it is called, where that was asked for. */
  name?: string | undefined;
  facing?: 'left' | 'right' | 'toward you' | 'away' | undefined;
  viewName?: string | undefined;
  family?: string | undefined;
  /** What it shows, in two levels: "things/plants". Only of the learner's own pictures. */
  subject?: string | undefined;
  eyeLevel?: string | undefined;
  extent?: string | undefined;
  /** Of a hand studied by itself: how far it is open. */
  hand?: string | undefined;
  foreshortened?: boolean | undefined;
  /** 1 gentle to 5 hard. */
  difficulty?: number | undefined;
  /** How long a model could hold it, seconds; undefined where nothing limits it or nothing is known. */
  holdS?: number | undefined;
  /** What is never drawn twice in a session: the pose of a figure, however it is turned, mirrored or played. */
  pose?: string | undefined;
  /** Who plays it. */
  build?: string | undefined;
  /** Kinds of things it is with; empty for none. */
  props?: string | undefined;
  /** Directions of ten segments of the body in the picture, degrees; null where not seen. See core/body/limbs. */
  limbs?: readonly (number | null)[] | undefined;
  /** Outline: how far it reaches from its middle in even directions, against its mean reach. See `outlineOf`. */
  outline?: readonly number[] | undefined;
  /** Its picture is there at once; others are rendered ahead. */
  ready?: boolean | undefined;
}

/** How hard a picture counts that nobody has rated. */
export const UNKNOWN_DIFFICULTY = 3;

export interface FacingCount {
  left: number;
  right: number;
}

/** How many of the references face left and right. */
export function countFacings(facts: readonly ReferenceFacts[]): FacingCount {
  return {
    left: facts.filter((f) => f.facing === 'left').length,
    right: facts.filter((f) => f.facing === 'right').length,
  };
}

/** Probability of at least `k` of `n` fair coin tosses, exact. */
function upperTail(k: number, n: number): number {
  let logChoose = 0;
  let sum = 0;
  for (let i = 0; i <= n; i++) {
    if (i > 0) logChoose += Math.log((n - i + 1) / i);
    if (i >= k) sum += Math.exp(logChoose - n * Math.LN2);
  }
  return Math.min(1, sum);
}

/** The side that was drawn more often than chance explains (two-sided exact binomial test at 5 %), or undefined. */
export function facingHabit({ left, right }: FacingCount): 'left' | 'right' | undefined {
  const p = 2 * upperTail(Math.max(left, right), left + right);
  if (p > 0.05) return undefined;
  return left > right ? 'left' : 'right';
}

/** A view toward one side, as coverage counts them: eight ways round a figure. */
export const TURNS = [
  { view: 'front', facing: undefined, words: 'front' },
  { view: 'three-quarter', facing: 'left', words: 'three-quarter left' },
  { view: 'three-quarter', facing: 'right', words: 'three-quarter right' },
  { view: 'profile', facing: 'left', words: 'profile left' },
  { view: 'profile', facing: 'right', words: 'profile right' },
  { view: 'back three-quarter', facing: 'left', words: 'back three-quarter left' },
  { view: 'back three-quarter', facing: 'right', words: 'back three-quarter right' },
  { view: 'back', facing: undefined, words: 'back' },
] as const;

/** Index into TURNS; undefined where view or facing is not known. */
export function turnOf({ viewName, facing }: Pick<ReferenceFacts, 'viewName' | 'facing'>): number | undefined {
  const at = TURNS.findIndex((t) => t.view === viewName && (t.facing === undefined || t.facing === facing));
  return at < 0 ? undefined : at;
}

/** The cell of coverage a reference falls into: pose, turn, eye level and part together. */
export const cellOf = (facts: ReferenceFacts): string =>
  [facts.family ?? '?', turnOf(facts) ?? '?', facts.eyeLevel ?? '?', facts.extent ?? '?'].join('|');

/** One row of the coverage: drawings made and references there to draw, by turn. */
export interface CoverageRow {
  name: string;
  /** By TURNS. */
  drawn: number[];
  available: number[];
}
export interface Coverage {
  byFamily: CoverageRow[];
  byEyeLevel: CoverageRow[];
  byExtent: CoverageRow[];
  /** Drawings whose view or facing nobody knows. */
  unknown: number;
  total: number;
  foreshortened: number;
}

function rowsBy(
  key: 'family' | 'eyeLevel' | 'extent',
  names: readonly string[],
  drawn: readonly ReferenceFacts[],
  available: readonly ReferenceFacts[],
): CoverageRow[] {
  const rows = new Map(names.map((name) => [name, { name, drawn: TURNS.map(() => 0), available: TURNS.map(() => 0) }]));
  for (const [list, into] of [
    [drawn, 'drawn'],
    [available, 'available'],
  ] as const)
    for (const facts of list) {
      const turn = turnOf(facts);
      const row = rows.get(facts[key] ?? '');
      if (row && turn !== undefined) row[into][turn]++;
    }
  return [...rows.values()];
}

/**
 * What has been drawn, and what there is to draw, by pose, turn, eye level and part.
 * @param drawn One entry a drawing: the same reference drawn twice is in it twice.
 */
export function coverage(
  drawn: readonly ReferenceFacts[],
  available: readonly ReferenceFacts[],
  families: readonly string[],
): Coverage {
  return {
    byFamily: rowsBy('family', families, drawn, available),
    byEyeLevel: rowsBy('eyeLevel', ['from below', 'at eye level', 'from above'], drawn, available),
    byExtent: rowsBy('extent', ['whole', 'cropped', 'part'], drawn, available),
    unknown: drawn.filter((f) => turnOf(f) === undefined).length,
    total: drawn.length,
    foreshortened: drawn.filter((f) => f.foreshortened === true).length,
  };
}

/** Times drawn by cell, for widening. */
export function countCells(drawn: readonly ReferenceFacts[]): Map<string, number> {
  const cells = new Map<string, number>();
  for (const facts of drawn) cells.set(cellOf(facts), (cells.get(cellOf(facts)) ?? 0) + 1);
  return cells;
}
