import { lineLength } from '../../hand/stroke';
import type { Mark } from '../inkStroke';

/** Speed is read over so long, milliseconds: shorter, and a hand's tremor of 8 to 12 a second is read with it. */
const WINDOW_MS = 400;
/** Faster than the even pace by this factor it ran, slower by as much it stood. */
const RAN = 2;
/** It ran only where that lasted so long, milliseconds. */
const LEAST_RUN_MS = 500;

export interface Pace {
  /** Length of everything drawn, millimeters. */
  lengthMm: number;
  /** The pace that would draw all of it evenly in the time there was, millimeters a second. */
  evenMmPerS: number;
  /** Share of the length that was drawn at between half and twice the even pace. */
  steady: number;
  /** Where it ran: drawing time, milliseconds, how often as fast as the even pace, and where on the sheet that began. */
  runs: { fromMs: number; toMs: number; times: number; at: readonly [number, number] }[];
}

/** Speed at each place of a stroke, millimeters a second, over a window around it. */
export function speedsOf({ points }: Mark): number[] {
  const along: number[] = [0];
  for (let i = 1; i < points.length; i++)
    along.push(along[i - 1] + Math.hypot(points[i][0] - points[i - 1][0], points[i][1] - points[i - 1][1]));
  let [low, high] = [0, 0];
  return points.map(([, , at]) => {
    while (low < points.length - 1 && points[low][2] < at - WINDOW_MS / 2) low++;
    while (high < points.length - 1 && points[high + 1][2] <= at + WINDOW_MS / 2) high++;
    const ms = points[high][2] - points[low][2];
    return ms > 0 ? ((along[high] - along[low]) / ms) * 1000 : 0;
  });
}

/**
 * The pace along a slow line against the even one that its time asks for.
 * @param spentMs The drawing's time, milliseconds: what was not used of it does not slow the pace that was asked.
 * @returns undefined where nothing was drawn, or it took no time.
 */
export function paceOf(marks: readonly Mark[], spentMs: number): Pace | undefined {
  const lengthMm = marks.reduce((sum, { points }) => sum + lineLength(points), 0);
  if (lengthMm === 0 || spentMs <= 0) return undefined;
  const evenMmPerS = (lengthMm / spentMs) * 1000;
  let steadyMm = 0;
  const runs: Pace['runs'] = [];
  for (const mark of marks) {
    const { points } = mark;
    const speeds = speedsOf(mark);
    let run: { from: number; mm: number } | undefined;
    const close = (to: number): void => {
      if (!run) return;
      const [fromMs, toMs] = [points[run.from][2], points[to][2]];
      const ms = toMs - fromMs;
      if (ms >= LEAST_RUN_MS)
        runs.push({
          fromMs,
          toMs,
          times: ((run.mm / ms) * 1000) / evenMmPerS,
          at: [points[run.from][0], points[run.from][1]],
        });
      run = undefined;
    };
    for (let i = 1; i < points.length; i++) {
      const mm = Math.hypot(points[i][0] - points[i - 1][0], points[i][1] - points[i - 1][1]);
      const times = speeds[i] / evenMmPerS;
      if (times >= 1 / RAN && times <= RAN) steadyMm += mm;
      if (times > RAN) {
        run ??= { from: i - 1, mm: 0 };
        run.mm += mm;
      } else close(i - 1);
    }
    close(points.length - 1);
  }
  return { lengthMm, evenMmPerS, steady: steadyMm / lengthMm, runs };
}
