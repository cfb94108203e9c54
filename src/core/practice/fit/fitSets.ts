import { gcd } from './gcd';
import { bestIndex, bestOptions, combine, type Option, type Slot } from './bestOptions';
import { DURATION_STEPS_MS } from '../time/durationSteps';
import type { Exercise } from '../exercises/exercise';
import { LEAD_IN_MS } from '../edit/newBlock';

const SECOND = 1000;

/** What a second at the wrong exercise loses of its worth. */
export const MISPLACED = 0.5;
/** What a second loses for each doubling or halving away from the length asked for. */
export const MISLENGTH = 0.25;

/** A stretch of a set for one exercise. */
export interface Stretch {
  exercise: Exercise;
  /** At the sheet, milliseconds: looking and drawing. */
  wantedMs: number;
  idealMs: number;
  /** Lengths that it may have, where not all may be; any where none of the exercise's own may. */
  mayLast?: ((ms: number) => boolean) | undefined;
  /** The largest part of what was wished for: at least one drawing of it, wherever that can be had. */
  wished?: boolean;
}

/** How long one drawing of a length is at the sheet: looking, drawing, and drawing again. A model is only drawn. */
export function atSheetMs({ lookMs, lookAgainMs, rule }: Exercise, drawMs: number, liveModel: boolean): number {
  if (liveModel) return drawMs;
  return (rule.reference === 'shown then hidden' ? 2 : 1) * drawMs + lookMs + lookAgainMs;
}

/** Lengths worth trying for a stretch: duration steps of the exercise that it may have, within a factor of four of what is asked for. */
function lengthsFor({ exercise, idealMs, mayLast }: Stretch): number[] {
  const own = DURATION_STEPS_MS.filter((ms) => ms >= exercise.shortestMs && ms <= exercise.longestMs);
  const allowed = mayLast ? own.filter(mayLast) : own;
  const steps = (allowed.length > 0 ? allowed : own).filter((ms) => ms >= idealMs / 4 && ms <= idealMs * 4);
  if (steps.length > 0) return steps;
  return allowed.length > 0 && mayLast ? allowed : [exercise.usualMs];
}

/** So many drawings of one length. */
export interface Run {
  count: number;
  drawMs: number;
}

/** The worth of some runs in a stretch, in seconds. */
export function stretchValue(stretch: Stretch, runs: readonly Run[], liveModel = false): number {
  const wanted = stretch.wantedMs / SECOND;
  let spent = 0;
  let misfit = 0;
  for (const { count, drawMs } of runs) {
    const seconds = (count * atSheetMs(stretch.exercise, drawMs, liveModel)) / SECOND;
    spent += seconds;
    misfit += seconds * Math.abs(Math.log2(drawMs / stretch.idealMs));
  }
  return spent - MISPLACED * Math.abs(spent - wanted) - MISLENGTH * misfit;
}

/** Every way to fill a stretch that a set has room for: so many of one length, or in a short session of two. */
function runsFor(stretch: Stretch, roomMs: number, changeMs: number, liveModel: boolean, lengthsEach: 1 | 2): Run[][] {
  const lengths = lengthsFor(stretch);
  const costMs = (runs: readonly Run[]): number =>
    runs.reduce(
      (sum, r) => sum + r.count * (LEAD_IN_MS + atSheetMs(stretch.exercise, r.drawMs, liveModel) + changeMs),
      0,
    ) - changeMs;
  // At least one drawing of what was wished for.
  const out: Run[][] = stretch.wished ? [] : [[]];
  const extend = (runs: readonly Run[], from: number): void => {
    for (let i = from; i < lengths.length; i++)
      for (let count = 1; ; count++) {
        const more = [...runs, { count, drawMs: lengths[i] }];
        if (costMs(more) > roomMs) break;
        out.push(more);
        if (more.length < lengthsEach) extend(more, i + 1);
      }
  };
  extend([], 0);
  return out.length > 0 ? out : [[]];
}

interface Candidates {
  slot: Slot;
  runs: Run[][];
}
function slotFor(
  stretch: Stretch,
  unitMs: number,
  roomMs: number,
  changeMs: number,
  liveModel: boolean,
  lengthsEach: 1 | 2,
): Candidates {
  const runs = runsFor(stretch, roomMs, changeMs, liveModel, lengthsEach);
  const options = runs.map((some): Option => {
    const count = some.reduce((sum, r) => sum + r.count, 0);
    const ms = some.reduce(
      (sum, r) => sum + r.count * (LEAD_IN_MS + atSheetMs(stretch.exercise, r.drawMs, liveModel)),
      0,
    );
    return {
      cost: Math.round((ms + Math.max(0, count - 1) * changeMs) / unitMs),
      value: stretchValue(stretch, some, liveModel),
      kind: count === 0 ? 'empty' : 'poses',
    };
  });
  return { slot: { options, change: Math.round(changeMs / unitMs) }, runs };
}

/** Which count and length for each stretch of each set, so that the whole is worth most and fits: exact for the objective. */
export function fitSets(
  sets: readonly (readonly Stretch[])[],
  roomMs: number,
  setLimitMs: number,
  changeMs: number,
  liveModel = false,
  lengthsEach: 1 | 2 = 1,
): { chosen: Run[][][]; score: number; usedMs: number } {
  const unitMs = sets
    .flat()
    .reduce(
      (unit, s) => lengthsFor(s).reduce((u, ms) => gcd(u, LEAD_IN_MS + atSheetMs(s.exercise, ms, liveModel)), unit),
      changeMs || SECOND,
    );
  const capacity = Math.floor(roomMs / unitMs);
  const perSet = Math.min(capacity, Math.floor(setLimitMs / unitMs));
  const solved = sets.map((stretches) => {
    const slots = stretches.map((s) =>
      slotFor(s, unitMs, Math.min(roomMs, setLimitMs), changeMs, liveModel, lengthsEach),
    );
    return {
      slots,
      best: bestOptions(
        slots.map((s) => s.slot),
        perSet,
      ),
    };
  });
  const tables: Int32Array[] = [];
  let values = new Float64Array(capacity + 1).fill(-Infinity);
  values[0] = 0;
  for (const { best } of solved) {
    const combined = combine(values, best.values, capacity);
    values = combined.values as Float64Array<ArrayBuffer>;
    tables.push(combined.seconds);
  }
  let at = bestIndex(values);
  if (values[at] === -Infinity) {
    // There is no room for one of each: what is worth most comes first then.
    const free = sets.map((stretches) => stretches.map((s) => ({ ...s, wished: false })));
    return fitSets(free, roomMs, setLimitMs, changeMs, liveModel, lengthsEach);
  }
  const score = values[at];
  const usedMs = at * unitMs;
  const chosen: Run[][][] = [];
  for (let s = solved.length - 1; s >= 0; s--) {
    const cost = tables[s][at];
    const { slots, best } = solved[s];
    chosen[s] = best.choiceAt(cost).map((o, i) => slots[i].runs[o]);
    at -= cost;
  }
  return { chosen, score, usedMs };
}
