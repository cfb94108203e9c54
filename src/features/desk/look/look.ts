import { type Turned, UPRIGHT } from '@/core/desk/pair';
import { filterOf, type SeenAs } from '@/ui/ValueFilters';

/** A line laid over both pictures of a pair: shares of the figure's width and height. */
export type LaidLine =
  | { kind: 'plumb'; u: number }
  | { kind: 'level'; v: number }
  | { kind: 'any'; from: readonly [number, number]; to: readonly [number, number] }
  | { kind: 'path'; points: readonly (readonly [number, number])[] }
  | { kind: 'spot'; at: readonly [number, number] };
/** What is laid by a press. */
export type LineTool = 'plumb' | 'level' | 'any';

export const ARRANGEMENTS = ['side by side', 'over', 'in turn'] as const;
export const SIDES = ['reference', 'drawing'] as const;
export type Side = (typeof SIDES)[number];

/** How a pair is laid out and seen. */
export interface Look {
  arrangement: (typeof ARRANGEMENTS)[number];
  /** How much of the reference is seen where it lies over the drawing, 0 to 1. */
  through: number;
  seenAs: SeenAs;
  back: boolean;
  turned: Turned;
  /** What all of that is applied to. */
  which: Side | 'both';
  tool: LineTool | undefined;
  lines: readonly LaidLine[];
  /** The ground between the limbs is filled with one flat tone. */
  between: boolean;
  /** What the learner put on the picture before drawing it lies over both. */
  put: boolean;
  /** The brightest light is marked, with its rivals. */
  lights: boolean;
}

/** As it begins. */
export const PLAIN: Look = {
  arrangement: 'side by side',
  through: 0.5,
  seenAs: 'color',
  back: false,
  turned: UPRIGHT,
  which: 'both',
  tool: undefined,
  lines: [],
  between: false,
  put: false,
  lights: false,
};

/** Steps back until it is so small: a tenth. */
const STEPPED_BACK = 0.1;
/** So many lines at most: more are a net, not a help. */
const MOST_LINES = 12;

/** How one side of a pair is shown. */
export function shownSide(
  { which, turned, seenAs, back }: Look,
  side: Side,
): { turned: Turned; filter: string | undefined; small: number } {
  if (which !== 'both' && which !== side) return { turned: UPRIGHT, filter: undefined, small: 1 };
  return { turned, filter: filterOf(seenAs), small: back ? STEPPED_BACK : 1 };
}

/** With one more line, from where it was begun to where it was ended; shares of the figure. */
export function withLine(look: Look, from: [number, number], to: [number, number]): Look {
  const { tool, lines } = look;
  if (!tool) return look;
  const line: LaidLine =
    tool === 'plumb'
      ? { kind: tool, u: to[0] }
      : tool === 'level'
        ? { kind: tool, v: to[1] }
        : { kind: tool, from, to };
  return { ...look, lines: [...lines, line].slice(-MOST_LINES) };
}
