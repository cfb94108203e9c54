import { type FacingCount, facingHabit, type ReferenceFacts } from '../../references/coverage';
import { pick } from '../../references/pick';
import { commonKind } from '../../references/subjectKind';
import { EXERCISE_FOR, suits } from '../rules/suits';
import { AIMS, type Wish } from './aims';
import { counted, listPhrases } from '../../words';
import { easyParts, memoryIsNew } from './chooseReferences';
import { exerciseById } from '../exercises';
import { hidesReference } from '../exercises/exercise';
import { fitPlan } from '../fit/fit';
import { layOutRecipe } from '../plan/layOut';
import type { Cause } from '../plan/cause';
import type { Block, Plan } from '../plan/schema';

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
    /** Sessions so far in which something was drawn from memory; missing where that is not known. */
    memorySessions?: number | undefined;
    /** Facts of what was drawn in the last two sessions: what is like them is avoided. */
    recent?: readonly ReferenceFacts[] | undefined;
    /** Whose it is, where it is not the learner's own: then every reason names her. */
    of?: string | undefined;
  };
  seed: number;
  medium?: string | undefined;
  /** What it is about, and its one reason; missing for a bit of everything. */
  about?: About | undefined;
  /** Parts of the body to draw, for exercises about them; they are drawn from `references` where there are none. */
  parts?: readonly ReferenceFacts[] | undefined;
  /** The first pose comes at once. */
  withoutWarmUp?: boolean | undefined;
  /** References chosen already, in order. */
  picked?: readonly { id: string; odd: boolean }[] | undefined;
}

/** What a session is about beyond a bit of everything. */
interface About {
  wishes: readonly Wish[];
  /** As it stands after "because"; what would overrule it after "until". */
  because: string;
  until?: string | undefined;
  /** The exercise that is drawn from only some references, and which. */
  focus: string;
  from?: ((reference: ReferenceFacts) => boolean) | undefined;
  mayLast?: ((exerciseId: string, ms: number) => boolean) | undefined;
  cause?: Cause | undefined;
}

/** The wishes of a bit of everything; another mix has other exercises that serve the same ends. */
const mixOf = (seed: number): Wish[] =>
  AIMS.everything.wishes.map((wish, i) =>
    (seed >> (i % 2)) % 2 === 0
      ? wish
      : { ...wish, exercise: exerciseById(wish.exercise).form?.otherwise ?? wish.exercise },
  );

/** A session for the time there is: what `fitPlan` makes of a bit of everything, with references chosen through the whole of it. */
export function proposePlan({
  availableMs,
  references,
  history,
  seed,
  medium,
  about: wantedAbout,
  parts = [],
  picked,
  withoutWarmUp,
}: ProposalInput): Plan {
  const { daysSinceLast } = history;
  // What the pictures show decides which exercises make sense with them.
  const kind = picked ? undefined : commonKind(references);
  const makesSense = (id: string): boolean => {
    const exercise = exerciseById(id);
    return suits(exercise, kind) || (parts.length > 0 && (exercise.form?.about ?? []).length > 0);
  };
  const about = wantedAbout && makesSense(wantedAbout.focus) ? wantedAbout : undefined;
  const wishes = (about?.wishes ?? mixOf(seed)).map((wish): Wish =>
    kind === undefined || makesSense(wish.exercise) ? wish : { ...wish, exercise: EXERCISE_FOR[kind] },
  );
  const { recipe } = fitPlan({
    availableMs,
    aim: 'everything',
    shape: 'climb',
    wishes,
    setId: '',
    seed,
    ...(withoutWarmUp && { withoutWarmUp }),
    ...(medium && { medium }),
    ...(about?.mayLast && { mayLast: about.mayLast }),
    ...(daysSinceLast !== undefined && { daysSinceLast }),
  });
  const { plan } = layOutRecipe(recipe, {});
  const { blocks } = plan;
  const rusty = (daysSinceLast ?? 0) >= 7;
  const eased = (daysSinceLast ?? Infinity) >= 2;
  const habit = facingHabit(history.facings);
  const favorFacing = habit && (habit === 'right' ? 'left' : 'right');
  const poses = blocks.flatMap((block) => (block.kind === 'poses' ? block.poses : []));
  const chosen = picked
    ? inTurn(picked, poses.length)
    : chooseFor(blocks, { references, parts, about, history, seed, habit, eased });
  poses.forEach((pose, i) => {
    pose.referenceId = chosen.picks[i]?.id ?? null;
    if (chosen.picks[i]?.odd) pose.odd = true;
  });
  const first = references.find((r) => r.id === poses[0]?.referenceId);
  const gentle = (first?.difficulty ?? Infinity) <= GENTLE;
  const { easyMemory } = chosen;
  return {
    ...plan,
    why: about
      ? becauseOf(about, rusty, history)
      : reason({ blocks, rusty, eased, gentle, history, habit, favorFacing, easyMemory }),
    ...(about?.cause && { cause: about.cause }),
  };
}

/** What a session is about, and why, in one sentence. */
function becauseOf(
  { focus, because, until }: About,
  rusty: boolean,
  { of, daysSinceLast = 0 }: ProposalInput['history'],
): string {
  const name = exerciseById(focus).name;
  // Long away is what has to be said first: it is why it begins as it does.
  const away = rusty
    ? `${of ? `${of} has` : 'you have'} been away ${counted(Math.floor(daysSinceLast), 'day')}, and `
    : '';
  return `${name}, because ${away}${because}${until ? `; it stays until ${until}` : ''}.`;
}

/** The hardest that is still called gentle. */
const GENTLE = 2;

type Chosen = { id: string; odd: boolean };
interface ChosenFor {
  /** One a pose, in order; fewer where there is nothing to choose from. */
  picks: readonly (Chosen | undefined)[];
  /** What is drawn from memory is easy, since that is new. */
  easyMemory: boolean;
}

/** References that were chosen already, round and round. */
const inTurn = (picked: readonly Chosen[], count: number): ChosenFor => ({
  picks: Array.from({ length: picked.length > 0 ? count : 0 }, (_, i) => picked[i % picked.length]),
  easyMemory: false,
});

/** Which poses of a session are chosen together, and from what. */
interface Group {
  pool: readonly ReferenceFacts[];
  /** Only easy ones, since drawing from memory is new. */
  easy?: boolean;
  slots: number[];
}

type Choosing = Pick<ProposalInput, 'references' | 'about' | 'history' | 'seed'> & {
  parts: readonly ReferenceFacts[];
  habit: 'left' | 'right' | undefined;
  eased: boolean;
};

/**
 * The poses of a session by what they are drawn from: from memory, while that is new, from what is easy; an exercise about parts from those;
 * what the session is about from what it asks for, as far as that goes; all others from everything, last.
 */
function groupsOf(blocks: readonly Block[], { references, parts, about, history }: Choosing): Group[] {
  const isNew = memoryIsNew(history.memorySessions) && easyParts(references, 1).length > 0;
  const groups = new Map<string, Group>();
  const put = (name: string, pool: readonly ReferenceFacts[], slots: readonly number[], easy = false): void => {
    if (slots.length === 0) return;
    const group = groups.get(name) ?? { pool, easy, slots: [] };
    group.slots.push(...slots);
    groups.set(name, group);
  };
  let slot = 0;
  for (const block of blocks) {
    if (block.kind !== 'poses') continue;
    const exercise = exerciseById(block.exercise);
    const families: readonly string[] = exercise.form?.about ?? [];
    const slots = block.poses.map(() => slot++);
    const of = families.length > 0 ? parts.filter(({ family }) => families.includes(family ?? '')) : [];
    const all = of.length > 0 ? of : references;
    const asked = about?.from && about.focus === block.exercise ? all.filter(about.from) : [];
    const easy = isNew && hidesReference(exercise);
    if (easy) put('easy', references, slots, easy);
    else {
      // As many as there are; the others are drawn from everything.
      put('asked', asked, slots.slice(0, asked.length));
      put(all === references ? 'all' : block.exercise, all, slots.slice(asked.length));
    }
  }
  // Where fewest can be had is chosen first.
  return [...groups.values()].sort(
    (a, b) => Number(a.pool === references && !a.easy) - Number(b.pool === references && !b.easy),
  );
}

/** References for all poses of a session, as a whole. */
function chooseFor(blocks: readonly Block[], choosing: Choosing): ChosenFor {
  const { references, parts, history, seed, habit, eased } = choosing;
  const facts = new Map([...references, ...parts].map((r) => [r.id, r]));
  const timesDrawn = new Map(history.timesDrawn);
  const beside: ReferenceFacts[] = [];
  const picks: (Chosen | undefined)[] = [];
  let easyMemory = false;
  for (const { pool, easy, slots } of groupsOf(blocks, choosing)) {
    easyMemory ||= easy === true;
    const found = pick({
      order: 'gentle to hard',
      recent: history.recent ?? [],
      pool: easy ? easyParts(references, slots.length) : pool,
      count: slots.length,
      seed: easy ? seed + 1 : seed,
      timesDrawn,
      ...(!easy && { level: habit && history.facings, gentleStart: eased }),
      beside,
    });
    found.forEach((one, i) => (picks[slots[i]] = one));
    for (const { id } of found) {
      timesDrawn.set(id, (timesDrawn.get(id) ?? 0) + 1);
      beside.push(facts.get(id) ?? { id });
    }
  }
  return { picks, easyMemory };
}

interface Reason {
  blocks: readonly Block[];
  rusty: boolean;
  eased: boolean;
  /** The first pose is a gentle one. */
  gentle: boolean;
  history: ProposalInput['history'];
  habit: 'left' | 'right' | undefined;
  favorFacing: 'left' | 'right' | undefined;
  /** What is drawn from memory is easy, since that is new. */
  easyMemory: boolean;
}
function reason({ blocks, rusty, eased, gentle, history, habit, favorFacing, easyMemory }: Reason): string {
  const names = [
    ...new Set(blocks.flatMap((b) => (b.kind === 'poses' ? [exerciseById(b.exercise).name.toLowerCase()] : []))),
  ];
  const days = Math.floor(history.daysSinceLast ?? 0);
  const { of } = history;
  const whose = of ? `${of}’s` : 'your';
  const clauses: string[] = [];
  const lines = blocks.some((b) => b.kind === 'lines');
  const begins = [
    gentle && 'a gentle pose first',
    lines && rusty && (gentle ? 'after a page of lines' : 'a page of lines first'),
  ]
    .filter((words) => words !== false)
    .join(', ');
  if (history.daysSinceLast === undefined)
    clauses.push(`a ${gentle ? 'gentle ' : ''}first session, short poses before long ones`);
  else if (rusty && begins !== '')
    clauses.push(`${begins}, because ${of ? `${of} has` : 'you have'} been away ${counted(days, 'day')}`);
  else if (eased && begins !== '')
    clauses.push(`${begins}, because ${whose} last session was ${counted(days, 'day')} ago`);
  if (habit && favorFacing) {
    const { left, right } = history.facings;
    clauses.push(
      `mostly ${favorFacing}-facing figures, because ${Math.max(left, right)} of ${whose} last ${left + right} faced ${habit}`,
    );
  }
  if (clauses.length === 0)
    clauses.push(`short to long, and what ${of ? `${of} has` : 'you have'} drawn least: ${listPhrases(names)}`);
  if (easyMemory) clauses.push('something easy to draw from memory, to begin with');
  const sentence = clauses.join('; ');
  return `${sentence[0].toUpperCase()}${sentence.slice(1)}.`;
}
