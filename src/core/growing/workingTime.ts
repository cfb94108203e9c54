import { MIN_DRAWING_MS } from '../clock/account';
import type { Session } from '../journal/session';
import { type Piece, piecesOf } from './pieces';
import { clamp } from '../clamp';
import { durationWords } from '../practice/time/duration';
import { moreOf } from '../words';
import { nextStepMs } from '../practice/time/staircase';

/** What was said of one drawing: whether the whole figure was down when its time was over. */
export interface WholeAnswer {
  atMs: number;
  /** What it was planned for and what it took, ms. */
  lengthMs: number;
  spentMs: number;
  down: boolean;
}

/** The length in which the whole figure is down in about seven of ten drawings. */
export interface WorkingTime {
  ms: number;
  /** It lies in between with nine chances in ten, if the learner stays as they are. */
  lowMs: number;
  highMs: number;
}

/** Fewer answers say too little to be shown as an estimate. */
const FEWEST_TO_TELL = 10;
/** Fewer say too little even to plan by. */
const FEWEST_TO_PLAN = 4;
/** Only so many of the last answers count: a working time changes. */
export const LAST_ANSWERS = 40;

/** Share of drawings that are whole at the working time: where two-yes-one-no settles, the square root of a half. */
const TARGET = Math.SQRT1_2;
/** Share of answers that are pressed by mistake. */
const LAPSE = 0.03;
/** Working times that are considered, in octaves of a second, and how steeply more time helps, logits an octave. */
const OCTAVES = Array.from({ length: 169 }, (_, i) => 2 + i / 16);
const STEEPNESS = [1, 2, 4, 8];
const logit = (p: number): number => Math.log(p / (1 - p));
const AT_TARGET = logit((TARGET - LAPSE / 2) / (1 - LAPSE));

/** Chance that the whole figure is down in so many octaves of a second. */
const chance = (octaves: number, working: number, steepness: number): number =>
  LAPSE / 2 + (1 - LAPSE) / (1 + Math.exp(-(steepness * (octaves - working) + AT_TARGET)));

/**
 * Estimate of the working time from answers, by Bayes over a grid with nothing preferred beforehand.
 * Source: A. Watson and D. Pelli, "QUEST: a Bayesian adaptive psychometric method", Perception & Psychophysics 33, 1983; with the
 * steepness unknown, as in L. Kontsevich and C. Tyler, Vision Research 39, 1999.
 * @returns Median and the middle nine tenths; undefined for fewer than FEWEST_TO_PLAN answers, or where the figure was never down.
 */
export function workingTime(answers: readonly Pick<WholeAnswer, 'spentMs' | 'down'>[]): WorkingTime | undefined {
  const last = answers.slice(-LAST_ANSWERS);
  if (last.length < FEWEST_TO_PLAN || last.every(({ down }) => !down)) return undefined;
  const said = last.map(({ spentMs, down }) => ({ octaves: Math.log2(Math.max(1, spentMs / 1000)), down }));
  const logs = OCTAVES.map((working) =>
    STEEPNESS.map((steepness) =>
      said.reduce((sum, { octaves, down }) => {
        const p = chance(octaves, working, steepness);
        return sum + Math.log(down ? p : 1 - p);
      }, 0),
    ),
  );
  const most = Math.max(...logs.flat());
  const weights = logs.map((row) => row.reduce((sum, log) => sum + Math.exp(log - most), 0));
  const all = weights.reduce((sum, w) => sum + w, 0);
  const quantile = (share: number): number => {
    let before = 0;
    for (const [i, weight] of weights.entries()) {
      if (before + weight >= share * all) return 2 ** OCTAVES[i] * 1000;
      before += weight;
    }
    return 2 ** OCTAVES[OCTAVES.length - 1] * 1000;
  };
  return { ms: quantile(0.5), lowMs: quantile(0.05), highMs: quantile(0.95) };
}

/** Every answer by exercise, oldest first; what was drawn while explaining to others is left out. */
export function wholeAnswers(pieces: readonly Piece[]): Map<string, { name: string; answers: WholeAnswer[] }> {
  const found = new Map<string, { name: string; answers: WholeAnswer[] }>();
  for (const { atMs, exercise, whole, audience } of pieces) {
    if (!whole || audience || whole.spentMs < MIN_DRAWING_MS) continue;
    const { exerciseId, ...answer } = whole;
    const { answers } = found.get(exerciseId) ?? { answers: [] as WholeAnswer[] };
    answers.push({ atMs, ...answer });
    found.set(exerciseId, { name: exercise, answers });
  }
  for (const { answers } of found.values()) answers.sort((a, b) => a.atMs - b.atMs);
  return found;
}

/** Working times by exercise, as far as enough was said to plan by them, ms; never shorter or longer than what was tried. */
export const workingTimes = (sessions: readonly Session[]): Map<string, number> =>
  new Map(
    [...wholeAnswers(sessions.flatMap(piecesOf))].flatMap(([id, { answers }]): [string, number][] => {
      const found = workingTime(answers);
      const tried = answers.slice(-LAST_ANSWERS).map(({ spentMs }) => spentMs);
      return found ? [[id, clamp(found.ms, Math.min(...tried), Math.max(...tried))]] : [];
    }),
  );

/** "45 s", "2 min": to what one would set a clock to, of five seconds up to a minute and a half, of fifteen above. */
function roundly(ms: number): string {
  const step = ms < 90_000 ? 5000 : 15_000;
  return durationWords(Math.max(step, Math.round(ms / step) * step));
}

/** The working time as far as it is told: from ten answers on. */
export const toldWorkingTime = (answers: readonly WholeAnswer[]): WorkingTime | undefined =>
  answers.length < FEWEST_TO_TELL ? undefined : workingTime(answers);

/**
 * What the answers of an exercise say, in words.
 * @param found What is told of them.
 */
export function workingTimeWords(answers: readonly WholeAnswer[], found: WorkingTime | undefined): string {
  const next = nextStepMs(answers);
  const missing = FEWEST_TO_TELL - answers.length;
  const told = found
    ? `about ${roundly(found.ms)}, very likely between ${roundly(found.lowMs)} and ${roundly(found.highMs)}`
    : missing > 0
      ? `too few answers to tell: ${moreOf(missing, 'answer')} would do`
      : 'longer than what was tried: the whole figure was never down';
  // The same length again is no news.
  return next === undefined || next === answers.at(-1)?.lengthMs
    ? told
    : `${told}. To try next: ${durationWords(next)}`;
}
