import { followAnswers } from '../followAnswers';
import { wholeAnswers } from '../workingTime';
import { weekday } from '../../dateWords';
import { noonOfDay } from '../../moment';
import { layOutRecipe } from '../../practice/plan/layOut';
import type { Plan } from '../../practice/plan/schema';
import { chooseReferences, type ReferencePools } from '../../practice/start/chooseReferences';
import { proposePlan, type ProposalInput } from '../../practice/start/propose';
import type { ReferenceFacts } from '../../references/coverage';
import { AIMS } from '../../practice/start/aims';
import type { Session } from '../../journal/session';
import type { Exercise } from '../../practice/exercises/exercise';
import { courseState, courseWishes, hardestOn } from '../course';
import type { Course } from '../courseRecord';
import type { Piece } from '../pieces';
import type { Scheduled } from '../scheduled';
import { dayOf } from './dayOf';
import type { Known } from './known';
import type { Due } from './offers';

export interface TodayInput extends Pick<ProposalInput, 'availableMs' | 'references' | 'history' | 'seed' | 'medium'> {
  known: Known;
  /** Parts of the body to draw; none where what is drawn from is chosen by the learner. */
  parts: readonly ReferenceFacts[];
  /** The first pose comes at once. */
  withoutWarmUp?: boolean | undefined;
  /** Kept plans that are due, and the course that is being taken: they come first. */
  scheduled: readonly Scheduled[];
  course?: Course | undefined;
  sessions: readonly Session[];
  pieces: readonly Piece[];
  /** What every block of a kept plan may be drawn from. */
  pools: ReferencePools;
  /** How often another mix was asked for. */
  mix: number;
  /** What the months say is wanted; else it is a bit of everything. */
  advice: boolean;
}

/** A course's day as a plan: fitted to its minutes, with pictures of the course that were drawn least, no harder than was managed. */
function courseDay(course: Course, day: number, input: TodayInput): Plan {
  const { references, parts, sessions, pieces, history, known, seed, medium } = input;
  const ids = new Set(sessions.filter(({ plan }) => plan.cause?.course?.id === course.id).map(({ id }) => id));
  const own = pieces.filter(({ sessionId }) => ids.has(sessionId));
  const hardest = hardestOn(day, course.days, own);
  const timesDrawn = new Map<string, number>();
  for (const { referenceId } of own)
    if (referenceId !== null) timesDrawn.set(referenceId, (timesDrawn.get(referenceId) ?? 0) + 1);
  const within = (some: readonly ReferenceFacts[]): readonly ReferenceFacts[] => {
    const easy = some.filter(({ difficulty }) => (difficulty ?? 3) <= hardest);
    return easy.length > 0 ? easy : some;
  };
  const { wishes, focus } = courseWishes(course, day);
  const { name } = AIMS[course.aim];
  return proposePlan({
    availableMs: course.minutes * 60_000,
    references: within(references),
    parts: within(parts),
    history: { ...history, timesDrawn },
    seed: seed + day,
    medium,
    about: {
      wishes,
      focus,
      because: `it is day ${String(day)} of ${String(course.days)} of the course “${name}”`,
      mayLast: (id, ms) => !known.lastLengths.get(id)?.has(ms),
      cause: { course: { id: course.id, day } },
    },
  });
}

/** A kept plan on its day, with fresh pictures. */
function scheduledPlan({ plan: { id, recipe }, day }: Scheduled, { pools, known, pieces, seed }: TodayInput): Plan {
  const fresh = followAnswers({ ...recipe, seed }, wholeAnswers(pieces));
  const moved = day < known.today;
  return {
    ...layOutRecipe(fresh, chooseReferences(fresh, pools)).plan,
    why: moved
      ? `“${recipe.title}”, because it stood on ${weekday(noonOfDay(day))} and was missed.`
      : `“${recipe.title}”, because it is ${weekday(noonOfDay(day))}.`,
    cause: { scheduled: { planId: id, day } },
  };
}

/**
 * Today's session: the plan that stands on this weekday, or the course's day, before all else; else what the months say. Another mix
 * is the next of these.
 * @returns The plan, and how many plans of weekdays and courses come before what the months say.
 */
export function proposeToday(input: TodayInput): { plan: Plan; planned: number } {
  const { availableMs, references, parts, history, seed, medium, known, scheduled, course, sessions, mix, advice } =
    input;
  const due = course && courseState(course, sessions, known.today).due;
  const firsts: (() => Plan)[] = [
    ...scheduled.map((one) => () => scheduledPlan(one, input)),
    ...(course && due !== undefined ? [() => courseDay(course, due, input)] : []),
  ];
  const planned = firsts.length;
  if (mix < planned) return { plan: firsts[mix](), planned };
  const everything = parts.length > 0 ? [...references, ...parts] : references;
  const canDraw = ({ from }: Pick<Due, 'from'>, { form }: Exercise): boolean => {
    const families: readonly string[] = form?.about ?? [];
    if (families.length > 0 && !everything.some(({ family }) => families.includes(family ?? ''))) return false;
    return !from || everything.filter(from).length >= FEWEST_TO_DRAW_FROM;
  };
  const day = advice ? dayOf(known, availableMs, canDraw, mix - planned) : undefined;
  const plan = proposePlan({
    availableMs,
    withoutWarmUp: input.withoutWarmUp,
    references,
    parts,
    history,
    seed,
    medium,
    ...(day && {
      about: { ...day, cause: { offer: day.offer, ...(day.remedy && { remedy: day.remedy }) } },
    }),
  });
  return { plan, planned };
}

/** With fewer there is nothing to choose. */
const FEWEST_TO_DRAW_FROM = 3;
