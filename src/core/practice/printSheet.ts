import * as z from 'zod/mini';
import { minuteOfDay } from './clockTime';
import { clockDigits, durationWords } from './duration';
import { plannedRibbon } from './ribbon';
import { planSchema } from './schema';
import { sheetSchema } from './sheet';
import { sumPlan } from './sums';
import { expandPlan, segmentMs } from './timeline';

/** What the route that prints a session sheet is given. */
export const printRequestSchema = z.object({
  plan: planSchema,
  startsAtMinute: z.nullable(z.int().check(z.minimum(0), z.maximum(1439))),
  sheet: sheetSchema,
});
export type PrintRequest = z.infer<typeof printRequestSchema>;

interface PrintRow {
  /** Clock time, or time from the start where none is set. */
  time: string;
  name: string;
  measure: string;
  /** Planned lengths of what is timed by hand: one box each. */
  boxes: string[];
}
export interface PrintSheet {
  title: string;
  summary: string;
  rows: PrintRow[];
}

/** A plan as a page of rows with boxes for the times as they were. */
export function printSheet({ plan, startsAtMinute, sheet }: PrintRequest): PrintSheet {
  const { segments, totalMs } = expandPlan(plan);
  const { drawingMs } = sumPlan(plan);
  const rows = plannedRibbon(plan).map(({ blockIndex, label, measure, cells }): PrintRow => {
    const timed = segments.filter((s) => s.blockIndex === blockIndex && (s.kind === 'draw' || s.kind === 'page'));
    const startMs = cells[0].startMs;
    return {
      time: startsAtMinute === null ? `+${clockDigits(startMs)}` : minuteOfDay(startsAtMinute + startMs / 60_000),
      name: label,
      measure,
      boxes: timed.map((s) => clockDigits(segmentMs(s))),
    };
  });
  return {
    title: plan.title,
    summary: `${durationWords(totalMs)} in all, ${durationWords(drawingMs)} of drawing, on ${sheet.size} ${sheet.paper}`,
    rows,
  };
}
