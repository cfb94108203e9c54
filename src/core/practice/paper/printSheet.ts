import { LONGEST_REFERENCE_ID } from '../../figure/catalogue/referenceId';
import * as z from 'zod/mini';
import { minuteOfDay } from '../time/clockTime';
import { clockDigits, durationWords } from '../time/duration';
import { plannedRibbon } from '../time/ribbon';
import { envelopeOf } from '../../figure/catalogue/envelopes';
import { type FrameSheet, frameSheet, standsUpright } from './frameSheet';
import { type Block, planSchema } from '../plan/schema';
import { type Sheet, sheetSchema } from './sheet';
import { sumPlan } from '../time/sums';
import { expandPlan, segmentMs } from '../time/timeline';

/** What the route that prints a session sheet is given. */
export const printRequestSchema = z.object({
  plan: planSchema,
  startsAtMinute: z.nullable(z.int().check(z.minimum(0), z.maximum(1439))),
  sheet: sheetSchema,
  /** The code to be written on the first sheet; each further one is one more. */
  code: z.optional(z.string().check(z.regex(/^\d{4}-\d{1,6}-1$/))),
  /** Figures in pictures of the learner's, which are known only where the plan was made, by reference. */
  shapes: z._default(
    z.record(z.string().check(z.maxLength(LONGEST_REFERENCE_ID)), z.object({ width: z.number(), height: z.number() })),
    {},
  ),
});
export type PrintRequest = z.infer<typeof printRequestSchema>;

export interface PrintRow {
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
  /** What to write on the corner of each sheet; empty where that is not known. */
  code: string;
  rows: PrintRow[];
  /** Sheets of small plans, to be drawn on. */
  frameSheets: FrameSheet[];
}

/** The sheets of small plans of a block, each plan turned as the first figure of its sheet is. */
function framesOf(block: Block, sheet: Sheet, shapes: PrintRequest['shapes']): FrameSheet[] {
  if (block.kind !== 'poses' || !block.settings?.framesFor) return [];
  const { perSheet = sheet.perSheet, framesFor } = block.settings;
  const { poses } = block;
  return Array.from({ length: Math.ceil(poses.length / perSheet) }, (_, i) => {
    const reference = poses[i * perSheet].referenceId ?? '';
    const figure = envelopeOf(reference) ?? shapes[reference];
    return frameSheet(Math.min(perSheet, poses.length - i * perSheet), sheet, framesFor, standsUpright(figure));
  });
}

/** A plan as rows with boxes for the times as they were. */
export function printSheet({ plan, startsAtMinute, sheet, shapes, code }: PrintRequest): PrintSheet {
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
    code: code ? `On the corner of each sheet: ${code}, then ${code.replace(/1$/, '2')} and so on` : '',
    rows,
    frameSheets: plan.blocks.flatMap((block) => framesOf(block, sheet, shapes)),
  };
}
