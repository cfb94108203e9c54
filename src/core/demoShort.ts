import { setHours, startOfDay, subDays } from 'date-fns';
import { clamp } from './clamp';
import type { Course } from './growing/courseRecord';
import { localDay } from './moment';
import type { RunEvent } from './clock/log';
import { runStateAt } from './clock/run';
import { nextStepMs } from './practice/time/staircase';
import type { WholeAnswer } from './growing/workingTime';
import { MOODS } from './journal/reflection';
import type { Session } from './journal/session';
import { ONE_POSE } from './practice/exercises';
import type { Plan } from './practice/plan/schema';
import { durationWords } from './practice/time/duration';
import { seededRandom } from './random';
import type { ReferenceFacts } from './references/coverage';

/** Days ago of the demo learner's short mornings between her evenings; two weeks away stay empty. */
const MORNINGS = [
  81, 78, 76, 73, 71, 70, 67, 65, 63, 60, 58, 56, 34, 32, 30, 27, 25, 24, 21, 20, 17, 15, 13, 12, 9, 7, 4, 3,
];
/** The mornings of a course of ten days that she has left half done, and those on which she tried a lesson. */
const COURSE_MORNINGS = [25, 24, 21, 20, 17, 15];
const LESSON_MORNINGS = [13, 12, 9, 7];
/** Mornings that begin with a pose in twenty marks and no more, which she counts. */
const MARK_MORNINGS = [81, 76, 70, 63, 56, 32, 27, 21, 13, 7, 3];
const MARKS_POSE_MS = 60_000;
const DEMO_COURSE = 'demo-course';
const POSES = 6;
const LEAD_IN_MS = 3000;
const CHANGE_MS = 4000;
/** What she draws with: a change of medium every few weeks. */
const mediumAt = (daysAgo: number): string =>
  daysAgo > 55 ? 'pencil' : daysAgo > 18 ? 'ballpoint' : 'charcoal pencil';
/** Her working time: two minutes at first, 45 seconds at last. */
export const demoWorkingMs = (daysAgo: number): number => 1000 * 45 * (120 / 45) ** clamp((daysAgo - 3) / 78, 0, 1);

/** The marks she takes where twenty are allowed: nine too many at first, one at last. */
const demoMarks = (daysAgo: number): number => 21 + Math.round((8 * clamp(daysAgo - 3, 0, 78)) / 78);

/** @param counted It begins with a pose whose marks are counted. */
function planOf(references: readonly string[], drawMs: number, medium: string, seed: number, counted: boolean): Plan {
  const marksMs = counted ? LEAD_IN_MS + MARKS_POSE_MS + CHANGE_MS : 0;
  return {
    version: 2,
    title: `${String(POSES)} short poses of ${durationWords(drawMs)}`,
    why: 'A few minutes before breakfast.',
    seed,
    availableMs: marksMs + POSES * (LEAD_IN_MS + drawMs + CHANGE_MS),
    blocks: [
      ...(counted
        ? [
            {
              kind: 'poses' as const,
              exercise: 'mark-allowance',
              changeMs: CHANGE_MS,
              settings: { medium },
              poses: [
                {
                  referenceId: references[0],
                  leadInMs: LEAD_IN_MS,
                  lookMs: 0,
                  drawMs: MARKS_POSE_MS,
                  lookAgainMs: 0,
                },
              ],
            },
          ]
        : []),
      {
        kind: 'poses',
        exercise: ONE_POSE,
        changeMs: CHANGE_MS,
        settings: { medium },
        poses: references.map((referenceId) => ({
          referenceId,
          leadInMs: LEAD_IN_MS,
          lookMs: 0,
          drawMs,
          lookAgainMs: 0,
        })),
      },
    ],
  };
}

/**
 * Short sessions of gestures in which the demo learner says of each pose whether the whole figure is down, and takes the length that is
 * offered. The same references and seed give the same sessions; only their dates follow from `nowMs`.
 * @param references What she draws from, in turn.
 * @param first Number of the first of them.
 */
export function demoMornings(
  references: readonly ReferenceFacts[],
  nowMs: number,
  seed: number,
  first: number,
): Session[] {
  const random = seededRandom(seed * 31 + 5);
  const answers: Pick<WholeAnswer, 'lengthMs' | 'down'>[] = [];
  return MORNINGS.map((daysAgo, i) => {
    const drawMs = nextStepMs(answers) ?? 120_000;
    const drawn = Array.from({ length: POSES }, () => references[Math.floor(random() * references.length)].id);
    const counted = MARK_MORNINGS.includes(daysAgo);
    const plan = planOf(drawn, drawMs, mediumAt(daysAgo), seed * 1000 + i, counted);
    const log: RunEvent[] = [{ type: 'start', atMs: 0 }];
    const fromMs = counted ? LEAD_IN_MS + MARKS_POSE_MS + CHANGE_MS : 0;
    if (counted) log.push({ type: 'marks', atMs: fromMs - CHANGE_MS / 2, count: demoMarks(daysAgo) });
    // Nothing is asked after the last: the session is over with it.
    for (let pose = 1; pose < POSES; pose++) {
      const octaves = Math.log2(drawMs / demoWorkingMs(daysAgo));
      const down = random() < 1 / (1 + Math.exp(-(3 * octaves + 0.88)));
      log.push({ type: 'whole', atMs: fromMs + pose * (LEAD_IN_MS + drawMs + CHANGE_MS) - CHANGE_MS / 2, down });
      answers.push({ lengthMs: drawMs, down });
    }
    const { visits } = runStateAt(plan, log, Number.MAX_SAFE_INTEGER);
    const day = COURSE_MORNINGS.indexOf(daysAgo) + 1;
    const cause = {
      ...(day > 0 && { course: { id: DEMO_COURSE, day } }),
      ...(LESSON_MORNINGS.includes(daysAgo) && { lesson: 'lead with the hips' }),
    };
    return {
      id: `demo-${String(first + i)}`,
      plan: { ...plan, ...(Object.keys(cause).length > 0 && { cause }) },
      log,
      startedAtMs: setHours(startOfDay(subDays(nowMs, daysAgo)), 7).getTime() + Math.floor(random() * 50) * 60_000,
      lastSeenMs: visits[visits.length - 1].endMs,
      status: 'kept' as const,
      note: '',
      usualHand: 'right' as const,
      ...(i % 3 === 0 && { reflection: { mood: MOODS[1 + ((i * 7) % (MOODS.length - 1))] } }),
    };
  });
}

/** The course she is in the middle of. */
export const demoCourse = (nowMs: number): Course => ({
  id: DEMO_COURSE,
  aim: 'speed',
  days: 10,
  minutes: 10,
  startedDay: localDay(subDays(nowMs, COURSE_MORNINGS[0]).getTime()),
  moves: true,
});
