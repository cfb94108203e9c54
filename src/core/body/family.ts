import type { WholeFamily } from '../figure/catalogue/families';
import { length, sub } from '../figure/skeleton/vector';
import type { Posture } from './posture';

export interface FamilyGuess {
  family: WholeFamily;
  /** What tells it, in words. */
  why: string;
}

const deg = (value: number): string => `${String(Math.round(value))}°`;

/**
 * The family of a pose from its angles: what the weight rests on first, then what the legs and arms do. The limits lie where 216 rendered
 * figures of known families part best (docs/picture-facts.md).
 */
export function guessFamily(p: Posture): FamilyGuess {
  const mean = ([a, b]: readonly [number, number]): number => (a + b) / 2;
  const thighs = mean(p.thighDeg);
  const kneesLeast = Math.min(...p.kneeDeg);
  const shinMost = Math.max(...p.shinDeg);
  const thighLeast = Math.min(...p.thighDeg);
  const ankles = Math.abs(p.at('left ankle')[1] - p.at('right ankle')[1]);
  const legs = length(sub(p.at('left hip'), p.at('left knee'))) + length(sub(p.at('left knee'), p.at('left ankle')));
  const apart = Math.abs(p.at('left ankle')[0] - p.at('right ankle')[0]);
  const hands = length(sub(p.at('left wrist'), p.at('right wrist')));
  const armMost = Math.max(...p.upperArmDeg);
  const lean = `the trunk leans ${deg(p.trunkDeg)}`;
  if (p.trunkDeg > 55 && thighs > 60) return { family: 'reclining', why: `${lean} and the thighs lie nearly level` };
  if (shinMost > 62 && kneesLeast > 68)
    return {
      family: 'kneeling or crouching',
      why: `both knees are bent ${deg(kneesLeast)} and more, a shin lies back`,
    };
  if (kneesLeast > 100 && thighs > 55)
    return { family: 'kneeling or crouching', why: `both knees are bent ${deg(kneesLeast)} and more` };
  if (thighs > 48 && (thighLeast > 28 || p.trunkDeg > 25))
    return p.trunkDeg > 58
      ? { family: 'reclining', why: `${lean} and the legs do not carry` }
      : { family: 'seated', why: `the thighs lie ${deg(thighs)} off hanging, the trunk is up` };
  if (p.trunkDeg > 44) return { family: 'bending', why: `${lean} over legs that stand` };
  if (ankles > 0.33 * legs && thighLeast < 28)
    return { family: 'balancing', why: 'one foot is lifted high above the other' };
  if (apart > 0.6 * legs || (shinMost > 42 && Math.max(...p.kneeDeg) > 38))
    return { family: 'walking or running', why: 'the legs stride apart and a shin swings' };
  if (armMost > 75) return { family: 'reaching or pulling', why: `an arm is raised ${deg(armMost)}` };
  if (hands < 0.28 && armMost < 75 && Math.max(p.at('left wrist')[1], p.at('right wrist')[1]) > 0.02)
    return { family: 'two-handed work', why: 'both hands are together before the body' };
  if (Math.abs(p.kneeDeg[0] - p.kneeDeg[1]) > 11)
    return { family: 'weight shifted', why: 'one knee is bent, the other leg carries' };
  return { family: 'standing even', why: 'both legs stand straight' };
}
