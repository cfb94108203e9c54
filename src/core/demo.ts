import { setHours, setMinutes, startOfDay, subDays } from 'date-fns';
import { demoMornings } from './demoShort';
import type { RunEvent } from './clock/log';
import { runStateAt } from './clock/run';
import { MOODS, type Reflection } from './journal/reflection';
import type { Session } from './journal/session';
import { exerciseById, ONE_POSE } from './practice/exercises';
import { countsPeeks, type Exercise } from './practice/exercises/exercise';
import { proposePlan } from './practice/start/propose';
import { expandPlan } from './practice/time/timeline';
import { seededRandom } from './random';
import type { ReferenceFacts } from './references/coverage';

/** Days ago, minutes and what was noted: twelve weeks with two weeks away in the middle; between them are short mornings. */
const EVENINGS: readonly [daysAgo: number, minutes: number, note: string][] = [
  [82, 20, 'Stiff. The stilt-walkers look like ladders.'],
  [79, 10, ''],
  [75, 25, 'First page of lines made the rest easier.'],
  [68, 20, 'Heads too big again.'],
  [61, 5, 'Only five minutes, but five minutes.'],
  [54, 30, 'Slow contour of the drummer: the far knee is behind more than I thought.'],
  [35, 10, 'Two weeks away. Rusty and it does not matter.'],
  [28, 20, 'Weight in the left leg, finally.'],
  [19, 25, ''],
  [11, 40, 'Looked longer, drew less. Better.'],
  [5, 20, 'Bell-ringers lean further than I dare to draw.'],
  [2, 15, 'The bread-carriers are getting rounder.'],
];

/** Looks at the sheet in a minute of blind drawing, and lifts in a minute of an unbroken line: four at first, hardly one at last. */
const slipsPerMinute = (evening: number): number => 4 * (1 - evening / EVENINGS.length);

/** What she slips in while one pose is drawn, evenly over its first half; nothing where its rule asks for neither. */
function slips(exercise: Exercise, startMs: number, lengthMs: number, evening: number): RunEvent[] {
  const type = countsPeeks(exercise) ? 'peek' : exercise.rule.lifts === 'none' ? 'lift' : undefined;
  const times = Math.round((slipsPerMinute(evening) * lengthMs) / 60_000);
  return Array.from({ length: type ? times : 0 }, (_, k): RunEvent => {
    const atMs = Math.round(startMs + (lengthMs * (k + 1)) / (2 * times + 2));
    return type === 'peek' ? { type: 'peek', atMs, forMs: 700 } : { type: 'lift', atMs };
  });
}

/** Replay an evening: some poses ended early, one gone back to, a pause now and then; a page of lines takes what it takes. */
function liveThrough(plan: Session['plan'], random: () => number, evening: number): RunEvent[] {
  const timeline = expandPlan(plan);
  const log: RunEvent[] = [{ type: 'start', atMs: 0 }];
  let atMs = 0;
  for (let guard = 0; guard < 2000; guard++) {
    const state = runStateAt(plan, log, atMs);
    if (state.phase === 'done') break;
    const segment = timeline.segments[state.segmentIndex];
    const visit = state.visits[state.visits.length - 1];
    const startMs = visit.startMs + visit.heldMs;
    const at = (share: number): number => Math.round(startMs + visit.lengthMs * share);
    const roll = random();
    const block = plan.blocks[segment.blockIndex];
    if (segment.kind === 'draw' && block.kind === 'poses' && !segment.open && roll <= 0.95)
      log.push(...slips(exerciseById(block.exercise), startMs, visit.lengthMs, evening));
    if (segment.open) log.push({ type: 'next', atMs: at(0.7 + 0.8 * random()) });
    else if (segment.kind === 'draw' && roll < 0.05) log.push({ type: 'next', atMs: at(0.6) });
    else if (segment.kind === 'change' && roll < 0.04) log.push({ type: 'back', atMs: at(0.5) });
    else if (segment.kind === 'draw' && roll > 0.95) {
      const heldFrom = at(0.4);
      log.push({ type: 'hold', atMs: heldFrom, reason: 'paused' });
      log.push({ type: 'resume', atMs: heldFrom + 8000 + Math.round(30_000 * random()), counted: false });
    }
    atMs = Math.max(atMs, log[log.length - 1].atMs);
    atMs = Math.max(atMs, runStateAt(plan, log, atMs).deadlineMs ?? 0);
  }
  return log;
}

/**
 * The past sessions of the demo learner, who draws right-facing figures far too often. The same seed gives the same sessions; only
 * their dates follow from `nowMs`.
 */
export function demoSessions(references: readonly ReferenceFacts[], nowMs: number, seed = 7): Session[] {
  const random = seededRandom(seed);
  const rightward = references.filter((r) => r.facing !== 'left');
  const leftward = references.filter((r) => r.facing === 'left').slice(0, 3);
  const evenings = EVENINGS.map(([daysAgo, minutes, note], i): Session => {
    const start = setMinutes(setHours(startOfDay(subDays(nowMs, daysAgo)), 19), Math.floor(random() * 50));
    const plan = proposePlan({
      availableMs: minutes * 60_000,
      references: [...rightward, ...leftward],
      history: {
        daysSinceLast: i === 0 ? undefined : EVENINGS[i - 1][0] - daysAgo,
        facings: { left: 0, right: 0 },
        timesDrawn: new Map(),
      },
      seed: seed * 100 + i,
    });
    const log = liveThrough(plan, random, i);
    const end = runStateAt(plan, log, Number.MAX_SAFE_INTEGER);
    const said = saidAfter(i);
    return {
      id: `demo-${i + 1}`,
      plan: { ...plan, ...(i === REMEDY_TAKEN && { cause: { remedy: 'heads' } }) },
      log,
      startedAtMs: start.getTime(),
      lastSeenMs: end.visits[end.visits.length - 1].endMs,
      status: 'kept',
      note,
      usualHand: 'right',
      ...(said && { reflection: said }),
    };
  });
  drawAgain(evenings[FIRST_DRAWN], evenings[DRAWN_AGAIN]);
  return [...evenings, ...demoMornings(rightward, nowMs, seed, EVENINGS.length + 1)];
}

/** Evenings: of the pictures that come back, on which they do, and on which she took up a remedy. */
const FIRST_DRAWN = 0;
const DRAWN_AGAIN = 10;
const REMEDY_TAKEN = 8;
const TWO = 2;

/** The first two gestures of one evening are drawn again on another. */
function drawAgain({ plan: first }: Session, { plan: again }: Session): void {
  const gestures = ({ blocks }: Session['plan']) =>
    blocks.flatMap((b) => (b.kind === 'poses' && b.exercise === ONE_POSE ? b.poses : []));
  const before = gestures(first);
  for (const [i, pose] of gestures(again).slice(0, TWO).entries()) pose.referenceId = before[i].referenceId;
}

/** Every other evening something is said: the hips are what goes missing, less and less. */
function saidAfter(i: number): Reflection | undefined {
  if (i % 2 === 0) return undefined;
  const { lookAt } = exerciseById(ONE_POSE);
  const missing = lookAt.filter((_, k) => (k === 3 && i < 9) || (k === 4 && i % 4 === 1));
  return {
    line: i < 4 ? 'tight' : 'loose',
    mood: MOODS[i % MOODS.length],
    answers: [{ exerciseId: ONE_POSE, looked: lookAt, missing }],
    ...(i === EVENINGS.length - 1 && { nextTime: 'Both bars before any limb.' }),
  };
}
