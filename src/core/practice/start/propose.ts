import { type FacingCount, facingHabit, type ReferenceFacts } from '../../references/coverage';
import { pick } from '../../references/pick';
import { AIMS, type Wish } from './aims';
import { counted, listPhrases } from '../../words';
import { easyParts, memoryIsNew } from './chooseReferences';
import { exerciseById } from '../exercises';
import { hidesReference } from '../exercises/exercise';
import { fitPlan } from '../fit/fit';
import { layOutRecipe } from '../plan/layOut';
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
  /** References chosen already, in order. */
  picked?: readonly { id: string; odd: boolean }[] | undefined;
}

/** The wishes of a bit of everything; another mix has other exercises that serve the same ends. */
const mixOf = (seed: number): Wish[] =>
  AIMS.everything.wishes.map((wish, i) =>
    (seed >> (i % 2)) % 2 === 0
      ? wish
      : { ...wish, exercise: exerciseById(wish.exercise).form?.otherwise ?? wish.exercise },
  );

/** A session for the time there is: what `fitPlan` makes of a bit of everything, with references chosen through the whole of it. */
export function proposePlan({ availableMs, references, history, seed, picked }: ProposalInput): Plan {
  const { daysSinceLast } = history;
  const { recipe } = fitPlan({
    availableMs,
    aim: 'everything',
    shape: 'climb',
    wishes: mixOf(seed),
    setId: '',
    seed,
    ...(daysSinceLast !== undefined && { daysSinceLast }),
  });
  const { plan } = layOutRecipe(recipe, {});
  const { blocks } = plan;
  const rusty = (daysSinceLast ?? 0) >= 7;
  const eased = (daysSinceLast ?? Infinity) >= 2;
  const habit = facingHabit(history.facings);
  const favorFacing = habit && (habit === 'right' ? 'left' : 'right');
  const poses = blocks.flatMap((block) => (block.kind === 'poses' ? block.poses : []));
  const chosen = picked ? inTurn(picked, poses.length) : chooseFor(blocks, { references, history, seed, habit, eased });
  poses.forEach((pose, i) => {
    pose.referenceId = chosen.picks[i]?.id ?? null;
    if (chosen.picks[i]?.odd) pose.odd = true;
  });
  const first = references.find((r) => r.id === poses[0]?.referenceId);
  const gentle = (first?.difficulty ?? Infinity) <= GENTLE;
  const { easyMemory } = chosen;
  return { ...plan, why: reason({ blocks, rusty, eased, gentle, history, habit, favorFacing, easyMemory }) };
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

/** References for all poses of a session, as a whole; what is drawn from memory first, where that is new and has to be easy. */
function chooseFor(
  blocks: readonly Block[],
  {
    references,
    history,
    seed,
    habit,
    eased,
  }: Pick<ProposalInput, 'references' | 'history' | 'seed'> & { habit: 'left' | 'right' | undefined; eased: boolean },
): ChosenFor {
  const isNew = memoryIsNew(history.memorySessions);
  const fromMemory = blocks.flatMap((b) =>
    b.kind === 'poses' ? b.poses.map(() => isNew && hidesReference(exerciseById(b.exercise))) : [],
  );
  const memoryCount = fromMemory.filter(Boolean).length;
  const common = { order: 'gentle to hard' as const, recent: history.recent ?? [] };
  const easy = memoryCount > 0 ? easyParts(references, memoryCount) : [];
  const memory =
    easy.length > 0
      ? pick({ ...common, pool: easy, count: memoryCount, seed: seed + 1, timesDrawn: history.timesDrawn })
      : [];
  const facts = new Map(references.map((r) => [r.id, r]));
  const timesDrawn = new Map(history.timesDrawn);
  for (const { id } of memory) timesDrawn.set(id, (timesDrawn.get(id) ?? 0) + 1);
  const others = pick({
    ...common,
    pool: references,
    count: fromMemory.length - memory.length,
    seed,
    timesDrawn,
    level: habit && history.facings,
    gentleStart: eased,
    beside: memory.map(({ id }) => facts.get(id) ?? { id }),
  });
  let m = 0;
  let o = 0;
  const picks = fromMemory.map((hides) => (hides && memory.length > 0 ? memory[m++] : others[o++]));
  return { picks, easyMemory: memory.length > 0 };
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
