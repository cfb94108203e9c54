import { cellOf, emptyCell, plannedRibbon, type RibbonBlock } from '../practice/time/ribbon';
import type { Plan } from '../practice/plan/schema';
import { expandPlan } from '../practice/time/timeline';
import { MIN_DRAWING_MS, visitSpentMs } from './account';
import type { RunEvent } from './log';
import { firstOfPose } from './poseSegments';
import { stateOnTimeline } from './run';

/** A session as it went: one cell for each stay at a drawing, in the order it happened; what was never reached is left out. */
export function actualRibbon(plan: Plan, log: readonly RunEvent[], nowMs: number): RibbonBlock[] {
  const timeline = expandPlan(plan);
  const { visits } = stateOnTimeline(timeline, log, nowMs);
  const planned = plannedRibbon(plan);
  const blocks: RibbonBlock[] = [];
  let key = '';
  let drawnMs = 0;
  let hasDraw = false;
  const closeCell = (): void => {
    const cell = blocks.at(-1)?.cells.at(-1);
    if (cell && hasDraw) cell.skipped = drawnMs < MIN_DRAWING_MS;
    drawnMs = 0;
    hasDraw = false;
  };
  let blockIndex = -1;
  for (const visit of visits) {
    const segment = timeline.segments[visit.segmentIndex];
    const block = plan.blocks[segment.blockIndex];
    const index = cellOf(block, segment);
    if (segment.blockIndex !== blockIndex) {
      closeCell();
      blockIndex = segment.blockIndex;
      blocks.push({ ...planned[blockIndex], cells: [] });
      key = '';
    }
    const cells = blocks[blocks.length - 1].cells;
    const nextKey = visit.extra ? `${index}:extra:${visit.startMs}` : `${index}`;
    // What follows an extra stay still belongs to it: its change, and the other parts of a copy.
    const follows =
      segment.kind === 'change' ||
      (visit.extra === 'one more' && firstOfPose(timeline.segments, visit.segmentIndex) !== visit.segmentIndex);
    if (key !== nextKey && !(key.startsWith(`${index}:`) && follows)) {
      closeCell();
      key = nextKey;
      cells.push({ ...emptyCell(plan, block, index, visit.startMs), extra: visit.extra !== undefined });
    }
    const cell = cells[cells.length - 1];
    cell.lengthMs += visit.endMs - visit.startMs;
    cell.heldMs += visit.heldMs;
    if (segment.kind === 'look') cell.lookMs += visitSpentMs(visit);
    if (segment.kind === 'draw') {
      hasDraw = true;
      drawnMs += visitSpentMs(visit);
    }
  }
  closeCell();
  return blocks;
}
