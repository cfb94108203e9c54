import { limbDistance } from '../body/limbs';
import { effectiveFacts } from './effectiveFacts';
import type { Picture } from './picture';

/** Degrees added for each fact in which two pictures differ. */
const DIFFERS = { subject: 25, view: 12, facing: 10, family: 8, extent: 6, eyeLevel: 6 } as const;

/** The pictures most like one: by how the limbs lie where bodies are known, and by their facts. */
export function mostSimilar(picture: Picture, all: readonly Picture[], count: number): Picture[] {
  const own = effectiveFacts(picture);
  const limbs = picture.measures?.limbs;
  const distance = (other: Picture): number => {
    const facts = effectiveFacts(other);
    const theirs = other.measures?.limbs;
    const ofFacts = (Object.keys(DIFFERS) as (keyof typeof DIFFERS)[]).reduce(
      (sum, name) => sum + (facts[name] === own[name] ? 0 : DIFFERS[name]),
      0,
    );
    const ofLimbs = limbs && theirs ? limbDistance(limbs, theirs) : limbs || theirs ? 90 : 0;
    return ofFacts + ofLimbs;
  };
  return all
    .filter((other) => other.id !== picture.id && other.binnedAtMs === null)
    .map((other) => ({ other, d: distance(other) }))
    .sort((a, b) => a.d - b.d)
    .slice(0, count)
    .map(({ other }) => other);
}
