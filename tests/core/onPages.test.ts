import { describe, expect, it } from 'vitest';
import { askedOf, focalNow } from '@/core/clock/asked';
import { runStateAt } from '@/core/clock/run';
import type { RunEvent } from '@/core/clock/log';
import type { Sheet } from '@/core/desk/sheet';
import { uprightAspect } from '@/core/desk/sheet';
import { posesDrawn } from '@/core/journal/drawings';
import { focalKept } from '@/core/journal/focal';
import { firstAndLastSeen, seenOnPages } from '@/core/journal/onPages';
import type { Page } from '@/core/journal/session';
import { expandPlan } from '@/core/practice/time/timeline';
import { thinned } from '@/core/seeing/thinned';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';
import { WHOLE } from './pages';

const sheetOf = (...drawings: (string | null)[]): Sheet => ({
  corners: WHOLE,
  quarters: 0,
  aspect: 0.7,
  drawings: drawings.map((drawing, i) => ({ x: i / 10, y: 0, width: 0.1, height: 0.5, drawing })),
});
const pageOf = (id: string, sheet?: Sheet): Page => ({
  id,
  sessionId: 's',
  widthPx: 100,
  heightPx: 100,
  addedAtMs: 0,
  binnedAtMs: null,
  ...(sheet && { sheet }),
});

describe('drawings on pages', () => {
  const pages = [pageOf('a', sheetOf('0:0', null, '0:1')), pageOf('b'), pageOf('c', sheetOf('0:1', '0:2'))];
  it('are seen where they were cut out last, and nowhere where they were not', () => {
    expect(seenOnPages(pages, '0:0')).toMatchObject({ page: { id: 'a' }, box: { x: 0 } });
    expect(seenOnPages(pages, '0:1')).toMatchObject({ page: { id: 'c' }, box: { drawing: '0:1' } });
    expect(seenOnPages(pages, '0:3')).toBeUndefined();
  });
  it('have a first and a last in the order of the session, whatever their order on the sheets', () => {
    const drawn = ['0:2', '0:1', '0:0', '0:3'].map((drawing) => ({ drawing }));
    const [first, last] = firstAndLastSeen(drawn, pages) ?? [];
    expect([first?.drawn.drawing, last?.drawn.drawing]).toEqual(['0:2', '0:0']);
    expect(firstAndLastSeen(drawn.slice(2), pages)).toBeUndefined();
    expect(firstAndLastSeen([], pages)).toBeUndefined();
  });
  it('stand on a sheet whose proportion turns with it', () => {
    expect(uprightAspect({ quarters: 2, aspect: 0.7 })).toBe(0.7);
    expect(uprightAspect({ quarters: 3, aspect: 0.5 })).toBe(2);
  });
});

describe('what a learner puts on a picture', () => {
  const plan = planOf(poses(2, 30_000, { lookMs: 10_000, exercise: 'tone-study' })); // 3 lead-in, 10 look, 30 draw, 4 change
  const flow: [number, number][] = [
    [0.5, 0.1],
    [0.4, 0.9],
  ];
  const log: RunEvent[] = [
    { type: 'focal', atMs: 1000, x: 0.2, y: 0.2 },
    { type: 'flowLine', atMs: 5000, points: flow },
    { type: 'focal', atMs: 20_000, x: 0.6, y: 0.3 },
    { type: 'focalKept', atMs: 44_000, kept: false },
  ];
  it('belongs to the drawing that follows, and the last of its kind holds', () => {
    const [first, second] = posesDrawn(sessionOf(plan, log, { lastSeenMs: 80_000 }));
    expect(first).toMatchObject({ flowLine: flow, focal: [0.6, 0.3], visit: { focalKept: false } });
    expect([second.flowLine, second.focal]).toEqual([undefined, undefined]);
  });
  it('is asked for again once the drawing is over, where it was chosen', () => {
    const { segments } = expandPlan(plan);
    const at = (ms: number) => runStateAt(plan, [{ type: 'start', atMs: 0 }, ...log.filter((e) => e.atMs <= ms)], ms);
    expect(focalNow(plan, segments, at(2000))).toEqual([0.2, 0.2]);
    expect(focalNow(plan, segments, at(25_000))).toEqual([0.6, 0.3]);
    expect(askedOf(plan, segments, at(2000).visits)).toBeUndefined();
    expect(askedOf(plan, segments, at(43_500).visits)).toMatchObject({ asks: 'focal' });
    // Of the pose after it nothing was chosen.
    expect(focalNow(plan, segments, at(50_000))).toBeUndefined();
    expect(askedOf(plan, segments, at(95_000).visits)?.asks).toBeUndefined();
  });
  it('is counted over sessions, where it was answered', () => {
    const answered = (kept: boolean, id: string) =>
      sessionOf(plan, [...log.slice(0, 3), { type: 'focalKept', atMs: 44_000, kept }], { id, lastSeenMs: 80_000 });
    expect(focalKept([answered(true, 'a'), answered(false, 'b'), answered(true, 'c'), sessionOf(plan)])).toEqual({
      kept: 2,
      of: 3,
    });
    expect(focalKept([])).toEqual({ kept: 0, of: 0 });
  });
  it('asks of quick figures whether they were whole', () => {
    const quick = planOf(poses(1));
    const { segments } = expandPlan(quick);
    expect(askedOf(quick, segments, runStateAt(quick, [{ type: 'start', atMs: 0 }], 33_500).visits)?.asks).toBe(
      'whole',
    );
  });
  it('is thinned to so many points at even distances, with its ends', () => {
    const long = Array.from({ length: 500 }, (_, i): [number, number] => [i / 499, 0.5]);
    const few = thinned(long, 5);
    expect(few.map(([x]) => Number(x.toFixed(3)))).toEqual([0, 0.25, 0.5, 0.75, 1]);
    expect(thinned(flow, 60)).toEqual(flow);
  });
});
