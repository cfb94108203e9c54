import * as z from 'zod/mini';
import { FAMILIES } from '../figure/catalogue/families';
import type { Facing, ViewName } from '../figure/picture/view';

/** What a picture shows, in two levels: choosing the first includes everything below it. */
export const SUBJECTS = {
  people: ['one figure', 'two or more'],
  parts: ['hands', 'feet', 'head', 'trunk'],
  animals: ['four-legged', 'birds', 'other animals'],
  things: ['plants', 'objects', 'cloth', 'places'],
} as const;
export type SubjectGroup = keyof typeof SUBJECTS;
export const SUBJECT_GROUPS = Object.keys(SUBJECTS) as SubjectGroup[];
/** "people/one figure"; a group alone while the second level is not known. */
export const subjectId = (group: SubjectGroup, kind?: string): string => (kind ? `${group}/${kind}` : group);
const SUBJECT_IDS = SUBJECT_GROUPS.flatMap((group) => [
  group,
  ...SUBJECTS[group].map((kind) => subjectId(group, kind)),
]);

const VIEW_NAMES = ['front', 'three-quarter', 'profile', 'back three-quarter', 'back'] as const satisfies ViewName[];
const FACINGS = ['left', 'right', 'toward you', 'away'] as const satisfies Facing[];

/** From the easiest to draw: a fist is one mass, open fingers are many. */
export const HAND_SHAPES = ['closed fist', 'half open', 'open fingers'] as const;

/** The facts a picture is found and chosen by, with the values each may have. */
export const FACT_VALUES = {
  subject: SUBJECT_IDS,
  extent: ['whole', 'cropped', 'part'],
  hand: HAND_SHAPES,
  view: VIEW_NAMES,
  facing: FACINGS,
  family: FAMILIES,
  eyeLevel: ['from below', 'at eye level', 'from above'],
  difficulty: ['1', '2', '3', '4', '5'],
  foreshortened: ['yes', 'no'],
  light: ['clear', 'flat'],
  lightFrom: ['left', 'right', 'above', 'front'],
  tone: ['dark', 'middle', 'bright'],
  clothing: ['bare', 'fitted', 'loose'],
} as const satisfies Record<string, readonly string[]>;
export type FactName = keyof typeof FACT_VALUES;
export const FACT_NAMES = Object.keys(FACT_VALUES) as FactName[];

export const FACT_WORDS: Record<FactName, string> = {
  subject: 'Subject',
  extent: 'In the picture',
  hand: 'Hand',
  view: 'View',
  facing: 'Faces',
  family: 'Pose',
  eyeLevel: 'Seen',
  difficulty: 'Difficulty',
  foreshortened: 'Foreshortened',
  light: 'Light',
  lightFrom: 'Light from',
  tone: 'Tone',
  clothing: 'Clothing',
};

/** Facts and values that this version does not know are left out rather than refused: a later version may know more. */
export const factValuesSchema = z.pipe(
  z.record(z.string(), z.string()),
  z.transform((facts) => {
    const known: FactValues = {};
    for (const name of FACT_NAMES) {
      const value = Object.hasOwn(facts, name) ? facts[name] : undefined;
      if (value !== undefined && (FACT_VALUES[name] as readonly string[]).includes(value)) known[name] = value;
    }
    return known;
  }),
);
export type FactValues = Partial<Record<FactName, string>>;

/** Whether a fact can be said of what a picture shows: how far a hand is open only of a hand. */
export const canBeSaid = (name: FactName, facts: FactValues): boolean =>
  name !== 'hand' || facts.hand !== undefined || facts.subject === subjectId('parts', 'hands');

/** What is asked of a learner where no body was found: two questions at most. */
export const isSettled = (facts: FactValues): boolean => facts.subject !== undefined && facts.subject.includes('/');
