// The small picture of each exercise: a figure of the sets with the marks of the answer key that belong to it: tsx exercises.ts
import { BUILDS } from '@/core/figure/skeleton/builds';
import { type AnswerKey, answerKey, type DrawnKey } from '@/core/figure/facts/answerKey';
import { figureFileName } from '@/core/figure/catalogue/catalogue';
import { buildFigure } from '@/core/figure/figure';
import { COARSE } from '@/core/figure/forms';
import { poseOf, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { STUDIO_LIGHT } from '@/core/figure/picture/light';
import type { ExercisePictures } from '@/core/practice/exercises/pictures';
import { CATALOG } from '@/core/practice/exercises';
import { KIT } from './kit';

/** Which figure (part of its file name) and which marks say what an exercise is about. */
const SHOWS: Record<string, readonly [figure: string, ...layers: string[]]> = {
  'action-line': ['archer-lunging', 'action'],
  'flowing-gesture': ['bread-carrier-stretching', 'action', 'masses'],
  'structural-gesture': ['archer-turning', 'masses', 'tilts'],
  'gesture-by-mass': ['drummer-leaning-back', 'light'],
  'shoulder-and-hip-bars': ['stilt-walker-at-rest', 'tilts'],
  envelope: ['bread-carrier-asleep', 'envelope'],
  'mark-allowance': ['bell-ringer-skipping', 'action', 'tilts'],
  'c-s-straight': ['archer-sprinting', 'envelope', 'action'],
  'squash-and-stretch': ['bell-ringer-stretching', 'contours'],
  'wrapping-lines': ['bread-carrier-offering', 'masses', 'contours'],
  'quick-head': ['drummer-on-one-knee', 'heads'],
  'hands-and-feet': ['bread-carrier-pointing', 'contours'],
  'head-by-mass': ['bread-carrier-resting-chin', 'light', 'heads'],
  'timed-study': ['bread-carrier-crouching', 'envelope', 'contours'],
  'page-of-many': ['drummer-spinning', 'contours', 'action'],
  contour: ['net-mender', 'contours'],
  'blind-contour': ['bell-ringer-bowing', 'contours'],
  'continuous-line': ['bread-carrier-on-a-beam', 'contours'],
  'cross-contour': ['archer-tired', 'masses'],
  'negative-shapes': ['archer-hands-on-hips', 'negatives'],
  'plumb-and-level': ['archer-testing', 'plumb'],
  'copy-a-drawing': ['stilt-walker-on-one-leg', 'contours', 'envelope'],
  'look-then-draw': ['drummer-at-attention', 'action'],
  'draw-then-memory': ['bread-carrier-lifting', 'envelope', 'action'],
  'eyes-closed': ['bell-ringer-waiting', 'envelope'],
  'other-hand': ['drummer-pushing', 'contours'],
  'shrinking-time': ['bread-carrier-bending', 'masses', 'action'],
  'same-picture-many-ways': ['bell-ringer-hauling', 'envelope', 'masses'],
  'one-element': ['bread-carrier-walking', 'tilts'],
  'from-imagination': ['bread-carrier-on-the-step', 'masses'],
  'line-qualities': ['drummer-lighting', 'contours'],
  'new-medium': ['stilt-walker-calling', 'light', 'action'],
  'two-values': ['bell-ringer-against-a-crate', 'light'],
  'tone-study': ['bread-carrier-with-a-basket', 'light', 'contours'],
  'line-then-tone': ['bell-ringer-pulling-down', 'contours', 'light'],
  'small-plans': ['bread-carrier-kneading', 'light', 'negatives'],
  'two-pens': ['archer-presenting', 'action', 'contours'],
  'main-piece': ['net-mender-watching', 'light', 'envelope'],
};

const NEEDS: Record<string, readonly (keyof DrawnKey)[]> = {
  light: ['shadow'],
  negatives: ['negatives'],
  contours: ['outline', 'inner'],
  envelope: ['envelope'],
  heads: ['headYs', 'envelope'],
  plumb: ['alignments', 'marks', 'envelope'],
  masses: ['masses'],
  tilts: [],
  action: [],
};

const kept = (key: AnswerKey, layers: readonly string[]): DrawnKey => {
  const wanted = new Set(layers.flatMap((l) => NEEDS[l]));
  const { width, height, action, shoulders, hips, top, bottom, heads, halfY, halfAt } = key;
  const list = <K extends keyof DrawnKey>(name: K): DrawnKey[K] =>
    wanted.has(name) ? key[name] : ([] as unknown as DrawnKey[K]);
  return {
    ...{ width, height, action, shoulders, hips, top, bottom, heads, halfY, halfAt },
    masses: list('masses'),
    marks: list('marks'),
    alignments: list('alignments'),
    envelope: list('envelope'),
    outline: list('outline'),
    inner: list('inner'),
    negatives: list('negatives'),
    headYs: list('headYs'),
    shadow: list('shadow'),
    face: [],
  };
};

type Line = [number, number][];
const EVERY = 3;
/** Enough points for a picture a hand high: every third, and no line shorter than four of them. */
const thin = (value: unknown): unknown => {
  if (!Array.isArray(value)) return value;
  const isLine =
    value.length > 8 && value.every((p) => Array.isArray(p) && p.length === 2 && p.every((n) => typeof n === 'number'));
  return isLine ? (value as Line).filter((_, i) => i % EVERY === 0 || i === value.length - 1) : value;
};

const out: ExercisePictures = {};
for (const { id } of CATALOG) {
  const [part, ...layers] = SHOWS[id];
  const reference = SET_FIGURES.find(({ poseId }) => poseId.startsWith(part));
  if (!reference) throw new Error(`no figure for ${id}: ${part}`);
  const { poseId, build, view } = reference;
  const { pose } = poseOf(poseId);
  const key = answerKey(buildFigure(KIT, pose, BUILDS[build], COARSE), pose, BUILDS[build], view, STUDIO_LIGHT, {
    ground: false,
  });
  out[id] = {
    reference: ['figure', poseId, build, view.azimuthDeg, view.elevationDeg, view.lensDeg].join('/'),
    file: figureFileName(poseId, build, view.azimuthDeg),
    layers,
    key: kept(key, layers),
  };
}
console.log(
  JSON.stringify(out, (_, value: unknown) =>
    typeof value === 'number'
      ? Math.round(value * (Math.abs(value) < 20 ? 10 : 1)) / (Math.abs(value) < 20 ? 10 : 1)
      : thin(value),
  ),
);
