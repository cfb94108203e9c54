import type { Exercise } from '../exercises/exercise';

export interface Stage {
  name: string;
  /** Of the time of the pose; shares add up to 1. */
  share: number;
}
interface School {
  stages: readonly Stage[];
  /** A stage that would get less is dropped, from the end. */
  shortestMs: number;
}
const school = (shortestSeconds: number, ...stages: readonly [name: string, percent: number][]): School => ({
  shortestMs: shortestSeconds * 1000,
  stages: stages.map(([name, percent]) => ({ name, share: percent / 100 })),
});

const SCHOOL_STAGES: Record<Exclude<Exercise['school'], 'none'>, School> = {
  flowing: school(4, ['action line', 20], ['masses', 25], ['tilts', 15], ['limb rhythms', 25], ['landmarks', 15]),
  structural: school(5, ['three masses', 35], ['turn and tilt', 20], ['spine, landmarks', 25], ['limbs', 20]),
  // What any subject asks for: a vase as well as a figure.
  study: school(5, ['big shape', 30], ['angles and proportions', 25], ['inner shapes', 25], ['edges and accents', 20]),
  'head by mass': school(8, ['mass with the stump', 35], ['lights out', 25], ['darks back in', 25], ['edges', 15]),
  'light and dark': school(5, ['lay-in', 35], ['shadow mass', 25], ['squint and check', 10], ['refine', 30]),
  long: school(
    20,
    ['envelope', 8],
    ['lay-in', 22],
    ['correct', 10],
    ['contour', 12],
    ['shadow outline', 14],
    ['flat tone', 14],
    ['soften the turning', 8],
    ['lights', 5],
    ['accents', 7],
  ),
  'two pens': school(20, ['light pen', 60], ['dark pen', 40]),
};

/**
 * Stages of a pose in whole milliseconds that add up to its length. Stages that would get less than their school's minimum are dropped
 * from the end and the others share the time: with less time do less, not everything faster.
 */
export function stageLengths(
  stages: readonly Stage[],
  drawMs: number,
  shortestMs: number,
): { name: string; lengthMs: number }[] {
  for (let kept = stages.length; kept > 1; kept--) {
    const some = stages.slice(0, kept);
    const total = some.reduce((sum, s) => sum + s.share, 0);
    if (some.some((s) => (drawMs * s.share) / total < shortestMs)) continue;
    let at = 0;
    let share = 0;
    return some.map((s) => {
      share += s.share;
      const end = Math.round((drawMs * share) / total);
      const lengthMs = end - at;
      at = end;
      return { name: s.name, lengthMs };
    });
  }
  return stages.length > 0 ? [{ name: stages[0].name, lengthMs: drawMs }] : [];
}

/**
 * Stages with another share for one of them, all in whole percents that add up to a hundred: the others keep their proportions, and each
 * has one percent at least.
 */
export function withShare(stages: readonly Stage[], index: number, share: number): Stage[] {
  const percent = Math.min(100 - (stages.length - 1), Math.max(1, Math.round(share * 100)));
  const others = stages.reduce((sum, s, i) => (i === index ? sum : sum + s.share), 0);
  let left = 100 - percent;
  let shares = others;
  let after = stages.length - 1;
  return stages.map((stage, i) => {
    if (i === index) return { ...stage, share: percent / 100 };
    after--;
    const own = Math.min(left - after, Math.max(1, Math.round((left * stage.share) / shares)));
    left -= own;
    shares -= stage.share;
    return { ...stage, share: own / 100 };
  });
}

/** Tone makes sense in drawings of at least so long, where nothing else is said. */
export const TONE_FROM_MS = 5 * 60_000;
/** Stages of the long school that are tone. */
const TONE = ['shadow outline', 'flat tone', 'soften the turning', 'lights', 'accents'];

/** The stages of a school with their shares, as far as they make sense in a drawing of some length; none for exercises without. */
export function stagesOfSchool(name: Exercise['school'], drawMs: number, toneFromMs = TONE_FROM_MS): readonly Stage[] {
  if (name === 'none') return [];
  const { stages } = SCHOOL_STAGES[name];
  return drawMs < toneFromMs ? stages.filter((stage) => !TONE.includes(stage.name)) : stages;
}

/** Stages of a pose by its school; none for exercises without. */
export function schoolStages(
  name: Exercise['school'],
  drawMs: number,
  toneFromMs?: number,
): { name: string; lengthMs: number }[] {
  const stages = stagesOfSchool(name, drawMs, toneFromMs);
  return name === 'none' ? [] : stageLengths(stages, drawMs, SCHOOL_STAGES[name].shortestMs);
}
