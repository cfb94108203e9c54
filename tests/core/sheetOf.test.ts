import { describe, expect, it } from 'vitest';
import { stateOnTimeline } from '@/core/clock/run';
import type { RunEvent } from '@/core/clock/log';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { mediumById } from '@/core/practice/paper/materials';
import { planSchema, type Plan } from '@/core/practice/plan/schema';
import { expandPlan } from '@/core/practice/time/timeline';
import { type InkStroke, inkStrokeId } from '@/core/strokes/inkStroke';
import { sheetRule } from '@/core/strokes/sheetRule';
import { isOnSheet, sheetNumber, sheetPlace, sheetSizeMm, strokesOnSheet } from '@/core/strokes/sheetOf';
import { inkOfStrokes, sheetAsPage, sheetOfPage, sheetPageId, sheetsDrawn } from '@/core/strokes/sheetsDrawn';
import { pageSchema } from '@/core/journal/session';

const pose = (drawMs = 30_000, more: object = {}): object => ({
  referenceId: null,
  leadInMs: 5000,
  lookMs: 0,
  drawMs,
  lookAgainMs: 0,
  ...more,
});
const planOf = (...blocks: object[]): Plan =>
  planSchema.parse({ version: 2, title: 'T', why: '', seed: 1, availableMs: 3_600_000, blocks });
const poses = (exercise: string, all: object[], settings?: object): object => ({
  kind: 'poses',
  exercise,
  changeMs: 4000,
  poses: all,
  ...(settings && { settings }),
});

const sheetsOf = (plan: Plan): number[] => {
  const { segments } = expandPlan(plan);
  return segments.flatMap((segment, i) => (isOnSheet(segment) ? [sheetNumber(plan, segments, i)] : []));
};

const made = (n: number, more: Partial<InkStroke> = {}): InkStroke => ({
  id: inkStrokeId('s', n),
  sessionId: 's',
  sheet: 0,
  drawing: '0:0',
  attempt: 0,
  n,
  atMs: n * 100,
  tool: 'graphite',
  by: 'pen',
  points: [5000, 5000, 0, 500, 15_000, 20_000, 90, 500],
  ...more,
});

describe('which sheet', () => {
  it('each pose has one of its own, or as many share one as the plan says', () => {
    expect(sheetsOf(planOf(poses('flowing-gesture', [pose(), pose(), pose()])))).toEqual([0, 1, 2]);
    expect(
      sheetsOf(
        planOf(
          poses(
            'flowing-gesture',
            Array.from({ length: 5 }, () => pose()),
            { perSheet: 2 },
          ),
        ),
      ),
    ).toEqual([0, 0, 1, 1, 2]);
    expect(
      sheetsOf(
        planOf(
          poses(
            'page-of-many',
            Array.from({ length: 10 }, () => pose()),
            { perSheet: 10 },
          ),
        ),
      ),
    ).toEqual(Array(10).fill(0));
  });
  it('a page of lines is one; drawn once more from memory is another', () => {
    const lines = {
      kind: 'lines',
      pages: [
        { motif: 'Verticals', nominalMs: 60_000 },
        { motif: 'Diagonals', nominalMs: 60_000 },
      ],
    };
    expect(sheetsOf(planOf(lines, poses('flowing-gesture', [pose()])))).toEqual([0, 1, 2]);
    expect(
      sheetsOf(
        planOf(poses('draw-then-memory', [pose(60_000, { againMs: 60_000 }), pose(60_000, { againMs: 60_000 })])),
      ),
    ).toEqual([0, 1, 2, 3]);
  });
  it('between two, the one that was drawn on last lies there', () => {
    const plan = planOf(poses('flowing-gesture', [pose(), pose()]));
    const { segments } = expandPlan(plan);
    const change = segments.findIndex(({ kind }) => kind === 'change');
    expect(sheetNumber(plan, segments, change)).toBe(0);
  });
  it('is as large as the plan’s paper', () => {
    expect(sheetSizeMm({})).toEqual({ widthMm: 297, heightMm: 420 });
    expect(sheetSizeMm({ sheet: { size: 'A5', paper: 'sketchbook' } })).toEqual({ widthMm: 148, heightMm: 210 });
    expect(sheetSizeMm({ sheet: { size: 'A5', paper: 'sketchbook' } }, true)).toEqual({ widthMm: 210, heightMm: 148 });
  });
});

describe('where a stroke belongs', () => {
  const plan = planOf(poses('flowing-gesture', [pose(), pose()]));
  const timeline = expandPlan(plan);
  const at = (events: RunEvent[], nowMs: number) =>
    sheetPlace(plan, timeline.segments, stateOnTimeline(timeline, events, nowMs));
  const start: RunEvent = { type: 'start', atMs: 0 };
  it('nowhere while nothing is drawn, then to its drawing, in the drawing’s own time', () => {
    expect(at([start], 2000)).toBeUndefined();
    expect(at([start], 9000)).toEqual({ sheet: 0, drawing: '0:0', attempt: 0, atMs: 4000 });
    const held: RunEvent[] = [
      start,
      { type: 'hold', atMs: 9000, reason: 'paused' },
      { type: 'resume', atMs: 60_000, counted: false },
    ];
    expect(at(held, 61_000)).toMatchObject({ atMs: 5000 });
  });
  it('started over it is another attempt that begins at nothing; gone back to it goes on', () => {
    expect(at([start, { type: 'restart', atMs: 15_000 }], 17_000)).toMatchObject({ attempt: 1, atMs: 2000 });
    const back: RunEvent[] = [start, { type: 'next', atMs: 20_000 }, { type: 'back', atMs: 21_000 }];
    expect(at(back, 23_000)).toMatchObject({ drawing: '0:0', attempt: 0, atMs: 17_000 });
  });
  it('of an attempt begun anew nothing of before is seen, and of the others on the sheet the last', () => {
    const all = [
      made(0),
      made(1, { attempt: 1 }),
      made(2, { drawing: '0:1' }),
      made(3, { undone: true }),
      made(4, { sheet: 1 }),
    ];
    expect(strokesOnSheet(all, 0).map(({ n }) => n)).toEqual([1, 2]);
    expect(strokesOnSheet(all, 0, { drawing: '0:0', attempt: 2 }).map(({ n }) => n)).toEqual([2]);
    expect(strokesOnSheet(all, 7)).toEqual([]);
  });
});

describe('what the rule gives', () => {
  const rule = (id: string, medium?: string) =>
    sheetRule(exerciseById(id), medium === undefined ? undefined : mediumById(medium));
  it('no eraser where nothing is erased, nor with what cannot be rubbed out', () => {
    expect(rule('flowing-gesture').erases).toBe(false);
    expect(rule('tone-study', 'pencil').erases).toBe(true);
    expect(rule('tone-study', 'ballpoint').erases).toBe(false);
    expect(rule('continuous-line').erases).toBe(false);
  });
  it('hides blind work until its end, slow contours while the pen moves, and nothing else', () => {
    expect(rule('blind-contour').seen).toBe('afterward');
    expect(rule('eyes-closed').seen).toBe('afterward');
    expect(rule('flowing-gesture').seen).toBe('always');
  });
  it('masses by the side of the charcoal alone, else what is planned, else any of four', () => {
    expect(rule('gesture-by-mass').materials).toEqual(['charcoal']);
    expect(rule('negative-shapes', 'pencil').materials).toEqual(['charcoal']);
    expect(rule('flowing-gesture', 'brush pen').materials).toEqual(['brush']);
    expect(rule('flowing-gesture', 'digital').materials).toHaveLength(4);
    expect(rule('mark-allowance').most).toBe(20);
    expect(rule('continuous-line').oneLine).toBe(true);
    expect(rule('other-hand').otherHand).toBe(true);
  });
  it('of every exercise: something to draw with, and no eraser against its rule', () => {
    for (const exercise of CATALOG) {
      const { materials, erases, seen } = sheetRule(exercise, undefined);
      expect(materials.length).toBeGreaterThan(0);
      if (exercise.rule.erasing === 'none') expect(erases).toBe(false);
      if (exercise.rule.gaze === 'only on the reference') expect(seen).toBe('afterward');
    }
  });
});

describe('sheets as pages', () => {
  const plan = planOf(poses('flowing-gesture', [pose()]));
  const session = { id: 'abc', startedAtMs: 1000 };
  it('hold the session’s drawings, each where it is', () => {
    const strokes = [made(0), made(1, { sheet: 1, drawing: '9:9' }), made(2, { sheet: 2, drawing: '0:0~again' })];
    const sheets = sheetsDrawn(strokes, ['0:0', '0:0~again']);
    expect(sheets.map(({ sheet }) => sheet)).toEqual([0, 2]);
    const { page, perMm } = sheetAsPage(session, plan, sheets[0]);
    expect(pageSchema.parse(page)).toEqual(page);
    expect(page.id).toBe(sheetPageId('abc', 0));
    expect(sheetOfPage(page.id)).toBe(0);
    expect(sheetOfPage('demo-page-3')).toBeUndefined();
    expect(page.heightPx / perMm).toBeCloseTo(420, 0);
    const [box] = page.sheet!.drawings;
    expect(box.drawing).toBe('0:0');
    expect(box.x * 297).toBeCloseTo(46, 1);
    expect((box.x + box.width) * 297).toBeCloseTo(154, 1);
    expect((box.y + box.height) * 420).toBeCloseTo(204, 1);
    // Drawn once more, from memory: a drawing of its own.
    expect(sheetAsPage(session, plan, sheets[1]).page.sheet!.drawings[0].drawing).toBe('0:0~again');
  });
  it('lie as their strokes say', () => {
    const [drawn] = sheetsDrawn([made(0, { lying: true })], ['0:0']);
    const { page } = sheetAsPage(session, plan, drawn);
    expect(page.widthPx).toBeGreaterThan(page.heightPx);
    expect(page.sheet!.aspect).toBeCloseTo(420 / 297, 2);
  });
  it('have ink where the tool went, but for what was rubbed out', () => {
    const size = { widthMm: 297, heightMm: 420 };
    const ink = inkOfStrokes([made(0)], size, 297, 420);
    expect(ink[50 * 297 + 50]).toBe(1);
    expect(ink[125 * 297 + 100]).toBe(1);
    expect(ink[50 * 297 + 150]).toBe(0);
    const rubbed = made(1, { tool: 'eraser', points: [10_000, 12_000, 0, 500, 10_000, 13_000, 50, 500] });
    expect(inkOfStrokes([made(0), rubbed], size, 297, 420)[125 * 297 + 100]).toBe(0);
  });
});
