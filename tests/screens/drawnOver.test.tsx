import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { catalogued } from '@/core/figure/catalogue/catalogue';
import { CATALOG } from '@/core/practice/exercises';
import { EXERCISE_PICTURES } from '@/core/practice/exercises/pictures';
import { StageMarks } from '@/features/run/stage/StageMarks';
import { type Aids, NO_AIDS } from '@/features/run/stage/aids';
import { AnswerKeyOverlay } from '@/ui/answerKey/AnswerKeyOverlay';
import { type LayerId, isLayer, LAYERS } from '@/ui/answerKey/layers';
import { ExercisePicture } from '@/ui/ExercisePicture';
import { PerspectiveBox } from '@/ui/PerspectiveBox';

const nothing = (): void => undefined;
const UPRIGHT = { zoom: 1, panX: 0, panY: 0, mirrored: false, upsideDown: false };
/** Every number of every path: a path with a hole in its numbers draws nothing, silently. */
const numbersOf = (markup: string): number[] =>
  [...markup.matchAll(/ d="([^"]*)"/g)].flatMap((m) => m[1].match(/NaN|undefined|-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('the marks of an answer key', () => {
  it.each(CATALOG.map((e) => e.id))('are all drawn for the picture of %s, within it', (id) => {
    const { layers, key } = EXERCISE_PICTURES[id];
    const shown = new Set(layers.filter(isLayer));
    const markup = renderToStaticMarkup(<AnswerKeyOverlay answers={key} shown={shown} label="" />);
    expect([...markup.matchAll(/data-layer="([^"]+)"/g)].map((m) => m[1]).toSorted()).toEqual([...shown].toSorted());
    const numbers = numbersOf(markup);
    expect(numbers.length + (markup.match(/<(ellipse|circle|line)/g) ?? []).length).toBeGreaterThan(3);
    const size = Math.max(key.width, key.height);
    for (const n of numbers) {
      expect(n).toBeGreaterThan(-0.5 * size);
      expect(n).toBeLessThan(1.5 * size);
    }
  });
  it('lie over each other in one order, whichever is switched on first', () => {
    const { key } = EXERCISE_PICTURES['flowing-gesture'];
    const order = (shown: LayerId[]): string[] =>
      [
        ...renderToStaticMarkup(<AnswerKeyOverlay answers={key} shown={new Set(shown)} label="" />).matchAll(
          /data-layer="([^"]+)"/g,
        ),
      ].map((m) => m[1]);
    expect(order(['masses', 'action'])).toEqual(order(['action', 'masses']));
    expect(new Set(LAYERS.map((l) => l.hotkey)).size).toBe(LAYERS.length);
  });
});

describe('the picture of an exercise', () => {
  const picture = (id: string, url?: string): string =>
    renderToStaticMarkup(<ExercisePicture exercise={id} height={180} maxWidth={170} urlOf={() => url} />);
  it('is a figure of the sets with its marks, no wider than there is room', () => {
    for (const { id } of CATALOG) {
      expect(catalogued(EXERCISE_PICTURES[id].reference), id).toBeDefined();
      const width = Number(/width:([\d.]+)px/.exec(picture(id, '/x.webp'))?.[1]);
      expect(width).toBeLessThanOrEqual(170.01);
    }
  });
  it('keeps its room while it is not known, and for an exercise of one’s own', () => {
    expect(picture('contour')).not.toContain('<img');
    expect(picture('my-own', '/x.webp')).not.toContain('<img');
    expect(picture('my-own', '/x.webp')).toContain('height:180px');
  });
});

describe('what helps to see, over the picture', () => {
  const { key } = EXERCISE_PICTURES['quick-head'];
  const place = { x: 0, y: 0, width: 300, height: 600 };
  const marks = (aids: Partial<Aids>, more: object = {}): string =>
    renderToStaticMarkup(
      <StageMarks
        answers={key}
        place={place}
        turned={UPRIGHT}
        aids={{ ...NO_AIDS, ...aids }}
        starts={[]}
        startPoint={undefined}
        flowLine={undefined}
        focal={undefined}
        edge={undefined}
        spentShare={() => 0}
        {...more}
      />,
    );
  const paths = (markup: string): string[] => [...markup.matchAll(/ d="([^"]*)"/g)].map((m) => m[1]);
  it('is nothing until it is switched on', () => {
    expect(paths(marks({}))).toEqual([]);
  });
  it('divides into thirds of the picture, and by heads of the figure', () => {
    expect(paths(marks({ grid: 'thirds' }))[0]).toBe('M100 0V600M0 200H300M200 0V600M0 400H300');
    expect(paths(marks({ grid: 'heads' }))[0].match(/M/g)).toHaveLength(key.headYs.length);
  });
  it('drops a plumb line and a level through one point, over all of the stage', () => {
    expect(paths(marks({ plumb: [0.5, 0.25] }))[0]).toBe('M150 -600V1200M-300 150H600');
  });
  it('marks where it was begun, and keeps the marks their size however far it is zoomed', () => {
    const zoomed = marks({}, { startPoint: [0.1, 0.2], starts: [[0.5, 0.5]], turned: { ...UPRIGHT, zoom: 4 } });
    expect(zoomed).toContain('translate(30 120) scale(0.25)');
    expect(zoomed).toContain('translate(150 300) scale(0.25)');
  });
  it('needs the figure’s own measures for heads and envelope: without them there is nothing', () => {
    expect(paths(marks({ grid: 'heads', envelope: true, face: true }, { answers: undefined }))).toEqual([]);
  });
  it('runs along an edge that is known, and stands away where there is none', () => {
    const edge = {
      points: [
        [0, 0],
        [1, 0],
        [1, 1],
      ],
      closed: false,
    };
    expect(marks({ pace: true }, { edge })).toContain('data-pace');
    expect(paths(marks({ pace: true }, { edge }))[0]).toBe('M0.0 0.0L300.0 0.0L300.0 600.0');
    expect(marks({ pace: true })).not.toContain('data-pace');
  });
});

describe('a room over a page', () => {
  it('is read out as a slider: how far up the horizon is', () => {
    const markup = renderToStaticMarkup(<PerspectiveBox horizon={0.35} onHorizon={nothing} />);
    expect(markup).toContain('role="slider"');
    expect(markup).toContain('aria-valuenow="65"');
    expect(markup).toContain('top:35%');
    expect(numbersOf(markup).every(Number.isFinite)).toBe(true);
  });
});
