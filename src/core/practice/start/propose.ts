import { type FacingCount, facingHabit, type ReferenceFacts } from '../../references/coverage';
import { pick } from '../../references/pick';
import { AIMS, type Wish } from './aims';
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
    /** Whose it is, where it is not the learner's own: then every reason names her. */
    of?: string | undefined;
  };
  seed: number;
  /** References chosen already, in order. */
  picked?: readonly { id: string; odd: boolean }[] | undefined;
}

/** Another exercise that serves the same end, so that another mix is another one. */
const OTHERWISE: Record<string, string> = {
  'blind-contour': 'continuous-line',
  'structural-gesture': 'c-s-straight',
};
const mixOf = (seed: number): Wish[] =>
  AIMS.everything.wishes.map((wish, i) =>
    (seed >> (i % 2)) % 2 === 0 ? wish : { ...wish, exercise: OTHERWISE[wish.exercise] ?? wish.exercise },
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
  const easy = picked === undefined && memoryIsNew(history.memorySessions) ? easyParts(references) : [];
  const fromMemory = blocks.flatMap((b) =>
    b.kind === 'poses' && hidesReference(exerciseById(b.exercise)) ? b.poses : [],
  );
  poses.forEach((pose, i) => {
    const reference = picks.length > 0 ? picks[i % picks.length] : undefined;
    pose.referenceId = reference?.id ?? null;
    if (reference?.odd) pose.odd = true;
  });
  const taken = new Map(history.timesDrawn);
  for (const { id } of picks) taken.set(id, (taken.get(id) ?? 0) + 1);
  pick({ pool: easy, count: fromMemory.length, order: 'gentle to hard', seed: seed + 1, timesDrawn: taken }).forEach(
    ({ id }, i) => (fromMemory[i].referenceId = id),
  );
  const easyMemory = easy.length > 0 && fromMemory.length > 0;
  return { ...plan, why: reason({ blocks, rusty, eased, history, habit, favorFacing, easyMemory }) };
}

interface Reason {
  blocks: readonly Block[];
  rusty: boolean;
  eased: boolean;
  history: ProposalInput['history'];
  habit: 'left' | 'right' | undefined;
  favorFacing: 'left' | 'right' | undefined;
  /** What is drawn from memory is easy, since that is new. */
  easyMemory: boolean;
}
function reason({ blocks, rusty, eased, history, habit, favorFacing, easyMemory }: Reason): string {
  const names = [
    ...new Set(blocks.flatMap((b) => (b.kind === 'poses' ? [exerciseById(b.exercise).name.toLowerCase()] : []))),
  ];
  const days = Math.floor(history.daysSinceLast ?? 0);
  const { of } = history;
  const whose = of ? `${of}’s` : 'your';
  const clauses: string[] = [];
  if (history.daysSinceLast === undefined) clauses.push('a gentle first session, short poses before long ones');
  else if (rusty)
    clauses.push(
      `gentle poses first${blocks.some((b) => b.kind === 'lines') ? ', after a page of lines' : ''}, because ${of ? `${of} has` : 'you have'} been away ${days} days`,
    );
  else if (eased) clauses.push(`a gentle pose first, because ${whose} last session was ${days} days ago`);
  if (habit && favorFacing) {
    const { left, right } = history.facings;
    clauses.push(
      `mostly ${favorFacing}-facing figures, because ${Math.max(left, right)} of ${whose} last ${left + right} faced ${habit}`,
    );
  }
  if (clauses.length === 0)
    clauses.push(`short to long, and what ${of ? `${of} has` : 'you have'} drawn least: ${names.join(', ')}`);
  if (easyMemory) clauses.push('from memory what is easy, since that is new to you');
  const sentence = clauses.join('; ');
  return `${sentence[0].toUpperCase()}${sentence.slice(1)}.`;
}
