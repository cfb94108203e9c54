import { bandOf } from '../measure/bands';
import type { Measured } from '../journal/measured';
import type { Session } from '../journal/session';
import { capital, counted } from '../words';
import { difference, type Estimate, pooled, ratioOf, type Reading, shareOf, slopeOf } from './estimate';

/** A drawing that was measured, and when it was drawn. */
export interface MeasuredDrawing {
  atMs: number;
  measured: Measured;
}

type Kind =
  | {
      kind: 'size';
      measures: readonly string[];
      hurts: 'too large' | 'too small' | 'too long' | 'too short';
      other: string;
    }
  | { kind: 'tilts'; measures: readonly string[] }
  | { kind: 'edge' };

/** What drawings can be off by again and again, with the remedies for it, the first one first. */
export const BIASES = {
  head: {
    name: 'heads',
    kind: 'size',
    measures: ['head'],
    hurts: 'too large',
    other: 'too small',
    remedies: ['heads', 'proportions'],
  },
  legs: {
    name: 'legs',
    kind: 'size',
    measures: ['legs', 'legs from the middle'],
    hurts: 'too short',
    other: 'too long',
    remedies: ['heads', 'proportions'],
  },
  waist: {
    name: 'waists',
    kind: 'size',
    measures: ['waist'],
    hurts: 'too long',
    other: 'too short',
    remedies: ['heads', 'proportions'],
  },
  tilts: {
    name: 'tilts of shoulders and hips',
    kind: 'tilts',
    measures: ['tilt of the shoulders', 'tilt of the hips'],
    remedies: ['proportions', 'stiff'],
  },
  edge: { name: 'the edge of the sheet', kind: 'edge', remedies: ['edge', 'proportions'] },
} as const satisfies Record<string, Kind & { name: string; remedies: readonly string[] }>;
export type BiasId = keyof typeof BIASES;
export const BIAS_IDS = Object.keys(BIASES) as BiasId[];

/** What remedies for biases are called where what became of them is told. */
export const REMEDY_NAMES: Readonly<Record<string, string>> = {
  heads: 'Head and pelvis only',
  proportions: 'Three masses, then plumb and level',
  stiff: 'Curves from the shoulder',
  edge: 'Envelope first',
};

/** Fewer measured drawings say too little. */
export const FEWEST_MEASURED = 10;
/** What one does now is read from the last so many. */
const LAST = 20;
/** Tilts of which less than this is kept are flattened. */
const KEPT_ENOUGH = 0.85;
/** Every tenth drawing that is squeezed is an accident. */
const SQUEEZED_SHARE = 0.1;

const DAY_MS = 86_400_000;
const MONTH_MS = 28 * DAY_MS;

export interface Bias {
  id: BiasId;
  /** Drawings it is read from. */
  drawings: number;
  /** Missing while there are too few: a share too large or small; the share of a tilt that is kept; the share that is squeezed. */
  now?: Estimate;
  /** How it changes in four weeks; missing where that cannot be told. */
  change?: Estimate;
  /** Whether it is beyond what does no harm: at both ends of its interval, or perhaps. */
  off: 'no' | 'perhaps' | 'where it hurts' | 'on the other side';
  /** How much, to compare it with others: 0 for what is not off. */
  weight: number;
}

/** The readings of a drawing for a bias, in the bias's own unit. */
export function readingsOf(id: BiasId, drawings: readonly MeasuredDrawing[]): Reading[] {
  const bias: Kind = BIASES[id];
  return drawings.flatMap(({ atMs, measured }): Reading[] => {
    if (bias.kind === 'edge') return [{ atMs, value: measured.squeezed ? 1 : 0, sigma: 0.1 }];
    return measured.of
      .filter((one) => bias.measures.includes(one.id))
      .flatMap(({ seen, off, sigma }) => {
        if (bias.kind === 'size') return [{ atMs, value: off, sigma }];
        // Of a level line nothing can be flattened.
        return Math.abs(seen) < LEAST_TILT_DEG
          ? []
          : [{ atMs, value: (seen + off) / seen, sigma: sigma / Math.abs(seen) }];
      });
  });
}
const LEAST_TILT_DEG = 4;

/** How many drawings say something of a bias. */
const countOf = (id: BiasId, drawings: readonly MeasuredDrawing[]): MeasuredDrawing[] =>
  drawings.filter((drawing) => readingsOf(id, [drawing]).length > 0);

function estimateNow(id: BiasId, last: readonly MeasuredDrawing[]): Estimate | undefined {
  const bias: Kind = BIASES[id];
  if (bias.kind === 'edge') return shareOf(last.filter(({ measured }) => measured.squeezed).length, last.length);
  if (bias.kind === 'size') return pooled(readingsOf(id, last));
  // All tilts together: a steep one says more than one that is nearly level.
  return ratioOf(
    last.flatMap(({ measured }) =>
      measured.of.filter((one) => bias.measures.includes(one.id)).map(({ seen, off }) => ({ x: seen, y: seen + off })),
    ),
  );
}

/** How far beyond what does no harm an estimate is. */
function judge(id: BiasId, { value, low, high }: Estimate): Pick<Bias, 'off' | 'weight'> {
  const bias: Kind = BIASES[id];
  if (bias.kind === 'tilts')
    return high < KEPT_ENOUGH
      ? { off: 'where it hurts', weight: (KEPT_ENOUGH - value) / 0.3 }
      : { off: 'no', weight: 0 };
  if (bias.kind === 'edge')
    return low > SQUEEZED_SHARE
      ? { off: 'where it hurts', weight: (value - SQUEEZED_SHARE) / 0.3 }
      : { off: 'no', weight: 0 };
  const band = bandOf(bias.measures[0]);
  const over = low > band.high ? value - band.high : high < band.low ? value - band.low : 0;
  if (over === 0) return { off: high > band.high || low < band.low ? 'perhaps' : 'no', weight: 0 };
  const hurts = Math.sign(over) === band.hurts;
  return { off: hurts ? 'where it hurts' : 'on the other side', weight: Math.abs(over) / (hurts ? 0.1 : 0.2) };
}

/** What measured drawings say of one bias. @param drawings In any order. */
export function biasOf(id: BiasId, drawings: readonly MeasuredDrawing[]): Bias {
  const some = countOf(id, drawings).toSorted((a, b) => a.atMs - b.atMs);
  const nothing: Bias = { id, drawings: some.length, off: 'no', weight: 0 };
  if (some.length < FEWEST_MEASURED) return nothing;
  const last = some.slice(-LAST);
  const now = estimateNow(id, last);
  if (!now) return nothing;
  const slope = slopeOf(readingsOf(id, some));
  return {
    id,
    drawings: last.length,
    now,
    ...(slope && {
      change: { value: slope.value * MONTH_MS, low: slope.low * MONTH_MS, high: slope.high * MONTH_MS },
    }),
    ...judge(id, now),
  };
}

/** All biases, the largest first. */
export const biasesOf = (drawings: readonly MeasuredDrawing[]): Bias[] =>
  BIAS_IDS.map((id) => biasOf(id, drawings)).sort((a, b) => b.weight - a.weight);

/** A day on which a remedy was taken. */
export interface RemedyTaken {
  atMs: number;
  remedy: string;
}

export const remediesTaken = (sessions: readonly Pick<Session, 'plan' | 'startedAtMs'>[]): RemedyTaken[] =>
  sessions.flatMap(({ plan, startedAtMs }) =>
    plan.cause?.remedy ? [{ atMs: startedAtMs, remedy: plan.cause.remedy }] : [],
  );

/** What became of a bias since a remedy for it was first taken. */
export interface RemedyEffect {
  remedy: string;
  sinceMs: number;
  /** Drawings measured since; `helped` is missing while it cannot be told: with fewer than FEWEST_MEASURED before it or since. */
  drawings: number;
  helped?: boolean;
  before?: number;
  after?: number;
}

/** Of each remedy for a bias that was taken: whether drawings since are nearer to what is seen than those before. */
export function remedyEffects(
  id: BiasId,
  drawings: readonly MeasuredDrawing[],
  taken: readonly RemedyTaken[],
): RemedyEffect[] {
  const toward = BIASES[id].kind === 'tilts' ? 1 : 0;
  return BIASES[id].remedies.flatMap((remedy): RemedyEffect[] => {
    const times = taken.filter((one) => one.remedy === remedy).map(({ atMs }) => atMs);
    if (times.length === 0) return [];
    const sinceMs = Math.min(...times);
    const some = countOf(id, drawings).toSorted((a, b) => a.atMs - b.atMs);
    const before = some.filter(({ atMs }) => atMs < sinceMs).slice(-LAST);
    const since = some.filter(({ atMs }) => atMs >= sinceMs);
    if (before.length < FEWEST_MEASURED || since.length < FEWEST_MEASURED)
      return [{ remedy, sinceMs, drawings: since.length }];
    const [was, is] = [readingsOf(id, before), readingsOf(id, since.slice(-LAST))];
    const [one, two] = [pooled(was).value, pooled(is).value];
    const less = difference(was, is);
    const nearer = Math.abs(two - toward) < Math.abs(one - toward);
    // Toward what is seen, and more than by chance; a little nearer may still become more.
    const helped = nearer && (one > toward ? less.low > 0 : less.high < 0);
    if (!helped && nearer && since.length < LAST) return [{ remedy, sinceMs, drawings: since.length }];
    return [{ remedy, sinceMs, drawings: since.length, helped, before: one, after: two }];
  });
}

/** The remedy to offer for a bias: the first one that was not found to be of no help; the first of all where none is left. */
export function remedyFor(id: BiasId, effects: readonly RemedyEffect[]): string {
  const failed = new Set(effects.filter(({ helped }) => helped === false).map(({ remedy }) => remedy));
  const remedies: readonly string[] = BIASES[id].remedies;
  return remedies.find((remedy) => !failed.has(remedy)) ?? remedies[0];
}

const percent = (share: number): string => `${String(Math.round(Math.abs(share) * 100))} %`;

/** "9 % too large", without the interval. */
export function sizeWords(id: BiasId, value: number): string {
  const bias: Kind = BIASES[id];
  if (bias.kind === 'tilts') return `${percent(value)} kept`;
  if (bias.kind === 'edge') return `${percent(value)} of them squeezed`;
  const { hurts } = bandOf(bias.measures[0]);
  return `${percent(value)} ${Math.sign(value) === hurts ? bias.hurts : bias.other}`;
}

/** What a bias is now, in a sentence with its interval and its trend. */
export function biasWords({ id, drawings, now, change, off }: Bias): string {
  const bias: Kind & { name: string } = BIASES[id];
  const name = capital(bias.name);
  if (!now) return `${name}: too few to tell, ${counted(drawings, 'measured drawing')} of ${String(FEWEST_MEASURED)}.`;
  const of = `in the last ${counted(drawings, 'measured drawing')}`;
  // Of what is too short by two to five, not by minus five to minus two.
  const ends = (now.high < 0 ? [-now.high, -now.low] : [now.low, now.high]).map((end) => String(Math.round(end * 100)));
  const between = `(${ends[0]} to ${ends[1]} %)`;
  const what =
    bias.kind === 'tilts'
      ? `${name} keep ${percent(now.value)} of what is seen ${between} ${of}`
      : bias.kind === 'edge'
        ? `${now.value === 0 ? 'None is' : `${percent(now.value)} are`} squeezed at the edge of the sheet ${between} ${of}`
        : now.low <= 0 && now.high >= 0
          ? `${name}: no difference that can be told ${between} ${of}`
          : `${name} are ${sizeWords(id, now.value)} ${between} ${of}`;
  const told = bias.kind === 'size' && !(now.low <= 0 && now.high >= 0);
  const harm = !told ? '' : off === 'no' ? ', which does no harm' : off === 'perhaps' ? ', which may be too much' : '';
  return `${what}${harm}.${changeWords(id, now, change)}`;
}

/** Whether it comes nearer to what is seen, as far as that can be told. */
function changeWords(id: BiasId, now: Estimate, change: Estimate | undefined): string {
  if (!change || (change.low <= 0 && change.high >= 0)) return '';
  const toward = BIASES[id].kind === 'tilts' ? 1 : 0;
  const nearer = Math.sign(toward - now.value) === Math.sign(change.value);
  return ` In four weeks it ${nearer ? 'comes nearer' : 'goes farther off'} by ${percent(change.value)}.`;
}
