import { startOfDay } from 'date-fns';
import { currentCourse } from '@/core/growing/course';
import { lifetimeWords } from '@/core/growing/lifetime';
import { piecesOf } from '@/core/growing/pieces';
import { scheduledFor } from '@/core/growing/scheduled';
import { knownOf } from '@/core/growing/today/known';
import { proposeToday, type TodayInput } from '@/core/growing/today/proposeToday';
import { isDemoSession } from '@/core/demoLearner';
import { drawingHistory } from '@/core/journal/history';
import type { Whose } from '@/core/journal/whose';
import { localDay } from '@/core/moment';
import type { Plan } from '@/core/practice/plan/schema';
import { HABIT_WINDOW, latelyCount, poolsOf } from '@/core/practice/start/poolsOf';
import { PART_FAMILIES } from '@/core/figure/catalogue/families';
import { countFacings, type ReferenceFacts } from '@/core/references/coverage';
import { BUILT_IN_SET_ID, builtInFamilySetId } from '@/core/references/picture';
import { factsOf, referencesOf } from '@/storage/references/choices';
import { loadSets, setIdsOf } from '@/storage/references/pools';
import { listCourses } from '@/storage/sessions/courses';
import { measuredDrawings } from '@/storage/sessions/measuredDrawings';
import { listSavedPlans } from '@/storage/sessions/savedPlans';

/** Everything drawn so far, as far as a session is made of it. */
export type Past = Omit<TodayInput, 'availableMs' | 'references' | 'seed' | 'medium' | 'mix' | 'parts' | 'advice'> & {
  /** Heads, hands and feet that ship. */
  shippedParts: readonly ReferenceFacts[];
  /** The work done until now, as a plain fact; empty before the first session. */
  soFar: string;
};

/** Read what a session is made of. @param nowMs Only its local day counts. */
export async function loadPast({ sessions, of }: Whose, nowMs: number): Promise<Past> {
  const todayMs = startOfDay(nowMs).getTime();
  const today = localDay(nowMs);
  const own = of === undefined;
  // The demo learner's weeks are shown, but nothing is proposed because of them: a newcomer has a first session.
  const based = own ? sessions : [];
  const past = drawingHistory(based, todayMs);
  const { drawn, recent, ...history } = past;
  const unique = [...new Set(drawn)];
  const [factsList, measured, plans, courses, shipped] = await Promise.all([
    factsOf(unique),
    measuredDrawings(based),
    listSavedPlans(),
    listCourses(),
    Promise.all(PART_FAMILIES.map((family) => referencesOf(builtInFamilySetId(family)))),
  ]);
  const facts = new Map(factsList.map((one) => [one.id, one]));
  const lately = (count: number): ReferenceFacts[] =>
    count > 0 ? drawn.slice(-count).flatMap((id) => facts.get(id) ?? []) : [];
  const facings = countFacings(lately(HABIT_WINDOW));
  const pieces = based.flatMap(piecesOf);
  // Plans and courses are the learner's own, whoever's sessions are looked at.
  const made = own ? sessions : [];
  const scheduled = scheduledFor(plans, made, today);
  const course = currentCourse(
    courses.filter(({ id }) => !isDemoSession(id)),
    made,
    today,
  );
  return {
    history: { ...history, recent: lately(recent), facings },
    known: knownOf({
      sessions: based,
      pieces,
      familyOf: (id) => facts.get(id)?.family,
      viewOf: (id) => facts.get(id)?.viewName,
      measured,
      facings,
      nowMs,
    }),
    scheduled,
    ...(course && { course }),
    sessions: made,
    pieces,
    pools: poolsOf(
      await loadSets(setIdsOf(scheduled.map(({ plan }) => plan.recipe))),
      past,
      lately(latelyCount(recent)),
    ),
    shippedParts: shipped.flat(),
    soFar: sessions.length > 0 ? lifetimeWords(sessions.flatMap(piecesOf), sessions) : '',
  };
}

/** What is chosen on Today. */
export interface Choice {
  minutes: number;
  setId: string;
  medium: string;
  /** What the months say is wanted. */
  advice: boolean;
  /** It begins with a warm-up. */
  warmUp: boolean;
}

/** Today's plan. @param mix How often another one was asked for. */
export const planFor = (
  { shippedParts, ...past }: Past,
  { minutes, setId, medium, advice, warmUp }: Choice,
  references: readonly ReferenceFacts[],
  seed: number,
  mix: number,
): { plan: Plan; planned: number } =>
  proposeToday({
    ...past,
    availableMs: minutes * 60_000,
    references,
    // What the learner has chosen to draw from is not widened.
    parts: setId === BUILT_IN_SET_ID ? shippedParts : [],
    seed,
    medium,
    mix,
    advice,
    withoutWarmUp: !warmUp,
  });
