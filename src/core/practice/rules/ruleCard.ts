import type { Exercise, RuleLine } from '../exercises/exercise';
import type { Medium } from '../paper/materials';

const GAZES: Partial<Record<Exercise['rule']['gaze'], RuleLine>> = {
  'only on the reference': { topic: 'eyes', words: 'eyes on the edge; a sound ends it' },
  'eyes closed': { topic: 'eyes closed', words: 'eyes closed; a sound ends it' },
  'mostly on the reference': { topic: 'eyes', words: 'look more than draw' },
};

const view = (name: Exercise['rule']['view']): string =>
  (
    ({
      detail: 'choose one part, draw it large (Z enlarges)',
      squint: 'shown blurred',
      mirrored: 'shown mirrored',
      'as is': 'shown as it is',
    }) as const
  )[name as 'detail'] ?? `shown in ${name}`;

/**
 * The rule of an exercise as it stands beside the picture: what is asked, what is allowed, what is not.
 * @param hidden The picture is put away just now.
 * @param medium What it is drawn with; undefined where that is not known.
 */
export function ruleCard({ family, rule, form }: Exercise, hidden: boolean, medium?: Medium): RuleLine[] {
  const { gaze, lifts, erasing, marks } = rule;
  const gazeLine = GAZES[gaze];
  const restated = family === 'quick' && erasing === 'none' && marks === 'free';
  return [
    ...(gazeLine ? [gazeLine] : []),
    ...(form?.ruleLine ? [form.ruleLine] : []),
    ...(lifts === 'none' ? [{ topic: 'line', words: 'one line: never lift; back and across are fine' } as const] : []),
    ...(rule.view === 'as is' ? [] : [{ topic: 'view', words: view(rule.view) } as const]),
    ...(medium && !medium.erases
      ? [{ topic: 'line', words: `${medium.name}: nothing to rub out` } as const]
      : erasing === 'none'
        ? [{ topic: 'line', words: 'no erasing' } as const]
        : []),
    ...(restated ? [{ topic: 'line', words: 'wrong line? Draw it again in one stroke' } as const] : []),
    ...(erasing === 'free' && hidden && medium?.erases !== false
      ? [{ topic: 'mark', words: 'erase freely' } as const]
      : []),
  ];
}

/** Nothing is to be rubbed out: by the rule, or because what it is drawn with does not let it. */
export const nothingErased = ({ rule }: Pick<Exercise, 'rule'>, medium?: Medium): boolean =>
  rule.erasing === 'none' || medium?.erases === false;
