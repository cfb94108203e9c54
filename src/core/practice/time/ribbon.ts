import { durationWords } from './duration';
import { exerciseById } from '../exercises';
import type { ExerciseFamily } from '../exercises/exercise';
import type { Block, Plan, PosePlan, PosesBlock } from '../plan/schema';
import { counted } from '../../words';
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
  /** Where it is worked by another exercise than its block, the family of that. */
  family?: RibbonFamily;
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

/** The first two poses of a block whose exercises or hands take turns; undefined where they do not. */
function inTurn({ poses }: PosesBlock): [PosePlan, PosePlan] | undefined {
  const kind = ({ exercise, hand }: PosePlan): string => `${exercise ?? ''} ${hand ?? ''}`;
  const kinds = poses.map(kind);
  const turns = poses.length > 1 && kinds[0] !== kinds[1] && kinds.every((k, i) => k === kinds[i % 2]);
  return turns ? [poses[0], poses[1]] : undefined;
}

/** How long a pose is looked at and drawn, in words. */
const lengthsOfPose = ({ lookMs, drawMs }: PosePlan): string =>
  lookMs > 0 ? `${durationWords(lookMs)} + ${durationWords(drawMs)}` : durationWords(drawMs);

function blockLabel(plan: Plan, block: Block): string {
  switch (block.kind) {
    case 'body':
      return 'Body';
    case 'lines':
      return 'Lines';
    case 'rest':
      return block.purpose === 'look back' ? 'Look back' : 'Rest';
    case 'poses': {
      const name = (id: string): string => exerciseById(id, plan.exercises).name;
      const [first, second] = inTurn(block) ?? [];
      if (!first || !second) return name(block.exercise);
      return first.exercise === second.exercise
        ? `${name(block.exercise)}, hands in turn`
        : `${name(first.exercise ?? block.exercise)} and ${name(second.exercise ?? block.exercise).toLowerCase()} in turn`;
    }
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
      const words = block.poses.map(lengthsOfPose);
      const pairs = block.poses.length / 2;
      if (inTurn(block) && Number.isInteger(pairs) && words.every((w, i) => w === words[i % 2]))
        return `${counted(pairs, 'pair')}: ${words[0]}, ${words[1]}`;
      for (const word of words) groups.set(word, (groups.get(word) ?? 0) + 1);
      return [...groups].map(([words, n]) => (n === 1 ? words : `${n} × ${words}`)).join(', ');
    }
  }
}

/** Which cell of its block a segment belongs to: body moves share one. */
export function cellOf(block: Block, segment: Segment): number {
  return block.kind === 'body' ? 0 : segment.poseIndex;
}

/** A cell of the ribbon that nothing was drawn in yet. */
export function emptyCell(plan: Plan, block: Block, cell: number, startMs: number): RibbonCell {
  const pose = block.kind === 'poses' ? block.poses[cell] : undefined;
  const family = pose?.exercise === undefined ? undefined : exerciseById(pose.exercise, plan.exercises).family;
  return {
    startMs,
    lengthMs: 0,
    lookMs: 0,
    heldMs: 0,
    referenceId: pose?.referenceId ?? null,
    skipped: false,
    extra: false,
    open: false,
    ...(family && { family }),
  };
}

/** A plan as the ribbon shows it. */
export function plannedRibbon(plan: Plan): RibbonBlock[] {
  const { segments } = expandPlan(plan);
  return plan.blocks.map((block, blockIndex) => {
    const cells: RibbonCell[] = [];
    for (const segment of segments.filter((s) => s.blockIndex === blockIndex)) {
      const index = cellOf(block, segment);
      cells[index] ??= emptyCell(plan, block, index, segment.startMs);
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
