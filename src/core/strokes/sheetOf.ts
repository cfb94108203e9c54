import { visitSpentMs } from '../clock/account';
import type { RunState } from '../clock/run';
import type { Visit } from '../clock/visit';
import type { Plan } from '../practice/plan/schema';
import { SHEET_SIZES, USUAL_SHEET } from '../practice/paper/sheet';
import { drawingKey } from '../practice/rules/holds';
import { turnsSheet } from '../practice/rules/turnsSheet';
import type { Segment } from '../practice/time/timeline';
import type { InkStroke } from './inkStroke';

/** Whether a sheet is drawn on in a segment. */
export const isOnSheet = ({ kind }: Pick<Segment, 'kind'>): boolean =>
  kind === 'draw' || kind === 'drawAgain' || kind === 'page';

/** Whether a new sheet follows what is drawn in a segment; drawn once more from memory, it is on one of its own. */
const endsSheet = (plan: Plan, segments: readonly Segment[], index: number): boolean => {
  const segment = segments[index];
  const next = segments.slice(index + 1).find(isOnSheet);
  return segment.kind !== 'draw' || next?.kind === 'drawAgain' || turnsSheet(plan, segment);
};

/**
 * Which sheet of its session a segment is drawn on, from 0; between two, the one that was drawn on last.
 * @param index Of the segment.
 */
export function sheetNumber(plan: Plan, segments: readonly Segment[], index: number): number {
  let sheet = 0;
  let turned = false;
  for (let i = 0; i <= index && i < segments.length; i++) {
    if (!isOnSheet(segments[i])) continue;
    if (turned) sheet++;
    turned = endsSheet(plan, segments, i);
  }
  return sheet;
}

/** Where strokes made at a moment of a run belong. */
export interface SheetPlace {
  sheet: number;
  drawing: string;
  attempt: number;
  /** Drawing time spent on it before this moment, milliseconds. */
  atMs: number;
}

const BEGUN_ANEW: readonly Visit['extra'][] = ['again', 'one more'];

/** Where strokes made now belong; undefined while nothing is drawn. */
export function sheetPlace(plan: Plan, segments: readonly Segment[], state: RunState): SheetPlace | undefined {
  const visit = state.visits.at(-1);
  const segment = visit && segments[visit.segmentIndex];
  if (!segment || state.phase === 'done' || !isOnSheet(segment)) return undefined;
  const drawing = drawingKey(plan, segment);
  const stays = state.visits.filter(({ segmentIndex }) => {
    const other = segments[segmentIndex];
    return isOnSheet(other) && drawingKey(plan, other) === drawing;
  });
  const begun = Math.max(
    0,
    stays.findLastIndex(({ extra }) => BEGUN_ANEW.includes(extra)),
  );
  return {
    sheet: sheetNumber(plan, segments, visit.segmentIndex),
    drawing,
    attempt: stays.filter(({ extra }) => BEGUN_ANEW.includes(extra)).length,
    // What is spent in the stay at hand is told by the state, whose visit ends "now".
    atMs: Math.round(stays.slice(begun).reduce((sum, stay) => sum + visitSpentMs(stay), 0)),
  };
}

/**
 * What is seen of a sheet: of each of its drawings what was made since it was last started over.
 * @param strokes Of the session.
 * @param at A drawing that is started over just now, and nothing of which may be there yet.
 */
export function strokesOnSheet(
  strokes: readonly InkStroke[],
  sheet: number,
  at?: Pick<SheetPlace, 'drawing' | 'attempt'>,
): InkStroke[] {
  const there = strokes.filter((s) => s.sheet === sheet && !s.undone);
  const last = new Map<string, number>();
  for (const { drawing, attempt } of there) last.set(drawing, Math.max(attempt, last.get(drawing) ?? 0));
  if (at) last.set(at.drawing, at.attempt);
  return there.filter(({ drawing, attempt }) => attempt === last.get(drawing));
}

/** The paper that a plan is drawn on, as a sheet lies before the learner, millimeters. @param lying On its side. */
export function sheetSizeMm({ sheet }: Pick<Plan, 'sheet'>, lying = false): { widthMm: number; heightMm: number } {
  const [long, short] = SHEET_SIZES[(sheet ?? USUAL_SHEET).size];
  return lying ? { widthMm: long, heightMm: short } : { widthMm: short, heightMm: long };
}

/** Whether the sheet of some strokes lies on its side. */
export const isLying = (strokes: readonly Pick<InkStroke, 'lying'>[]): boolean => strokes[0]?.lying === true;
