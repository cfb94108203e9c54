import { type FacingCount, facingHabit, type ReferenceFacts } from '../references/coverage';
import { pick } from '../references/pick';
import { seededRandom } from '../random';
import { BODY_MOVES, EXERCISES, type ExerciseId, LINE_MOTIFS } from './exercises';
import { type FitItem, fitCounts } from './fit';
import type { Block, Plan, PosePlan } from './schema';
import { durationWords } from './duration';

export interface ProposalInput {
  availableMs: number;
  /** What there is to draw from. */
  references: readonly ReferenceFacts[];
  /** What the learner did before. */
  history: {
    /** Undefined before the first session. */
    daysSinceLast?: number | undefined;
    facings: FacingCount;
    timesDrawn: ReadonlyMap<string, number>;
  };
  seed: number;
  /** References chosen already, in order. */
  picked?: readonly { id: string; odd: boolean }[] | undefined;
}

const SECOND = 1000;
const MINUTE = 60 * SECOND;
const LEAD_IN_MS = 3 * SECOND;
const CHANGE_MS = 4 * SECOND;
/** A longer rest is due after about this much time at the sheet. */
const SET_MS = 24 * MINUTE;

interface Kind {
  exercise: ExerciseId;
  lookMs: number;
  drawMs: number;
  lookAgainMs: number;
  share: number;
  max: number;
}
const gesture = (seconds: number, share: number, max = 24): Kind => ({
  exercise: 'flowing-gesture',
  lookMs: 0,
  drawMs: seconds * SECOND,
  lookAgainMs: 0,
  share,
  max,
});
const blind = (seconds: number, share: number, max = 2): Kind => ({
  ...gesture(seconds, share, max),
  exercise: 'blind-contour',
});
const memory = (look: number, draw: number, again: number, share: number, max = 4): Kind => ({
  exercise: 'look-then-draw',
  lookMs: look * SECOND,
  drawMs: draw * SECOND,
  lookAgainMs: again * SECOND,
  share,
  max,
});

/** What a set is made of: under ten minutes one or two exercises, not a miniature of everything; later sets hold longer poses. */
function kindsFor(setMs: number, setIndex: number, slowFirst: boolean): Kind[] {
  if (setMs < 3 * MINUTE) return [gesture(20, 0.5), gesture(30, 0.3), gesture(45, 0.2)];
  if (setMs < 10 * MINUTE)
    return [gesture(30, 0.45), gesture(60, 0.25), slowFirst ? blind(60, 0.3) : memory(15, 60, 10, 0.3)];
  const quick = [
    [gesture(30, 0.28), gesture(60, 0.27)],
    [gesture(60, 0.25), gesture(120, 0.3)],
    [gesture(120, 0.3), gesture(180, 0.25)],
  ][Math.min(setIndex, 2)];
  const slowSeconds = setMs < 18 * MINUTE ? 120 : 300;
  return [...quick, blind(slowSeconds, 0.2, 1), memory(30, setIndex === 0 ? 120 : 180, 15, 0.25)];
}

const kindMs = (k: Kind): number => LEAD_IN_MS + k.lookMs + k.drawMs + k.lookAgainMs;

function fillSet(kinds: readonly Kind[], setMs: number): { kind: Kind; count: number }[] {
  const items: FitItem[] = kinds.map((k) => ({ costMs: kindMs(k), min: 0, max: k.max, share: k.share }));
  const counts = fitCounts(items, setMs, CHANGE_MS) ?? kinds.map(() => 0);
  return kinds.map((kind, i) => ({ kind, count: counts[i] })).filter(({ count }) => count > 0);
}

function bodyBlock(availableMs: number): Block {
  const moveMs = availableMs < 20 * MINUTE ? 5 * SECOND : availableMs < 60 * MINUTE ? 8 * SECOND : 15 * SECOND;
  return { kind: 'body', moves: BODY_MOVES.map((move) => ({ ...move, durationMs: moveMs })) };
}

function linesBlock(pages: number): Block {
  return { kind: 'lines', pages: LINE_MOTIFS.slice(0, pages).map((motif) => ({ motif, nominalMs: 40 * SECOND })) };
}

function warmUp(availableMs: number, rusty: boolean): Block[] {
  const minutes = availableMs / MINUTE;
  const pages =
    minutes >= 90 ? 5 : minutes >= 40 ? 3 : minutes >= 20 ? 2 : minutes >= 12 || (rusty && minutes >= 5) ? 1 : 0;
  return [...(minutes >= 10 ? [bodyBlock(availableMs)] : []), ...(pages > 0 ? [linesBlock(pages)] : [])];
}

const blockMs = (block: Block): number =>
  block.kind === 'body'
    ? block.moves.reduce((sum, m) => sum + m.durationMs, 0)
    : block.kind === 'lines'
      ? block.pages.reduce((sum, p) => sum + p.nominalMs, 0)
      : 0;

/** Sets to blocks: poses of one exercise stand together, short to long. */
function posesBlocks(set: readonly { kind: Kind; count: number }[]): Block[] {
  const byExercise = new Map<ExerciseId, PosePlan[]>();
  for (const { kind, count } of set) {
    const { exercise, lookMs, drawMs, lookAgainMs } = kind;
    const pose: PosePlan = { referenceId: null, leadInMs: LEAD_IN_MS, lookMs, drawMs, lookAgainMs };
    byExercise.set(exercise, [
      ...(byExercise.get(exercise) ?? []),
      ...Array.from({ length: count }, () => ({ ...pose })),
    ]);
  }
  return [...byExercise].map(([exercise, poses]) => ({ kind: 'poses', exercise, changeMs: CHANGE_MS, poses }));
}

/**
 * A session for the time there is: warm-up, sets of drawings with rests between, filled as far as whole poses go and never beyond;
 * rests take up the seconds left over.
 */
export function proposePlan({ availableMs, references, history, seed, picked }: ProposalInput): Plan {
  const random = seededRandom(seed);
  const rusty = (history.daysSinceLast ?? 0) >= 7;
  const eased = (history.daysSinceLast ?? Infinity) >= 2;
  const head = warmUp(availableMs, rusty);
  const forSets = availableMs - head.reduce((sum, block) => sum + blockMs(block), 0);
  const restMs = availableMs > 60 * MINUTE ? 5 * MINUTE : 2 * MINUTE;
  const setCount = Math.max(1, Math.ceil((forSets + restMs) / (SET_MS + restMs)));
  const setMs = Math.floor((forSets - (setCount - 1) * restMs) / setCount / SECOND) * SECOND;
  const slowFirst = random() < 0.5;
  const sets = Array.from({ length: setCount }, (_, i) => fillSet(kindsFor(setMs, i, slowFirst), setMs));
  const setBlocks = sets.map(posesBlocks);
  const used = setBlocks.flat().length > 0 ? sets.map(setLengthMs).reduce((a, b) => a + b, 0) : 0;
  const spare = forSets - used - (setCount - 1) * restMs;
  const stretch = setCount > 1 ? Math.floor(spare / (setCount - 1) / SECOND) * SECOND : 0;
  const blocks = [
    ...head,
    ...setBlocks.flatMap((set, i): Block[] =>
      i === 0 ? set : [{ kind: 'rest', durationMs: restMs + stretch }, ...set],
    ),
  ];
  const habit = facingHabit(history.facings);
  const favorFacing = habit && (habit === 'right' ? 'left' : 'right');
  const poses = blocks.flatMap((block) => (block.kind === 'poses' ? block.poses : []));
  const picks =
    picked ??
    pick({
      pool: references,
      count: poses.length,
      order: 'gentle to hard',
      seed,
      timesDrawn: history.timesDrawn,
      level: habit && history.facings,
      gentleStart: eased,
    });
  poses.forEach((pose, i) => {
    const reference = picks.length > 0 ? picks[i % picks.length] : undefined;
    pose.referenceId = reference?.id ?? null;
    if (reference?.odd) pose.odd = true;
  });
  return {
    version: 1,
    title: `${durationWords(availableMs)} of practice`,
    why: reason({ blocks, rusty, eased, history, habit, favorFacing }),
    seed,
    availableMs,
    blocks,
  };
}

function setLengthMs(set: readonly { kind: Kind; count: number }[]): number {
  const count = set.reduce((sum, s) => sum + s.count, 0);
  return set.reduce((sum, s) => sum + s.count * kindMs(s.kind), 0) + Math.max(0, count - 1) * CHANGE_MS;
}

interface Reason {
  blocks: readonly Block[];
  rusty: boolean;
  eased: boolean;
  history: ProposalInput['history'];
  habit: 'left' | 'right' | undefined;
  favorFacing: 'left' | 'right' | undefined;
}
function reason({ blocks, rusty, eased, history, habit, favorFacing }: Reason): string {
  const names = [
    ...new Set(blocks.flatMap((b) => (b.kind === 'poses' ? [EXERCISES[b.exercise].name.toLowerCase()] : []))),
  ];
  const days = Math.floor(history.daysSinceLast ?? 0);
  const clauses: string[] = [];
  if (history.daysSinceLast === undefined) clauses.push('a gentle first session, short poses before long ones');
  else if (rusty)
    clauses.push(
      `gentle poses first${blocks.some((b) => b.kind === 'lines') ? ', after a page of lines' : ''}, because you have been away ${days} days`,
    );
  else if (eased) clauses.push(`a gentle pose first, because your last session was ${days} days ago`);
  if (habit && favorFacing) {
    const { left, right } = history.facings;
    clauses.push(
      `mostly ${favorFacing}-facing figures, because ${Math.max(left, right)} of your last ${left + right} faced ${habit}`,
    );
  }
  if (clauses.length === 0) clauses.push(`short to long, and what you have drawn least: ${names.join(', ')}`);
  const sentence = clauses.join('; ');
  return `${sentence[0].toUpperCase()}${sentence.slice(1)}.`;
}
