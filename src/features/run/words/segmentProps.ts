import type { RunState } from '@/core/clock/run';
import type { Plan } from '@/core/practice/plan/schema';
import type { Segment } from '@/core/practice/time/timeline';
import type { Exchange } from '@/features/run/session/useExchange';
import type { Command, Said } from '@/features/run/session/controller';

/** How large the clock stands, or that it is put away. */
export const CLOCKS = ['large', 'small', 'none'] as const;
type ClockSize = (typeof CLOCKS)[number];

export interface SegmentProps {
  plan: Plan;
  segments: readonly Segment[];
  segment: Segment;
  state: RunState;
  clock: ClockSize;
  /** Where the words stand: opposite the drawing hand's controls. */
  wordsOn: 'left' | 'right';
  onCommand: (command: Command) => void;
  onSay: (said: Said) => void;
  /** It is drawn on a sheet on the screen, which counts lifts by itself and rubs nothing out that may not be. */
  onScreen?: boolean;
  /** A page is put away; missing where this cannot be done. */
  onPages?: () => void;
  /** Changes the next pose; missing in the second window. */
  exchange?: Exchange;
}
