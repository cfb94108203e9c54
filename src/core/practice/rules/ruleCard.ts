import type { Exercise } from '../exercises/exercise';

/** What a line of a rule is about. */
export type RuleTopic = 'eyes' | 'eyes closed' | 'line' | 'mark' | 'view';
export interface RuleLine {
  topic: RuleTopic;
  words: string;
}

const GAZES: Partial<Record<Exercise['rule']['gaze'], RuleLine>> = {
  'only on the reference': { topic: 'eyes', words: 'eyes on the edge, goes by sound' },
  'eyes closed': { topic: 'eyes closed', words: 'eyes closed, goes by sound' },
  'mostly on the reference': { topic: 'eyes', words: 'look more than draw' },
};
/** Lines of single exercises, and of no other. */
const OWN: Readonly<Record<string, RuleLine>> = {
  contour: { topic: 'eyes', words: 'the pencil moves only while you look: stop, glance, go on' },
  'cross-contour': { topic: 'line', words: 'follow every bump: none straight, none a tidy ellipse' },
};

const view = (name: Exercise['rule']['view']): string =>
  name === 'detail' ? 'one part, large' : `seen in ${name === 'mirrored' ? 'a mirror' : name}`;

/**
 * The rule of an exercise as it stands beside the picture: what is asked, what is allowed, what is not.
 * @param hidden The picture is put away just now.
 */
export function ruleCard({ id, family, rule }: Exercise, hidden: boolean): RuleLine[] {
  const { gaze, lifts, grip, erasing, marks } = rule;
  const gazeLine = GAZES[gaze];
  const restated = family === 'quick' && erasing === 'none' && marks === 'free';
  return [
    ...(gazeLine ? [gazeLine] : []),
    ...(id in OWN ? [OWN[id]] : []),
    ...(lifts === 'none' ? [{ topic: 'line', words: 'one line: never lift; back and across are fine' } as const] : []),
    ...(grip === 'from the shoulder' ? [{ topic: 'mark', words: 'from the shoulder' } as const] : []),
    ...(rule.view === 'as is' ? [] : [{ topic: 'view', words: view(rule.view) } as const]),
    ...(erasing === 'none' ? [{ topic: 'line', words: 'no erasing' } as const] : []),
    ...(restated ? [{ topic: 'line', words: 'a wrong stroke again, whole: no fuzz' } as const] : []),
    ...(erasing === 'free' && hidden ? [{ topic: 'mark', words: 'erase freely' } as const] : []),
  ];
}
