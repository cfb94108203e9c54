import type { Point } from '@/core/figure/facts/actionLine';
import type { Mark } from '@/core/figure/facts/measuringLines';

export interface PlacedLabel {
  mark: Mark;
  label: Point;
  anchor: 'start' | 'end';
}

/** Where labels may stand, in the picture's pixels. */
export interface LabelRoom {
  width: number;
  height: number;
  /** Left and right edge of the figure; labels stand beside it. */
  figure: readonly [left: number, right: number];
  /** Room for words to the left and right of the picture. */
  aside: readonly [left: number, right: number];
}

const GAP = 23;
const AWAY = 18;

/** Widest letter of a label, and the space kept free at the edge. */
const LETTER = 11;
const EDGE = 10;
/** A hidden landmark's name stands in brackets. */
const labelWidth = ({ name, visible }: Mark): number => LETTER * (name.length + (visible ? 0 : 2));

/** Places names on the nearer side of the figure, pushed apart so that none lies on another. */
export function placeLabels(marks: readonly Mark[], { width, height, figure, aside }: LabelRoom): PlacedLabel[] {
  const xs = marks.map((m) => m.at[0]);
  const middle = (Math.min(...xs) + Math.max(...xs)) / 2;
  const side = (right: boolean): PlacedLabel[] => {
    const here = marks.filter((m) => m.at[0] > middle === right).sort((a, b) => a.at[1] - b.at[1]);
    const ys = here.map((m) => m.at[1] + 6);
    for (let i = 1; i < ys.length; i++) ys[i] = Math.max(ys[i], ys[i - 1] + GAP);
    const over = ys.length > 0 ? ys[ys.length - 1] - (height - 8) : 0;
    if (over > 0)
      for (let i = ys.length - 1, limit = height - 8; i >= 0 && ys[i] > limit; i--, limit -= GAP) ys[i] = limit;
    // Over the figure where there is no room beside it: never so far out that the words are cut.
    const wide = Math.max(0, ...here.map(labelWidth)) + EDGE;
    const x = right ? Math.min(width + aside[1] - wide, figure[1] + AWAY) : Math.max(wide - aside[0], figure[0] - AWAY);
    return here.map((mark, i) => ({ mark, label: [x, ys[i]], anchor: right ? 'start' : 'end' }));
  };
  return [...side(false), ...side(true)];
}

/** Whether a line of words that starts at a point lies over one of the labels. */
export const hitsLabel = ([x, y]: Point, words: string, labels: readonly PlacedLabel[]): boolean =>
  labels.some(({ mark, label, anchor }) => {
    const [from, to] =
      anchor === 'start' ? [label[0], label[0] + labelWidth(mark)] : [label[0] - labelWidth(mark), label[0]];
    return Math.abs(label[1] - y) < GAP && x < to && x + LETTER * words.length > from;
  });
