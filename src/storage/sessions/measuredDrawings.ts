import type { MeasuredDrawing } from '@/core/growing/biases';
import type { Session } from '@/core/journal/session';
import { allKeptDrawings } from './keptDrawings';

/** The drawings of some sessions that were measured, dated by when they were drawn. */
export async function measuredDrawings(
  sessions: readonly Session[],
): Promise<(MeasuredDrawing & { sessionId: string })[]> {
  const begun = new Map(sessions.map(({ id, startedAtMs }) => [id, startedAtMs]));
  return (await allKeptDrawings()).flatMap(({ sessionId, measured }) => {
    const atMs = begun.get(sessionId);
    return measured && atMs !== undefined ? [{ sessionId, atMs, measured }] : [];
  });
}
