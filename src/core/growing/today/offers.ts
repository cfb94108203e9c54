import type { WholeFamily } from '../../figure/catalogue/families';
import { CATALOG } from '../../practice/exercises';
import type { Exercise } from '../../practice/exercises/exercise';
import { REMEDIES } from '../../practice/start/remedies';
import { durationWords } from '../../practice/time/duration';
import { facingHabit, type ReferenceFacts } from '../../references/coverage';
import { counted } from '../../words';
import { BIASES, FEWEST_MEASURED, remedyFor, sizeWords } from '../biases';
import type { Known } from './known';

/** Something a session can be about, and how pressing that is. */
export interface Due {
  /** From 0, not at all, to 1, before anything else. */
  pressing: number;
  /** The one reason, as it stands after "because". */
  because: string;
  /** What would overrule it, as it stands after "until". */
  until: string;
  /** The exercise the session is about. */
  focus: string;
  /** Only lengths of this many milliseconds for it. */
  focusMs?: number;
  /** What the focus is drawn from, where not from everything. */
  from?: (reference: ReferenceFacts) => boolean;
  remedy?: string;
}

/** One kind of reason for a session. */
export interface Offer {
  id: string;
  /** What is due of it, for a session in which these exercises have room; undefined where nothing is. */
  due: (known: Known, possible: readonly Exercise[]) => Due | undefined;
}

const has = ({ of }: Known): string => (of ? `${of} has` : 'you have');
const whose = ({ of }: Known): string => (of ? `${of}’s` : 'your');

/** Exercises that Today puts together by itself: from a new picture each time, without things that have to be asked first. */
const PROPOSED = CATALOG.filter(
  ({ rule, form }) =>
    rule.repeat === 'new picture' &&
    rule.reference !== 'none' &&
    !form?.imagined &&
    !form?.onlyChosen &&
    !form?.mainPiece &&
    !form?.parts &&
    !form?.labels &&
    !form?.onOneSheet,
);
/** Exercises that one drawing of has room in so much of a session. */
export const possibleIn = (availableMs: number): Exercise[] =>
  PROPOSED.filter(({ shortestMs }) => shortestMs <= availableMs * 0.3);

/** Days since something was drawn last; since the first session where it never was. */
const daysWithout = ({ today, firstDay = today }: Known, day: number | undefined): number => today - (day ?? firstDay);

/** The one of some exercises that was not drawn for longest; of those never drawn the first. */
export const leastRecent = (known: Known, some: readonly Exercise[]): Exercise | undefined =>
  some.reduce<Exercise | undefined>((least, one) => {
    const at = (e: Exercise): number => known.exerciseDay.get(e.id) ?? -Infinity;
    return !least || at(one) < at(least) ? one : least;
  }, undefined);

/** The quick exercise of the whole figure that was not drawn for longest. */
const quickOne = (known: Known, possible: readonly Exercise[]): Exercise | undefined =>
  leastRecent(
    known,
    possible.filter(({ family, form }) => family === 'quick' && !form?.about),
  );

/** Words too common to say what is wanted. */
const COMMON = new Set([
  'and',
  'the',
  'then',
  'from',
  'with',
  'for',
  'draw',
  'drawing',
  'by',
  'of',
  'a',
  'other',
  'one',
  'many',
  'line',
  'look',
  'page',
  'two',
]);
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^a-z]+/)
    .map((word) => word.replace(/s$/, ''))
    .filter((word) => word.length > 2 && !COMMON.has(word));

/** The exercise a note is about: the one most words of whose name are in it; undefined where none is. */
export function exerciseWanted(note: string, possible: readonly Exercise[]): Exercise | undefined {
  const said = new Set(wordsOf(note));
  const hits = (exercise: Exercise): number => {
    const names = new Set([...wordsOf(exercise.name), ...(exercise.form?.about ?? []).flatMap(wordsOf)]);
    return [...names].filter((word) => said.has(word)).length;
  };
  const [best] = possible.toSorted((a, b) => hits(b) - hits(a));
  return best && hits(best) > 0 ? best : undefined;
}

/** The exercises of a remedy, as it has them. */
const remedyExercises = (id: string): string[] => {
  let n = 0;
  const blocks = REMEDIES.find((remedy) => remedy.id === id)?.blocks(() => String(n++)) ?? [];
  return blocks.flatMap((block) => (block.kind === 'poses' ? [block.exercise] : []));
};

const BIAS_OFFER: Offer = {
  id: 'bias',
  due: (known, possible) => {
    const [bias] = known.biases;
    if (!bias?.now || bias.off !== 'where it hurts') return undefined;
    const { id, now, drawings, weight } = bias;
    const remedy = remedyFor(id, known.effects.get(id) ?? []);
    const focus = remedyExercises(remedy).find((one) => possible.some((e) => e.id === one));
    if (!focus) return undefined;
    const what =
      id === 'tilts'
        ? `of ${BIASES.tilts.name} ${sizeWords(id, now.value).replace(' kept', '')} was kept`
        : id === 'edge'
          ? `${sizeWords(id, now.value).replace(' of them', '')} at the edge of the sheet`
          : `${BIASES[id].name} were ${sizeWords(id, now.value)}`;
    return {
      pressing: Math.min(0.9, 0.6 + 0.3 * weight),
      because: `${what} in ${whose(known)} last ${counted(drawings, 'measured drawing')}`,
      until: `${counted(FEWEST_MEASURED, 'measured drawing')} say otherwise`,
      focus,
      remedy,
    };
  },
};

const HELPED_OFFER: Offer = {
  id: 'helped',
  due: (known, possible) => {
    for (const bias of known.biases) {
      const effect = known.effects.get(bias.id)?.find(({ helped }) => helped);
      if (!effect || effect.before === undefined || effect.after === undefined) continue;
      const focus = remedyExercises(effect.remedy).find((one) => possible.some((e) => e.id === one));
      if (!focus) continue;
      const days = daysWithout(known, known.exerciseDay.get(focus));
      if (days < 7) continue;
      return {
        pressing: 0.45,
        because: `it helped: ${BIASES[bias.id].name} went from ${sizeWords(bias.id, effect.before)} to ${sizeWords(bias.id, effect.after)} since ${has(known)} drawn it`,
        until: 'nothing of it is left',
        focus,
        remedy: effect.remedy,
      };
    }
    return undefined;
  },
};

/** Days after which a part of the body is missed, and a kind of pose or view. */
const PART_DAYS = 7;
const KIND_DAYS = 10;

/** What there is to draw from says whether an offer can be kept; a part is drawn by the exercise about it. */
const partOffer = (part: 'heads' | 'hands' | 'feet'): Offer => ({
  id: part,
  due: (known, possible) => {
    const focus = leastRecent(
      known,
      possible.filter(({ form }) => form?.about?.includes(part)),
    );
    if (!focus || known.firstDay === undefined) return undefined;
    const day = known.poseFamilyDay.get(part);
    const days = daysWithout(known, day);
    if (day !== undefined ? days < PART_DAYS : days < 3) return undefined;
    return {
      pressing: Math.min(0.85, 0.35 + days / 40),
      because:
        day === undefined
          ? `${has(known)} not drawn ${part} yet`
          : `${has(known)} drawn no ${part} for ${counted(days, 'day')}`,
      until: 'one is drawn',
      focus: focus.id,
      from: ({ family }) => family === part,
    };
  },
});

/** A kind of pose or view that nobody was drawn in for long, of some kinds. */
const missedOffer = <K extends string>(
  id: string,
  words: Readonly<Record<K, string>>,
  dayOf: (known: Known) => ReadonlyMap<string, number>,
  kindOf: (reference: ReferenceFacts) => string | undefined,
): Offer => ({
  id,
  due: (known, possible) => {
    if (known.firstDay === undefined) return undefined;
    const focus = quickOne(known, possible);
    const days = dayOf(known);
    const [kind] = (Object.keys(words) as K[]).sort((a, b) => (days.get(a) ?? -1) - (days.get(b) ?? -1));
    const day = days.get(kind);
    const without = daysWithout(known, day);
    if (!focus || without < KIND_DAYS) return undefined;
    return {
      pressing: Math.min(0.6, 0.3 + without / 60),
      because: `nobody was drawn ${words[kind]} ${day === undefined ? 'yet' : `for ${counted(without, 'day')}`}`,
      until: 'somebody is',
      focus: focus.id,
      from: (reference) => kindOf(reference) === kind,
    };
  },
});

/** Families of poses and views, as they stand after "nobody was drawn". */
const POSES: Record<WholeFamily, string> = {
  'standing even': 'standing evenly',
  'weight shifted': 'with the weight on one leg',
  'walking or running': 'walking or running',
  'reaching or pulling': 'reaching or pulling',
  bending: 'bending',
  'kneeling or crouching': 'kneeling or crouching',
  seated: 'seated',
  reclining: 'reclining',
  balancing: 'balancing',
  'two-handed work': 'at work with both hands',
};
const VIEWS = {
  front: 'from the front',
  'three-quarter': 'in three-quarter view',
  profile: 'in profile',
  'back three-quarter': 'in three-quarter view from behind',
  back: 'from behind',
};

const FACING_OFFER: Offer = {
  id: 'facing',
  due: (known, possible) => {
    const habit = facingHabit(known.facings);
    const focus = quickOne(known, possible);
    if (!habit || !focus) return undefined;
    const { left, right } = known.facings;
    return {
      pressing: 0.55,
      because: `${String(Math.max(left, right))} of ${whose(known)} last ${String(left + right)} faced ${habit}; these are to face ${habit === 'right' ? 'left' : 'right'}`,
      until: 'both sides are level',
      focus: focus.id,
    };
  },
};

const WORKING_OFFER: Offer = {
  id: 'working time',
  due: (known, possible) => {
    const found = possible.find(({ id, shortestMs, longestMs }) => {
      const next = known.next.get(id);
      return (
        next &&
        next.nextMs !== next.lengthMs &&
        next.nextMs >= shortestMs &&
        next.nextMs <= longestMs &&
        !known.lastLengths.get(id)?.has(next.nextMs)
      );
    });
    const next = found && known.next.get(found.id);
    if (!next) return undefined;
    const [length, another] = [next.lengthMs, next.nextMs].map(durationWords);
    return {
      pressing: 0.5,
      because:
        next.nextMs < next.lengthMs
          ? `the whole figure was down twice in a row in ${length}: ${another} is next`
          : `the whole figure was not down in ${length}: ${another} is next`,
      until: 'an answer says otherwise',
      focus: found.id,
      focusMs: next.nextMs,
    };
  },
};

const WANTED_OFFER: Offer = {
  id: 'wanted',
  due: (known, possible) => {
    const focus = known.wanted && exerciseWanted(known.wanted, possible);
    if (!focus) return undefined;
    return {
      pressing: 0.95,
      because: `last time ${known.of ?? 'you'} wanted: “${(known.wanted ?? '').replace(/\.$/, '')}”`,
      until: 'that is drawn',
      focus: focus.id,
    };
  },
};

/** The other hand draws once a week at least. */
const OTHER_HAND_DAYS = 7;
const OTHER_HAND_OFFER: Offer = {
  id: 'other hand',
  due: (known, possible) => {
    const focus = possible.find(({ rule }) => rule.hand === 'other');
    if (!focus || known.firstDay === undefined) return undefined;
    const days = daysWithout(known, known.otherHandDay);
    if (days < OTHER_HAND_DAYS) return undefined;
    return {
      pressing: Math.min(0.55, 0.3 + days / 100),
      because:
        known.otherHandDay === undefined
          ? `${whose(known)} other hand has not drawn yet`
          : `${whose(known)} other hand has not drawn for ${counted(days, 'day')}`,
      until: 'it has',
      focus: focus.id,
    };
  },
};

/** What was not drawn for longest. There is always one. */
const LONG_AGO_OFFER: Offer = {
  id: 'long ago',
  due: (known, possible) => {
    const focus = leastRecent(
      known,
      possible.filter(({ form }) => !form?.about),
    );
    if (!focus) return undefined;
    const day = known.exerciseDay.get(focus.id);
    const days = daysWithout(known, day);
    return {
      pressing: Math.min(0.65, 0.3 + days / 60),
      because:
        known.firstDay === undefined
          ? 'a first session goes from short to long'
          : `${has(known)} ${day === undefined ? `not drawn ${focus.name.toLowerCase()} yet` : `not drawn ${focus.name.toLowerCase()} for ${counted(days, 'day')}`}`,
      until: 'it is drawn',
      focus: focus.id,
    };
  },
};

/** All there is to say, each in its entry. Of what is equally pressing the first. */
export const OFFERS: readonly Offer[] = [
  WANTED_OFFER,
  BIAS_OFFER,
  partOffer('heads'),
  partOffer('hands'),
  partOffer('feet'),
  FACING_OFFER,
  WORKING_OFFER,
  missedOffer(
    'pose family',
    POSES,
    (known) => known.poseFamilyDay,
    ({ family }) => family,
  ),
  missedOffer(
    'view',
    VIEWS,
    (known) => known.viewDay,
    ({ viewName }) => viewName,
  ),
  OTHER_HAND_OFFER,
  LONG_AGO_OFFER,
  HELPED_OFFER,
];

/** A reason that was followed today, a day or two days ago presses less. */
const AGAIN = [0.3, 0.6, 0.9];
export const pressingNow = ({ pressing }: Due, offer: Offer, { today, offerDay }: Known): number =>
  pressing * (AGAIN[today - (offerDay.get(offer.id) ?? -Infinity)] ?? 1);
