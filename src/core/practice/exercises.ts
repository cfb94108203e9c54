import { z } from 'zod';

export const exerciseIdSchema = z.enum(['flowing-gesture', 'blind-contour', 'look-then-draw']);
export type ExerciseId = z.infer<typeof exerciseIdSchema>;

/** Families share a color and a pattern on the ribbon. */
export type ExerciseFamily = 'quick' | 'lines' | 'seeing' | 'memory' | 'light';

/** What the runner enforces or shows, so that the learner need not police it. */
interface ExerciseRule {
  reference: 'shown' | 'look then hidden';
  gaze: 'free' | 'mostly on the reference' | 'only on the reference';
  lifts: 'free' | 'none';
  erasing: 'free' | 'none';
  /** Crisp cues hurry; calm ones only tell. */
  sound: 'crisp' | 'calm';
  /** Whether the learner may tap that they peeked at the sheet. */
  countsPeeks: boolean;
}

export interface Exercise {
  id: ExerciseId;
  name: string;
  family: ExerciseFamily;
  purpose: string;
  /** Shown in the lead-in only, never over the picture. */
  cues: readonly string[];
  rule: ExerciseRule;
  /** What is asked afterward; never about likeness. */
  closingQuestion: string;
}

export const EXERCISES: Record<ExerciseId, Exercise> = {
  'flowing-gesture': {
    id: 'flowing-gesture',
    name: 'Flowing gesture',
    family: 'quick',
    purpose: 'The whole figure at once: one path from head to foot, then the masses, then the limbs.',
    cues: [
      'Where does the eye travel, from the head to the far foot?',
      'Curves first. Restate a line rather than repair it.',
      'The whole figure every time, large before small.',
      'Which leg carries the weight?',
    ],
    rule: {
      reference: 'shown',
      gaze: 'mostly on the reference',
      lifts: 'free',
      erasing: 'none',
      sound: 'crisp',
      countsPeeks: false,
    },
    closingQuestion: 'Where did the action line run?',
  },
  'blind-contour': {
    id: 'blind-contour',
    name: 'Blind contour',
    family: 'seeing',
    purpose: 'The hand follows the edge as slowly as the eye does, and the sheet is not looked at.',
    cues: [
      'Choose where to start, then go slower than that.',
      'Eyes on the edge until the sound. It need not look like it.',
      'Inner edges too: where does one form pass behind another?',
    ],
    rule: {
      reference: 'shown',
      gaze: 'only on the reference',
      lifts: 'free',
      erasing: 'none',
      sound: 'calm',
      countsPeeks: true,
    },
    closingQuestion: 'What did you notice that you had not seen before?',
  },
  'look-then-draw': {
    id: 'look-then-draw',
    name: 'Look, then draw',
    family: 'memory',
    purpose: 'Study the pose, then draw it from memory, then see it again.',
    cues: [
      'Say to yourself what you will draw first.',
      'Weight, lean, the big angles. Details will not stay anyway.',
      'Close your eyes once before it hides: is it still there?',
    ],
    rule: {
      reference: 'look then hidden',
      gaze: 'free',
      lifts: 'free',
      erasing: 'free',
      sound: 'crisp',
      countsPeeks: false,
    },
    closingQuestion: 'What was left out?',
  },
};

/** Whole pages of lines, in order: from the easy direction to the loose hand. */
export const LINE_MOTIFS = ['Verticals', 'Horizontals', 'Diagonals', 'Quick curves', 'Figure eights'] as const;

/** Body moves from the hand inward. */
export const BODY_MOVES = [
  { name: 'Shake the hands out', hint: 'Loose wrists, let the arms hang.' },
  { name: 'Stretch each finger', hint: 'One after the other, gently.' },
  { name: 'Open and close the hands', hint: 'Wide open, then soft fists.' },
  { name: 'Circle the wrists', hint: 'Both ways, small to large.' },
  { name: 'Bend and straighten the elbows', hint: 'Turn the palms as you go.' },
  { name: 'Roll the shoulders', hint: 'Up, back, down. Slowly.' },
  { name: 'Round and arch the back', hint: 'Only as far as is comfortable.' },
  { name: 'Turn the head from side to side', hint: 'Chin level. Breathe out at each end.' },
] as const;

/** Pose lengths people use, milliseconds; each about 1.3 to 2 times the last. */
const DURATION_STEPS_MS: readonly number[] = [
  10, 15, 20, 30, 45, 60, 90, 120, 180, 240, 300, 420, 600, 900, 1200, 1500, 1800,
].map((s) => s * 1000);

/** The next longer duration step, or half as much again beyond the last. */
export function nextDurationStepMs(durationMs: number): number {
  return DURATION_STEPS_MS.find((step) => step > durationMs) ?? Math.round((durationMs * 1.5) / 1000) * 1000;
}
