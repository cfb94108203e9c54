import { listWords } from '../../words';
import type { AnswerKey } from './answerKey';
import { HOLD_CAP_S } from './effort';

const deg = (value: number): string => `${String(Math.round(Math.abs(value)))}°`;
const percent = (share: number): string => `${String(Math.round(share * 100))} %`;
const kindWords = { C: 'a single C curve', S: 'an S curve', straight: 'nearly straight' } as const;

/** A tilt in words: which end is higher. */
function tilted(what: string, { deg: value, endOn }: AnswerKey['hips']): string {
  if (endOn) return `The ${what} are seen nearly end on`;
  return Math.abs(value) < 2
    ? `The ${what} are level`
    : `The ${what} tilt ${deg(value)}, higher on the ${value > 0 ? 'right' : 'left'} of the picture`;
}

/** How long a pose can be held, in words. @param seconds See `Effort`. */
export function holdWords(seconds: number): string {
  if (seconds >= 120) return `about ${String(Math.floor(seconds / 60))} min`;
  return `about ${String(seconds)} s`;
}

/** Limbs that are strongly foreshortened, shortest first. */
const shortened = (key: AnswerKey): AnswerKey['limbs'] =>
  key.limbs.filter(({ ratio }) => ratio < 0.6).sort((a, b) => a.ratio - b.ratio);

/** What the two tilts of a part are of. */
const PART_TILTS = {
  head: ['eyes', 'corners of the mouth'],
  hand: ['knuckles', 'two sides of the wrist'],
  foot: ['ankles', 'balls of the foot'],
} as const;

/** What is known of a head, a hand or a foot in a picture. */
function partSentences(key: AnswerKey, kind: keyof typeof PART_TILTS): string[] {
  const [upper, lower] = PART_TILTS[kind];
  const line = {
    head: 'down the middle of the face',
    hand: 'from the wrist to the middle finger',
    foot: 'from the ankle to the toes',
  };
  const out = [
    `The line ${line[kind]} is ${kindWords[key.action.kind]}.`,
    `${tilted(upper, key.shoulders)}; ${tilted(lower, key.hips).replace('The', 'the')}.`,
    `The half of its height falls near the ${key.halfAt}; its envelope is ${key.aspect.toFixed(2)} times as wide as high.`,
  ];
  if (kind === 'head') {
    const [head] = key.masses;
    const turn = Math.abs(head.turnDeg);
    out.unshift(
      turn < 8
        ? 'The head faces you: both halves of the face are alike.'
        : `The head is turned ${deg(turn)} to the ${head.turnDeg > 0 ? 'right' : 'left'} of the picture, so that the ${head.turnDeg > 0 ? 'right' : 'left'} side of it is the broad one.`,
    );
  }
  const plumb = key.alignments.filter((a) => a.kind === 'plumb').slice(0, 2);
  if (plumb.length > 0) out.push(`One above the other: ${plumb.map(({ a, b }) => `${a} and ${b}`).join('; ')}.`);
  if (key.negatives.length > 0)
    out.push(
      `Enclosed negative shapes: ${String(key.negatives.length)}, the largest ${percent(key.negatives[0].share)} of the envelope.`,
    );
  return out;
}

/** What is known of a figure in a picture, in plain sentences, what matters most for drawing it first. */
export function factSentences(key: AnswerKey): string[] {
  if (key.part && key.part !== 'torso') return partSentences(key, key.part.split('.')[0] as keyof typeof PART_TILTS);
  const leg = key.action.leg === 'L' ? 'left' : 'right';
  const out = [`The action line is ${kindWords[key.action.kind]} and runs into the ${leg} leg.`];
  out.push(
    `${tilted('shoulders', key.shoulders)}; ${tilted('hips', key.hips).replace('The', 'the')}${
      key.shoulders.endOn || key.hips.endOn || key.contrastDeg < 4 ? '' : `, ${deg(key.contrastDeg)} against each other`
    }.`,
  );
  if (key.pinched) {
    const stretched = key.pinched === 'left' ? 'right' : 'left';
    out.push(`Its ${key.pinched} side is pinched, its ${stretched} side stretched.`);
  }
  if (key.twistDeg > 12) out.push(`The shoulders are turned ${deg(key.twistDeg)} against the hips.`);
  const short = shortened(key);
  if (short.length > 0)
    out.push(
      `${short.length === 1 ? 'One limb is' : 'Limbs'} foreshortened: ${listWords(
        short.slice(0, 3).map((l) => `${l.name} to ${percent(l.ratio)} of its length`),
      )}.`,
    );
  const hidden = key.limbs.filter((l) => l.covered > 0.5);
  if (hidden.length > 0) out.push(`Mostly covered: ${listWords(hidden.map((l) => l.name))}.`);
  out.push(
    `It is ${key.heads.toFixed(1)} heads high in the picture; the half falls near the ${key.halfAt}. Its envelope is ${key.aspect.toFixed(2)} times as wide as high.`,
  );
  const plumb = key.alignments.filter((a) => a.kind === 'plumb').slice(0, 2);
  if (plumb.length > 0) out.push(`One above the other: ${plumb.map(({ a, b }) => `${a} and ${b}`).join('; ')}.`);
  const { leftShare } = key.effort;
  if (leftShare !== undefined)
    out.push(
      leftShare > 0.35 && leftShare < 0.65
        ? 'Both feet carry about the same weight.'
        : `The ${leftShare > 0.5 ? 'left' : 'right'} foot carries about ${percent(Math.max(leftShare, 1 - leftShare))} of the weight.`,
    );
  if (key.negatives.length > 0)
    out.push(
      `Enclosed negative shapes: ${String(key.negatives.length)}, the largest ${percent(key.negatives[0].share)} of the envelope.`,
    );
  out.push(
    key.effort.limitedBy === undefined || key.effort.holdS >= HOLD_CAP_S
      ? 'A model could hold this for 20 min and more (an estimate).'
      : `A model could hold this ${holdWords(key.effort.holdS)}; ${key.effort.limitedBy === 'balance' ? 'balance goes first' : `the ${key.effort.limitedBy} tires first`} (a careful estimate).`,
  );
  return out;
}
