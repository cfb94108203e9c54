import type { Exercise } from '../exercises/exercise';
import type { Aim } from './aimIds';
import type { Medium } from '../paper/materials';

export interface Wish {
  exercise: string;
  /** Its part of the drawing time; weights are brought to a sum of 1. */
  weight: number;
}

/** What a session is after, and the exercises that serve it in climbing order. Parts follow the balance of a session: short poses before slow seeing before long ones. */
export const AIMS = {
  everything: {
    name: 'a bit of everything',
    wishes: [
      { exercise: 'flowing-gesture', weight: 0.35 },
      { exercise: 'blind-contour', weight: 0.15 },
      { exercise: 'look-then-draw', weight: 0.15 },
      { exercise: 'structural-gesture', weight: 0.15 },
      { exercise: 'tone-study', weight: 0.2 },
    ],
  },
  loosen: {
    name: 'loosening up',
    wishes: [
      { exercise: 'action-line', weight: 0.25 },
      { exercise: 'flowing-gesture', weight: 0.4 },
      { exercise: 'other-hand', weight: 0.15 },
      { exercise: 'continuous-line', weight: 0.2 },
    ],
  },
  proportion: {
    name: 'proportion',
    wishes: [
      { exercise: 'shoulder-and-hip-bars', weight: 0.15 },
      { exercise: 'structural-gesture', weight: 0.45 },
      { exercise: 'plumb-and-level', weight: 0.25 },
      { exercise: 'look-then-draw', weight: 0.15 },
    ],
  },
  landmarks: {
    name: 'landmarks',
    wishes: [
      { exercise: 'flowing-gesture', weight: 0.2 },
      { exercise: 'structural-gesture', weight: 0.55 },
      { exercise: 'cross-contour', weight: 0.25 },
    ],
  },
  contour: {
    name: 'contour',
    wishes: [
      { exercise: 'flowing-gesture', weight: 0.25 },
      { exercise: 'blind-contour', weight: 0.2 },
      { exercise: 'continuous-line', weight: 0.2 },
      { exercise: 'contour', weight: 0.35 },
    ],
  },
  memory: {
    name: 'memory',
    wishes: [
      { exercise: 'flowing-gesture', weight: 0.25 },
      { exercise: 'look-then-draw', weight: 0.4 },
      { exercise: 'draw-then-memory', weight: 0.35 },
    ],
  },
  light: {
    name: 'light and shadow',
    wishes: [
      { exercise: 'gesture-by-mass', weight: 0.3 },
      { exercise: 'two-values', weight: 0.3 },
      { exercise: 'tone-study', weight: 0.4 },
    ],
  },
  hands: {
    name: 'hands and feet',
    wishes: [
      { exercise: 'hands-and-feet', weight: 0.6 },
      { exercise: 'continuous-line', weight: 0.2 },
      { exercise: 'one-element', weight: 0.2 },
    ],
  },
  speed: {
    name: 'speed',
    wishes: [
      { exercise: 'action-line', weight: 0.35 },
      { exercise: 'flowing-gesture', weight: 0.45 },
      { exercise: 'mark-allowance', weight: 0.2 },
    ],
  },
} as const satisfies Record<Aim, { name: string; wishes: readonly Wish[] }>;
/** Whether there is an aim of this name. */
export const isAim = (text: string): text is Aim => Object.hasOwn(AIMS, text);

/** Asked once: this exercise with this medium? Never in the way. */
export const wantsBroad = ({ form }: Exercise, medium: Medium): boolean => form?.broad === true && !medium.broad;
