import * as z from 'zod/mini';
import { momentSchema } from '../moment';
import { sheetsFor } from '../practice/paper/materials';
import { posesDrawn } from './drawings';
import { linePagesOf } from './linePages';
import { replayOf } from './replay';
import type { Session } from './session';

/** The sheets a pad had when they were counted. */
export const padSchema = z.object({
  sheets: z.int().check(z.minimum(0), z.maximum(999)),
  countedAtMs: momentSchema,
});
export type Pad = z.infer<typeof padSchema>;

/** Sheets a session took: a page of lines is one, and so are as many drawings of a block as stand on one. */
export function sheetsUsed(session: Session): number {
  const { timeline } = replayOf(session);
  const drawn = new Map<number, number>();
  for (const { segmentIndex } of posesDrawn(session)) {
    const { blockIndex } = timeline.segments[segmentIndex];
    drawn.set(blockIndex, (drawn.get(blockIndex) ?? 0) + 1);
  }
  const sheets = [...drawn].map(([blockIndex, count]) => {
    const block = session.plan.blocks[blockIndex];
    return sheetsFor(count, (block.kind === 'poses' ? block.settings?.perSheet : undefined) ?? 1);
  });
  return sheets.reduce((a, b) => a + b, linePagesOf(session).length);
}

/** What is left of a pad: without what sessions took since it was counted. @param sessions The learner's own. */
export const leftInPad = (pad: Pad, sessions: readonly Session[]): number =>
  Math.max(
    0,
    sessions
      .filter(({ startedAtMs, status }) => status === 'kept' && startedAtMs >= pad.countedAtMs)
      .reduce((left, session) => left - sheetsUsed(session), pad.sheets),
  );
