import type { Point } from '@/core/figure/facts/actionLine';
import type { Mark } from '@/core/figure/facts/measuringLines';

export interface PlacedLabel {
  mark: Mark;
  label: Point;
  anchor: 'start' | 'end';
}

const GAP = 23;
const AWAY = 26;

/** Of a letter of a label, at its size, and what stays free to the picture's edge. */
const LETTER = 11;
const EDGE = 10;
/** A hidden landmark's name stands in brackets. */
const labelWidth = ({ name, visible }: Mark): number => LETTER * (name.length + (visible ? 0 : 2));

/** Names beside their landmarks, to the nearer side of the figure, pushed apart so that none lies on another. */
export function placeLabels(marks: readonly Mark[], width: number, height: number): PlacedLabel[] {
  const xs = marks.map((m) => m.at[0]);
  const middle = (Math.min(...xs) + Math.max(...xs)) / 2;
  const [low, high] = [Math.min(...xs), Math.max(...xs)];
  const side = (right: boolean): PlacedLabel[] => {
    const here = marks.filter((m) => m.at[0] > middle === right).sort((a, b) => a.at[1] - b.at[1]);
    const ys = here.map((m) => m.at[1] + 6);
    for (let i = 1; i < ys.length; i++) ys[i] = Math.max(ys[i], ys[i - 1] + GAP);
    const over = ys.length > 0 ? ys[ys.length - 1] - (height - 8) : 0;
    if (over > 0)
      for (let i = ys.length - 1, limit = height - 8; i >= 0 && ys[i] > limit; i--, limit -= GAP) ys[i] = limit;
    // Beside the figure where there is room for the words, else over it: never beyond the picture, which would cut them.
    const wide = Math.max(0, ...here.map(labelWidth)) + EDGE;
    const x = right ? Math.min(width - wide, high + AWAY) : Math.max(wide, low - AWAY);
    return here.map((mark, i) => ({ mark, label: [x, ys[i]], anchor: right ? 'start' : 'end' }));
  };
  return [...side(false), ...side(true)];
}
