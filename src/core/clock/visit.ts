import type { Line } from './log';

/** Why a pose is worked beyond its plan: going back to it, starting it over, or a copy of it. */
export type Extra = 'more time' | 'again' | 'one more';

/** One stay in a segment. Going back or restarting opens another one; nothing recorded is overwritten. */
export interface Visit {
  segmentIndex: number;
  startMs: number;
  /** Equal to "now" while it lasts. */
  endMs: number;
  /** Time on hold within it. */
  heldMs: number;
  /** Planned length with what was added. */
  lengthMs: number;
  /** Time after its end was signaled, until the learner answered; not spent in it. */
  waitedMs: number;
  /** How it ended; undefined while it lasts. */
  ended?: 'time' | 'next' | 'back' | 'restart' | 'stop';
  extra?: Extra;
  /** Looks at the sheet, each with how long it took, milliseconds. */
  peeks: number[];
  lifts: number;
  /** Drawn into a perspective box. */
  intoRoom?: true;
  /** Where it was begun on the picture, shares of width and height. */
  startPoint?: readonly [x: number, y: number];
  /** The line of the flow, and where the eye is to go first, as the learner put them on the picture; shares. */
  flowLine?: readonly (readonly [x: number, y: number])[];
  focal?: readonly [x: number, y: number];
  /** Whether the eye still goes there, as the learner said. */
  focalKept?: boolean;
  /** Marks it took, and which elements it does not have, as the learner said. */
  marks?: number;
  missing?: readonly string[];
  /** How often something was rubbed out. */
  rubbedOut?: number;
  /** After how much time in it the whole figure was in, milliseconds. */
  wholeInMs?: number;
  /** Whether the whole figure was down at the end, as the learner said. */
  whole?: boolean;
  /** How the line was, as the learner said. */
  line?: Line;
}
