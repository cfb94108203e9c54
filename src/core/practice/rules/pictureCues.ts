import type { Exercise } from '../exercises/exercise';
import { measuringLocked } from './measuring';

/** What of a picture calls for a word before it is drawn. */
export interface PictureTraits {
  /** Family of the pose. */
  family?: string | undefined;
  foreshortened?: boolean | undefined;
  /** The body lies or sits on the ground or flat on something, and darkens it where it does. */
  onGround?: boolean | undefined;
  /** What it shows, in two levels: "animals/four-legged". */
  subject?: string | undefined;
  /** Where its light comes from, as it is seen: turned with the picture where that is mirrored. */
  lightFrom?: LightFrom | undefined;
}
export type LightFrom = 'left' | 'right' | 'above' | 'front' | 'upper left' | 'upper right';

const MIRRORED: Partial<Record<LightFrom, LightFrom>> = {
  left: 'right',
  right: 'left',
  'upper left': 'upper right',
  'upper right': 'upper left',
};
/** Where light comes from once the picture is mirrored. */
export const mirroredLight = (from: LightFrom): LightFrom => MIRRORED[from] ?? from;

const AWAY: Partial<Record<LightFrom, string>> = {
  left: 'on the right',
  right: 'on the left',
  above: 'underneath',
  'upper left': 'at the lower right',
  'upper right': 'at the lower left',
};

/** Said of a picture before it is drawn, each in its entry. */
const CUES: readonly {
  when: (traits: PictureTraits, exercise: Exercise) => boolean;
  words: (traits: PictureTraits) => string;
}[] = [
  {
    when: ({ family }, exercise) =>
      family === 'reclining' && !measuringLocked(exercise) && exercise.rule.reference !== 'none',
    words: () => 'It lies: one envelope around all of it first.',
  },
  {
    when: ({ foreshortened }) => foreshortened === true,
    words: () => 'Something comes at you. Which end is nearer? It is the larger one.',
  },
  {
    when: ({ lightFrom }, { form }) => form?.lineWeight === true && lightFrom !== undefined && lightFrom in AWAY,
    words: ({ lightFrom = 'front' }) =>
      `Light from ${lightFrom === 'above' ? 'above' : `the ${lightFrom}`}: a lighter line toward it, a heavier one ${AWAY[lightFrom] ?? ''}.`,
  },
];

/** What is said of a picture in the lead-in of an exercise. */
export const pictureCues = (traits: PictureTraits, exercise: Exercise): string[] =>
  CUES.filter(({ when }) => when(traits, exercise)).map(({ words }) => words(traits));

/** Cues for what is no figure, where an exercise has none of its own for it. */
const OTHER_SUBJECTS: Readonly<Record<string, string>> = {
  'animals/four-legged': 'From the nose along the back to the tail: where does the weight stand?',
  'animals/birds': 'An egg for the body first; how does it tip? Where do the feet carry it?',
  'animals/other animals': 'One line along its spine, then its largest mass.',
  'things/plants': 'Which way does it grow? One line for that, then the mass of its leaves.',
  'things/objects': 'Its axis, its widest place, its foot: then the edge.',
  'things/cloth': 'From where does it hang? Lines run from there.',
  'things/places': 'The horizon first, then the largest shapes, no windows.',
};

/** Where the eyes go is what such work is about: its own cue says so, whatever the picture shows. */
const ABOUT_THE_EYES: readonly Exercise['rule']['gaze'][] = ['only on the reference', 'eyes closed'];

/** The cue for what a picture shows where that is no human figure; undefined where the exercise's own will do. */
export function subjectCue(
  subject: string | undefined,
  { form, rule }: Pick<Exercise, 'form' | 'rule'>,
): string | undefined {
  if (subject === undefined) return undefined;
  const own: Readonly<Record<string, string | undefined>> = form?.cuesOf ?? {};
  return own[subject] ?? (ABOUT_THE_EYES.includes(rule.gaze) ? undefined : OTHER_SUBJECTS[subject]);
}
