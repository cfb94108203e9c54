import { visitSpentMs } from '../clock/account';
import { replayOf } from './replay';
import type { Session } from './session';

/** A page of lines that was filled: its motif, and how long it took, milliseconds. */
export interface LinePage {
  motif: string;
  spentMs: number;
}

/** Pages of lines of a session in order, each with its own time; going back to one is time of that page. */
export function linePagesOf(session: Session): LinePage[] {
  const { timeline, visits } = replayOf(session);
  const pages = new Map<number, LinePage>();
  for (const visit of visits) {
    const { kind, blockIndex, poseIndex } = timeline.segments[visit.segmentIndex];
    const block = session.plan.blocks[blockIndex];
    if (kind !== 'page' || block.kind !== 'lines') continue;
    const before = pages.get(visit.segmentIndex)?.spentMs ?? 0;
    pages.set(visit.segmentIndex, {
      motif: block.pages[poseIndex].motif,
      spentMs: before + visitSpentMs(visit),
    });
  }
  return [...pages.values()].filter(({ spentMs }) => spentMs > 0);
}
