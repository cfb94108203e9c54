import { countsPeeks } from '../practice/exercises/exercise';
import { mostMarks } from '../practice/rules/marks';
import { readPeeks } from '../practice/rules/measuring';
import { durationWords } from '../practice/time/duration';
import { counted, listWords } from '../words';
import type { Drawing } from './drawings';

/** What was noted of one drawing while it was made and right after, a phrase each: peeks, lifts, marks, rubbing out, what was missing. */
export function poseRecord({
  exercise,
  visit,
  spentMs,
  leftOut,
}: Pick<Drawing, 'exercise' | 'visit' | 'spentMs' | 'leftOut'>): string[] {
  const { peeks, lifts, marks, rubbedOut, missing, wholeInMs } = visit;
  const read = readPeeks(peeks, spentMs);
  const most = mostMarks(exercise.rule);
  return [
    ...(countsPeeks(exercise) && peeks.length > 0
      ? [`${counted(peeks.length, 'peek')}, ${(read.spentMs / 1000).toFixed(1)} s${read.within ? '' : ', over'}`]
      : []),
    ...(lifts > 0 ? [counted(lifts, 'lift')] : []),
    ...(marks === undefined
      ? []
      : [`${counted(marks, 'mark')}${most !== undefined && marks > most ? `, ${marks - most} over` : ''}`]),
    ...(rubbedOut ? [rubbedOut === 1 ? 'rubbed out once' : `rubbed out ${rubbedOut} times`] : []),
    ...(wholeInMs === undefined ? [] : [`whole after ${durationWords(Math.round(wholeInMs / 1000) * 1000)}`]),
    ...(leftOut && leftOut.length > 0 ? [`left out: ${listWords(leftOut)}`] : []),
    ...(missing && missing.length > 0 ? [`missing: ${listWords(missing.map((m) => m.toLowerCase()))}`] : []),
  ];
}
