import { exerciseById } from '../../practice/exercises';
import type { Exercise, ExerciseFamily } from '../../practice/exercises/exercise';
import type { Wish } from '../../practice/start/aims';
import type { ReferenceFacts } from '../../references/coverage';
import type { Known } from './known';
import { type Due, leastRecent, OFFERS, possibleIn, pressingNow } from './offers';

/** What a day's session is made of, and its one reason. */
export interface Day {
  offer: string;
  because: string;
  /** What would overrule it. */
  until: string;
  /** In the order they come, short before long. */
  wishes: Wish[];
  focus: string;
  /** What the focus is drawn from, where not from everything. */
  from?: ((reference: ReferenceFacts) => boolean) | undefined;
  remedy?: string | undefined;
  /** Which lengths drawings of an exercise may have. */
  mayLast: (exerciseId: string, ms: number) => boolean;
}

/** Parts of the drawing time: the quick beginning, what the day is about, and what else was not done for long. */
const PARTS = { opener: 0.25, focus: 0.42, companion: 0.33 };
const MINUTE = 60_000;
/** From here on there is room for one more of another family. */
const LONG_MS = 45 * MINUTE;

/** A family whose last exercise is longest ago, of those that have none in the session yet. */
function companionOf(known: Known, possible: readonly Exercise[], taken: readonly Exercise[]): Exercise | undefined {
  const families = new Set<ExerciseFamily>(taken.map(({ family }) => family));
  const rest = possible.filter(({ family, form }) => !families.has(family) && !form?.about && family !== 'quick');
  const at = (family: ExerciseFamily): number => known.exerciseFamilyDay.get(family) ?? -1;
  const [family] = [...new Set(rest.map((e) => e.family))].sort((a, b) => at(a) - at(b));
  return leastRecent(
    known,
    rest.filter((e) => e.family === family),
  );
}

/**
 * What today's session is about, by what the months say. The offer that presses most is taken, with a quick beginning before it and
 * beside it what was not done for long, so that every family of exercises comes round.
 * @param known What the months say.
 * @param availableMs The time there is.
 * @param canDraw Whether there is anything to draw from for an offer.
 * @param mix Which of the offers that press most: 0 the first, 1 the next, and round again.
 */
export function dayOf(
  known: Known,
  availableMs: number,
  canDraw: (due: Due, exercise: Exercise) => boolean,
  mix = 0,
): Day | undefined {
  const possible = possibleIn(availableMs).filter((exercise) =>
    canDraw({ pressing: 0, because: '', until: '', focus: exercise.id }, exercise),
  );
  const due = OFFERS.flatMap((offer) => {
    const found = offer.due(known, possible);
    return found && canDraw(found, exerciseById(found.focus))
      ? [{ ...found, offer: offer.id, pressing: pressingNow(found, offer, known) }]
      : [];
  }).sort((a, b) => b.pressing - a.pressing);
  if (due.length === 0) return undefined;
  const { offer, because, until, focus, focusMs, from, remedy } = due[mix % due.length];
  const about = exerciseById(focus);
  const opener = leastRecent(
    known,
    possible.filter(
      ({ id, family, form, usualMs }) => family === 'quick' && !form?.about && usualMs <= 60_000 && id !== focus,
    ),
  );
  const first = companionOf(known, possible, [about, ...(opener ? [opener] : [])]);
  const second = availableMs >= LONG_MS && first ? companionOf(known, possible, [about, first]) : undefined;
  const wishes = [
    ...(opener ? [{ exercise: opener.id, weight: PARTS.opener }] : []),
    { exercise: focus, weight: PARTS.focus },
    ...[first, second].flatMap((e, _, all) =>
      e ? [{ exercise: e.id, weight: PARTS.companion / all.filter(Boolean).length }] : [],
    ),
  ].sort((a, b) => exerciseById(a.exercise).usualMs - exerciseById(b.exercise).usualMs);
  return {
    offer,
    because,
    until,
    wishes,
    focus,
    from,
    remedy,
    mayLast: (id, ms) => (id === focus && focusMs !== undefined ? ms === focusMs : !known.lastLengths.get(id)?.has(ms)),
  };
}
