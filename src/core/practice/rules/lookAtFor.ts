import { knownFacts } from '../../figure/catalogue/catalogue';
import type { Exercise } from '../exercises/exercise';

const ON_THE_GROUND = 'Dark where the body meets the ground';
const TO_A_HEAD = 'Neck and shoulders';

/** What is looked at in a drawing afterward: what its exercise says, and what its reference asks for besides. */
export function lookAtFor(
  { lookAt, family }: Pick<Exercise, 'lookAt' | 'family'>,
  referenceId: string | null,
): string[] {
  const facts = referenceId === null ? undefined : knownFacts(referenceId);
  const more = [
    ...(family === 'light' && facts?.onGround ? [ON_THE_GROUND] : []),
    ...(facts?.family === 'heads' ? [TO_A_HEAD] : []),
  ];
  return [...lookAt, ...more.filter((one) => !lookAt.includes(one))];
}
