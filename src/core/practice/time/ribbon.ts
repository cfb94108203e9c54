import { durationWords } from './duration';
import { exerciseById } from '../exercises';
import type { ExerciseFamily } from '../exercises/exercise';
import type { Block, Plan } from '../plan/schema';
import { expandPlan, type Segment } from './timeline';

/** What a stretch of the ribbon looks like; warm-up and rest are low notches. */
export type RibbonFamily = ExerciseFamily | 'body' | 'rest';

/** One drawing, page, rest or body warm-up on the ribbon. All times in milliseconds. */
export interface RibbonCell {
  startMs: number;
  lengthMs: number;
  /** Of it: looking first, at its beginning after the lead-in. */
  lookMs: number;
  /** Of it: on hold. */
  heldMs: number;
  referenceId: string | null;
  /** Planned but never reached, or left at once. */
  skipped: boolean;
  /** More time on a pose that had been left. */
  extra: boolean;
  /** Of no set length: it counts up, or may run over without a cap. */
  open: boolean;
}
export interface RibbonBlock {
  /** Which block of the plan. */
  blockIndex: number;
  label: string;
  /** "8 × 30 s". */
  measure: string;
  family: RibbonFamily;
  cells: RibbonCell[];
}

function blockLabel(plan: Plan, block: Block): string {
  switch (block.kind) {
    case 'body':
      return 'Body';
    case 'lines':
      return 'Lines';
    case 'rest':
      return block.purpose === 'look back' ? 'Look back' : 'Rest';
    case 'poses':
      return exerciseById(block.exercise, plan.exercises).name;
  }
}

function blockFamily(plan: Plan, block: Block): RibbonFamily {
  return block.kind === 'poses' ? exerciseById(block.exercise, plan.exercises).family : block.kind;
}

function measureOf(block: Block): string {
  switch (block.kind) {
    case 'body':
      return durationWords(block.moves.reduce((sum, m) => sum + m.durationMs, 0));
    case 'lines':
      return block.pages.length === 1 ? '1 page' : `${block.pages.length} pages`;
    case 'rest':
      return durationWords(block.durationMs);
    case 'poses': {
      const groups = new Map<string, number>();
      for (const { lookMs, drawMs } of block.poses) {
        const words = lookMs > 0 ? `${durationWords(lookMs)} + ${durationWords(drawMs)}` : durationWords(drawMs);
        groups.set(words, (groups.get(words) ?? 0) + 1);
      }
      return [...groups].map(([words, n]) => (n === 1 ? words : `${n} × ${words}`)).join(', ');
    }
  }
}

/** Which cell of its block a segment belongs to: body moves share one. */
export function cellOf(block: Block, segment: Segment): number {
  return block.kind === 'body' ? 0 : segment.poseIndex;
}

/** A cell of the ribbon that nothing was drawn in yet. */
export function emptyCell(block: Block, cell: number, startMs: number): RibbonCell {
  const referenceId = block.kind === 'poses' ? block.poses[cell].referenceId : null;
  return { startMs, lengthMs: 0, lookMs: 0, heldMs: 0, referenceId, skipped: false, extra: false, open: false };
}

/** A plan as the ribbon shows it. */
export function plannedRibbon(plan: Plan): RibbonBlock[] {
  const { segments } = expandPlan(plan);
  return plan.blocks.map((block, blockIndex) => {
    const cells: RibbonCell[] = [];
    for (const segment of segments.filter((s) => s.blockIndex === blockIndex)) {
      const index = cellOf(block, segment);
      cells[index] ??= emptyCell(block, index, segment.startMs);
      cells[index].lengthMs += segment.endMs - segment.startMs;
      if (segment.open && segment.kind !== 'leadIn') cells[index].open = true;
      if (segment.kind === 'look') cells[index].lookMs += segment.endMs - segment.startMs;
    }
    return {
      blockIndex,
      label: blockLabel(plan, block),
      measure: measureOf(block),
      family: blockFamily(plan, block),
      cells,
    };
  });
}
