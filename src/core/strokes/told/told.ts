import type { Exercise } from '../../practice/exercises/exercise';
import { clockDigits } from '../../practice/time/duration';
import { mostMarks } from '../../practice/rules/marks';
import { capital, counted, listWords } from '../../words';
import type { Place, PlaceName } from '../../measure/places';
import type { Mark } from '../inkStroke';
import { type Down, downOf } from './down';
import { type Lifts, liftsOf } from './lifts';
import { type MarksTold, marksTold } from './marks';
import { bigBeforeSmall } from './order';
import { type Pace, paceOf } from './pace';
import { LATE, partsInOrder, type PartTurn } from './parts';
import { type Reach, reachOf } from './reach';
import { type Restated, restatedOf } from './restated';
import { type Weight, weightOf } from './weight';

/** Everything that strokes and their time tell of one drawing. */
export interface StrokesTold {
  marks: MarksTold;
  lifts: Lifts;
  pace: Pace | undefined;
  restated: Restated;
  reach: Reach | undefined;
  /** See `bigBeforeSmall`. */
  bigFirst: number | undefined;
  down: Down | undefined;
  parts: PartTurn[];
  weight: Weight | undefined;
}

/** What is known beside the strokes. */
export interface ToldWith {
  exercise: Exercise;
  /** The drawing's time, milliseconds. */
  spentMs: number;
  /** Millimeters the hand moves for one of the sheet; undefined where the screen was never measured. */
  movedMm: number | undefined;
  /** Where the drawing has its places, millimeters on the sheet; undefined where they are not known. */
  places: ReadonlyMap<PlaceName, Pick<Place, 'at'>> | undefined;
  /** Where the light comes from across the picture; undefined where that is not known. */
  lightFrom: readonly [number, number] | undefined;
}

/** @param marks In the order they were made, without what was taken back. */
export function strokesTold(marks: readonly Mark[], known: ToldWith): StrokesTold {
  return {
    marks: marksTold(marks),
    lifts: liftsOf(marks),
    pace: paceOf(marks, known.spentMs),
    restated: restatedOf(marks),
    reach: known.movedMm === undefined ? undefined : reachOf(marks, known.movedMm),
    bigFirst: bigBeforeSmall(marks),
    down: downOf(marks),
    parts: known.places ? partsInOrder(marks, known.places, known.spentMs) : [],
    weight: known.lightFrom && weightOf(marks, known.lightFrom),
  };
}

const percent = (share: number): string => `${String(Math.round(share * 100))} %`;

function paceSentence({ steady, runs, evenMmPerS }: Pace): string {
  const even = `An even pace was ${evenMmPerS.toFixed(evenMmPerS < 10 ? 1 : 0)} mm a second; ${percent(steady)} of the line kept near it`;
  if (runs.length === 0) return `${even}, and it ran nowhere.`;
  const longest = runs.reduce((a, b) => (b.toMs - b.fromMs > a.toMs - a.fromMs ? b : a));
  return `${even}. It ran ${runs.length === 1 ? 'once' : `${String(runs.length)} times`}, longest at ${clockDigits(wholeSecond(longest.fromMs))}, ${longest.times.toFixed(1)} times as fast.`;
}
const wholeSecond = (ms: number): number => Math.floor(ms / 1000) * 1000;

const liftsSentence = ({ lifts, relocations }: Lifts): string =>
  lifts === 0
    ? 'It is one line: the tool never left the sheet.'
    : `${counted(lifts, 'lift')}${relocations > 0 ? `, ${relocations === lifts ? (lifts === 1 ? 'and it went on elsewhere' : 'each going on elsewhere') : `${String(relocations)} of them going on elsewhere`}` : ', each going on where it left off'}.`;

function marksSentence({ marks, medianMm, bends }: MarksTold, most: number | undefined): string {
  const of =
    most === undefined
      ? ''
      : marks > most
        ? `, ${String(marks - most)} over the ${String(most)} allowed`
        : ` of ${String(most)} allowed`;
  const kinds = (['straight', 'C', 'S', 'other'] as const).flatMap((bend) =>
    bends[bend] > 0 ? [`${String(bends[bend])} ${bend}`] : [],
  );
  const bent = kinds.length > 0 ? `: ${listWords(kinds)}` : '';
  return `${counted(marks, 'mark')}${of}, ${String(Math.round(medianMm))} mm long in the middle${bent}.`;
}

const downSentence = ({ downMs }: Down, spentMs: number): string =>
  `Nine tenths of the figure were down after ${clockDigits(Math.max(1000, wholeSecond(downMs)))} of ${clockDigits(wholeSecond(spentMs))}.`;

function restatedSentence({ restated, scratched }: Restated): string | undefined {
  if (restated === 0 && scratched === 0) return undefined;
  const said = restated > 0 ? [`${counted(restated, 'stroke')} said again whole`] : [];
  const rubbed = scratched > 0 ? [`${counted(scratched, 'short stroke')} back and forth over one place`] : [];
  return `${listWords([...said, ...rubbed])}.`;
}

function orderSentence(share: number): string {
  if (share >= 0.6) return `Big before small: in ${percent(share)} of pairs the longer stroke came first.`;
  if (share <= 0.4) return `Small before big: only in ${percent(share)} of pairs did the longer stroke come first.`;
  return `Big and small in no order: in ${percent(share)} of pairs the longer stroke came first.`;
}

function partsSentence(parts: readonly PartTurn[]): string | undefined {
  if (parts.length < 2) return undefined;
  const late = parts.filter(({ share }) => share >= LATE).map(({ part }) => `the ${part}`);
  const tail = late.length > 0 ? `, and ${listWords(late)} only after ${percent(LATE)} of the time` : '';
  return `First the ${parts[0].part}, then the ${parts[1].part}, last the ${parts[parts.length - 1].part}${tail}.`;
}

const reachSentence = ({ beyondWrist, longestMm }: Reach): string =>
  `${percent(beyondWrist)} of the line is in strokes that no wrist reaches from where it lies; the longest spans ${String(Math.round(longestMm / 10))} cm.`;

function weightSentence({ away, toward }: Weight): string {
  const more = toward > 0 ? away / toward - 1 : 0;
  if (Math.abs(more) < 0.05) return 'Pressed alike toward the light and away from it.';
  return `Pressed ${percent(Math.abs(more))} ${more > 0 ? 'harder' : 'less hard'} away from the light than toward it.`;
}

/** What each thing that strokes tell is called, in the order it is told on request. */
const TOLD = ['pace', 'lifts', 'marks', 'restated', 'reach', 'order', 'down', 'parts', 'weight'] as const;
export type ToldName = (typeof TOLD)[number];

/**
 * Everything in words, that which the exercise is about first.
 * @returns No sentences where nothing was drawn.
 */
export function toldSentences(
  told: StrokesTold,
  { exercise, spentMs }: Pick<ToldWith, 'exercise' | 'spentMs'>,
): { name: ToldName; words: string }[] {
  if (told.marks.marks === 0) return [];
  const { rule, form, family } = exercise;
  const sentences: Record<ToldName, string | undefined> = {
    pace: told.pace && rule.pace === 'slow' ? paceSentence(told.pace) : undefined,
    lifts: liftsSentence(told.lifts),
    marks: marksSentence(told.marks, mostMarks(rule)),
    restated: restatedSentence(told.restated),
    reach: told.reach && reachSentence(told.reach),
    order: told.bigFirst === undefined ? undefined : orderSentence(told.bigFirst),
    down: told.down && told.marks.marks > 1 ? downSentence(told.down, spentMs) : undefined,
    parts: partsSentence(told.parts),
    weight: told.weight && weightSentence(told.weight),
  };
  const first: ToldName =
    rule.lifts === 'none'
      ? 'lifts'
      : rule.marks !== 'free'
        ? 'marks'
        : rule.pace === 'slow'
          ? 'pace'
          : form?.lineWeight && told.weight
            ? 'weight'
            : family === 'quick' && told.marks.marks > 1
              ? 'down'
              : told.bigFirst !== undefined
                ? 'order'
                : 'marks';
  return [first, ...TOLD.filter((name) => name !== first)].flatMap((name) => {
    const words = sentences[name];
    return words ? [{ name, words: capital(words) }] : [];
  });
}
