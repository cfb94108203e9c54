import type { Point } from '../figure/facts/actionLine';
import type { DrawnKey } from '../figure/facts/answerKey';
import { type Random, seededRandom } from '../random';
import { errorsOf, type HandErrors, NO_ERRORS } from './errors';
import { inPieces } from './lines';
import type { Manner } from './mannerNames';
import { type HandLine, stagesOf } from './manners';
import { paced, strayed } from './pace';
import { type HandDrawing, lineLength, type Stroke } from './stroke';

/** Share of the time in which the tool is in the air. */
const IN_THE_AIR = 0.18;
/** Pieces that a scratchy line is put together of, and how far they miss each other, share of the figure's height. */
const SCRATCHES = 5;
const SCRATCH_MISS = 0.006;
/** A hand that nobody watches turns by so much a step, radians, and grows or shrinks by so much. */
const BLIND_TURN = 0.03;
const BLIND_GROWTH = 0.012;
/** Where it starts again after a lift, share of the figure's height. */
const BLIND_MISS = 0.045;

/** A line followed by feel: each step as long and as turned as the hand believes, so that errors add up. */
function unwatched(line: readonly Point[], height: number, random: Random): Point[] {
  const even = strayed(line, height * 0.003, random);
  const offset = (): number => (random() - 0.5) * 2 * BLIND_MISS * height;
  let [x, y] = [even[0][0] + offset(), even[0][1] + offset()];
  let [turn, grown] = [0, 1];
  const out: Point[] = [[x, y]];
  for (let i = 1; i < even.length; i++) {
    turn += (random() - 0.5) * 2 * BLIND_TURN;
    grown = Math.max(0.75, Math.min(1.3, grown + (random() - 0.5) * 2 * BLIND_GROWTH));
    const [dx, dy] = [even[i][0] - even[i - 1][0], even[i][1] - even[i - 1][1]];
    x += grown * (dx * Math.cos(turn) - dy * Math.sin(turn));
    y += grown * (dx * Math.sin(turn) + dy * Math.cos(turn));
    out.push([x, y]);
  }
  return out;
}

/** A line as short ones that overlap and miss each other a little. */
const scratched = (line: readonly Point[], height: number, random: Random): Point[][] =>
  inPieces(line, SCRATCHES).map((piece) => {
    const [dx, dy] = [random(), random()].map((r) => (r - 0.5) * 2 * SCRATCH_MISS * height);
    return piece.map(([x, y]): Point => [x + dx, y + dy]);
  });

export interface HandTask {
  key: DrawnKey;
  manner: Manner;
  /** Time for the drawing, milliseconds. */
  drawMs: number;
  errors?: Partial<HandErrors>;
  /** The same seed draws the same. */
  seed: number;
  /** At most so many marks, where the exercise limits them. */
  mostMarks?: number;
}

/**
 * Draw a figure as a person would: stage by stage, mark by mark, in its time. It knows where everything is, errs as it is told to,
 * and never does it twice alike with another seed.
 * @returns strokes in the pixels of the answer key.
 */
export function drawByHand({ key, manner, drawMs, errors: some, seed, mostMarks }: HandTask): HandDrawing {
  const errors = { ...NO_ERRORS, ...some };
  const random = seededRandom(seed);
  const { at, places } = errorsOf(key, errors);
  const height = key.bottom - key.top;
  const stray = errors.shaky * height;
  const needMs = drawMs * errors.slow;
  const drawn = stagesOf(manner, key).flatMap(({ name, share, lines }) => {
    const all = lines.flatMap((line): (HandLine & { points: Point[] })[] => {
      const points = line.points.map(at);
      if (manner === 'blind') return [{ ...line, points: unwatched(points, height, random) }];
      if (random() < errors.scratchy && !line.broad)
        return scratched(points, height, random).map((piece) => ({ ...line, points: strayed(piece, stray, random) }));
      return [{ ...line, points: strayed(points, stray, random) }];
    });
    const total = all.reduce((sum, { points }) => sum + lineLength(points), 0) || 1;
    return all.map((line) => ({ line, stage: name, ms: (needMs * share * lineLength(line.points)) / total }));
  });
  const remembered = Math.ceil(drawn.length * (1 - errors.forgets));
  const marks = drawn.slice(0, Math.min(remembered, mostMarks ?? drawn.length));
  const planned = marks.reduce((sum, { ms }) => sum + ms, 0) || 1;
  const fits = needMs / planned;
  let fromMs = 0;
  const strokes: Stroke[] = [];
  for (const { line, stage, ms } of marks) {
    const lastsMs = ms * fits * (1 - IN_THE_AIR);
    const press = line.press * (0.9 + 0.2 * random());
    strokes.push({
      points: paced(line.points, { fromMs, lastsMs, press, even: line.even ?? false }),
      stage,
      broad: line.broad ?? false,
    });
    fromMs += ms * fits;
  }
  const inTime = strokes.filter(({ points }) => points[0][2] < drawMs);
  return { width: key.width, height: key.height, strokes: inTime, places, tookMs: Math.min(drawMs, needMs) };
}
