import type { Exercise } from '../exercises/exercise';
import type { PictureTraits } from './pictureCues';

const ON_THE_GROUND = 'Dark where the body meets the ground';
const TO_A_HEAD = 'Neck and shoulders';

/** What is looked at in a drawing afterward: what its exercise says, and what its reference asks for besides. */
export function lookAtFor(
  { lookAt, family }: Pick<Exercise, 'lookAt' | 'family'>,
  reference: Pick<PictureTraits, 'family' | 'onGround' | 'subject'>,
): string[] {
  const more = [
    ...(family === 'light' && reference.onGround ? [ON_THE_GROUND] : []),
    ...(reference.family === 'heads' || reference.subject === 'parts/head' ? [TO_A_HEAD] : []),
  ];
  return [...lookAt, ...more.filter((one) => !lookAt.includes(one))];
}
