import type { Material } from '../hand/ink';
import type { Manner } from '../hand/mannerNames';
import type { Exercise } from '../practice/exercises/exercise';
import type { Medium } from '../practice/paper/materials';
import { nothingErased } from '../practice/rules/ruleCard';
import { mostMarks } from '../practice/rules/marks';

/** What a sheet on the screen lets one do, and what it keeps an eye on, by the rule of its exercise. */
export interface SheetRule {
  /** What there is to draw with, the proposed one first. */
  materials: readonly Material[];
  /** An eraser is there, and strokes can be taken back. */
  erases: boolean;
  /** When what is drawn is seen: always, while the pen stands still, or when the time is up. */
  seen: 'always' | 'while the pen stands' | 'afterward';
  /** One line: a stroke after the first is a lift. */
  oneLine: boolean;
  /** So many marks are allowed; undefined without a limit. */
  most: number | undefined;
  otherHand: boolean;
}

/** Ways of drawing that lay masses rather than lines. */
const MASSES: readonly Manner[] = ['mass', 'negative shapes', 'shadow shapes'];
const PENS = ['ballpoint', 'fineliner'];
const BRUSHES = ['brush pen', 'ink and brush'];

/** What a medium is on the screen. */
function materialOf({ id, broad }: Medium): Material {
  if (PENS.includes(id)) return 'ballpoint';
  if (BRUSHES.includes(id)) return 'brush';
  return broad ? 'charcoal' : 'graphite';
}

/** @param medium What the block is planned to be drawn with; undefined where that is left open. */
export function sheetRule(exercise: Exercise, medium: Medium | undefined): SheetRule {
  const { rule, form } = exercise;
  const masses = form?.broad === true || (form?.drawn !== undefined && MASSES.includes(form.drawn));
  const planned = medium && medium.id !== 'digital' ? materialOf(medium) : undefined;
  const others: readonly Material[] = ['graphite', 'charcoal', 'ballpoint', 'brush'];
  return {
    materials: masses ? ['charcoal'] : planned ? [planned] : others,
    erases: !nothingErased(exercise, medium) && rule.lifts === 'free',
    seen:
      rule.gaze === 'only on the reference' || rule.gaze === 'eyes closed'
        ? 'afterward'
        : rule.gaze === 'mostly on the reference' && rule.pace === 'slow'
          ? 'while the pen stands'
          : 'always',
    oneLine: rule.lifts === 'none',
    most: mostMarks(rule),
    otherHand: rule.hand === 'other',
  };
}
