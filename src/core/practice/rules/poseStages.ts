import type { Exercise } from '../exercises/exercise';
import { mediumById } from '../paper/materials';
import { mediaOf, poseExercise, poseIn } from './poseExercise';
import type { Plan, PosesBlock } from '../plan/schema';
import { schoolStages, stageLengths } from './stages';
import { isWhole } from './suits';
import type { Segment } from '../time/timeline';

/** Schools whose stages name parts of a figure. */
const FIGURE_SCHOOLS: readonly Exercise['school'][] = ['flowing', 'structural'];
/** Own stages shorter than this are dropped, as those of a school are. */
export const SHORTEST_OWN_MS = 4000;
/** Where the whole figure comes first: what is done until it is in, and after. */
const WHOLE_FIRST = 'the whole figure, roughly';
const THEN = 'mend what is off';

/** A stage of a drawing, and how long it lasts, milliseconds. */
export interface StageLength {
  name: string;
  lengthMs: number;
}

/** Whether a drawing of a block waits for the whole figure to be in before anything is mended. */
export function waitsForWhole(plan: Plan, { kind, blockIndex }: Pick<Segment, 'kind' | 'blockIndex'>): boolean {
  const block = plan.blocks[blockIndex];
  return kind === 'draw' && block?.kind === 'poses' && block.settings?.wholeFirst !== undefined;
}

/**
 * Adds a second medium to the last stages. If a stage changes within `SHORTEST_OWN_MS` of its start, it starts with that stage.
 * @param media Names of the first and the second.
 */
function withSecondMedium(
  stages: readonly StageLength[],
  drawMs: number,
  share: number,
  [first, second]: readonly string[],
): StageLength[] {
  if (stages.length === 0) {
    const lastMs = Math.round(drawMs * share);
    return [
      { name: `with ${first}`, lengthMs: drawMs - lastMs },
      { name: `with ${second}`, lengthMs: lastMs },
    ];
  }
  const wantedMs = drawMs * (1 - share);
  const distance = (ms: number): number => Math.abs(ms - wantedMs);
  const [nearest] = stageAt(stages, 0).startsMs.sort((a, b) => distance(a) - distance(b));
  const fromMs = nearest !== undefined && distance(nearest) < SHORTEST_OWN_MS ? nearest : Math.round(wantedMs);
  let at = 0;
  return stages.flatMap(({ name, lengthMs }) => {
    const before = Math.min(lengthMs, Math.max(0, fromMs - at));
    at += lengthMs;
    return [
      { name, lengthMs: before },
      { name: `${name}, with ${second}`, lengthMs: lengthMs - before },
    ].filter((stage) => stage.lengthMs > 0);
  });
}

/**
 * Returns the stages of a drawing: the whole figure first where the block says so, else the block's own, or those of its exercise's school,
 * with a second medium where the block has one;
 * none for drawing once more.
 * @param wholeInMs After how long the learner said that the whole figure is in; undefined where it was not said.
 */
export function poseStages(
  plan: Plan,
  segment: Pick<Segment, 'kind' | 'blockIndex' | 'poseIndex'>,
  drawMs: number,
  wholeInMs?: number,
): StageLength[] {
  const block = plan.blocks[segment.blockIndex];
  if (segment.kind !== 'draw' || block.kind !== 'poses') return [];
  const stages = ownStages(plan, block, segment, drawMs, wholeInMs);
  const second = block.settings?.second;
  const media = mediaOf(plan, segment).map((id) => mediumById(id).name);
  return second && media.length > 1 ? withSecondMedium(stages, drawMs, second.share, media) : stages;
}

/** Returns the stages of a drawing before a second medium is added. */
function ownStages(
  plan: Plan,
  block: PosesBlock,
  segment: Pick<Segment, 'blockIndex' | 'poseIndex'>,
  drawMs: number,
  wholeInMs: number | undefined,
): StageLength[] {
  const { stages, wholeFirst, toneFromMs } = block.settings ?? {};
  if (wholeFirst !== undefined) {
    const untilMs = Math.min(drawMs, wholeInMs ?? Math.round(drawMs * wholeFirst));
    return [
      { name: WHOLE_FIRST, lengthMs: untilMs },
      { name: THEN, lengthMs: drawMs - untilMs },
    ];
  }
  if (stages) return stageLengths(stages, drawMs, SHORTEST_OWN_MS);
  const school = poseExercise(plan, segment)?.school ?? 'none';
  // A vase has no spine: what is no figure is drawn in the order that suits anything.
  const ofFigures = FIGURE_SCHOOLS.includes(school) && !isWhole(poseIn(plan, segment)?.shows);
  return schoolStages(ofFigures ? 'study' : school, drawMs, toneFromMs);
}

/** The stage that runs after some time, and where each stage after the first begins, milliseconds from the start of the drawing. */
export function stageAt(
  stages: readonly StageLength[],
  elapsedMs: number,
): { now: string | undefined; startsMs: number[] } {
  const startsMs: number[] = [];
  let at = 0;
  let now = stages[0]?.name;
  for (const { name, lengthMs } of stages) {
    if (at > 0 && lengthMs > 0) startsMs.push(at);
    if (elapsedMs >= at && lengthMs > 0) now = name;
    at += lengthMs;
  }
  return { now, startsMs };
}
