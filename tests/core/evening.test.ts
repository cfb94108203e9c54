import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lengthsToEnd, nextAtMinute } from '@/core/clock/keepToEnd';
import type { RunEvent } from '@/core/clock/log';
import { stateOnTimeline } from '@/core/clock/run';
import { sessionLeftMs } from '@/core/clock/sessionLeft';
import { comfortableGrip } from '@/core/journal/comfortableGrip';
import { linePagesOf } from '@/core/journal/linePages';
import { leftInPad, sheetsUsed } from '@/core/journal/pad';
import { toolBrokeLast } from '@/core/journal/toolBroke';
import type { Session } from '@/core/journal/session';
import { withBreaths, withFamily } from '@/core/practice/edit/edit';
import { bodyBlock } from '@/core/practice/edit/newBlock';
import { findProblems } from '@/core/practice/edit/problems';
import type { Problem } from '@/core/practice/edit/problem';
import { paperProblems } from '@/core/practice/edit/paperProblems';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { exerciseById } from '@/core/practice/exercises';
import { gradesFor } from '@/core/practice/paper/materials';
import { mapPage, overshootMm } from '@/core/practice/paper/pageMap';
import { onFewerSheets } from '@/core/practice/paper/perSheet';
import { USUAL_SHEET } from '@/core/practice/paper/sheet';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import type { PosesRecipe, RecipeBlock } from '@/core/practice/plan/recipe';
import { USUAL_BREATH_MS } from '@/core/practice/start/warmUp';
import { wallSeconds } from '@/core/practice/time/clockTime';
import { sumPlan } from '@/core/practice/time/sums';
import { expandPlan } from '@/core/practice/time/timeline';
import { anyPlan, lines, planOf, poses, rest } from './plans';
import { level, recipeWith } from './recipes';
import { sessionOf } from './sessions';

const start: RunEvent = { type: 'start', atMs: 0 };

describe('an end on the second', () => {
  const plan = planOf(poses(4, 60_000), rest(60_000), poses(2, 120_000));
  const timeline = expandPlan(plan);
  const change = (log: RunEvent[], nowMs: number, endMs: number) =>
    lengthsToEnd(timeline, stateOnTimeline(timeline, log, nowMs), nowMs, endMs);
  const after = (log: RunEvent[], nowMs: number, endMs: number): number => {
    const events = change(log, nowMs, endMs).map((c): RunEvent => ({ type: 'length', atMs: nowMs, ...c }));
    return nowMs + sessionLeftMs(timeline, stateOnTimeline(timeline, [...log, ...events], nowMs));
  };
  const held: RunEvent[] = [
    start,
    { type: 'hold', atMs: 10_000, reason: 'paused' },
    { type: 'resume', atMs: 60_000, counted: false },
  ];
  it('is kept after a pause: the drawings to come give way, in their proportion', () => {
    expect(after(held, 60_000, timeline.totalMs)).toBe(timeline.totalMs);
    const [first, , , last] = change(held, 60_000, timeline.totalMs);
    expect(last.lengthMs / first.lengthMs).toBeCloseTo(2, 2);
  });
  it('changes nothing where it ends then anyway, and nothing once it does', () => {
    expect(change([start], 5000, timeline.totalMs)).toEqual([]);
    expect(change([start], 5000, timeline.totalMs + 400)).toEqual([]);
    expect(change([], 5000, timeline.totalMs + 40_000)).toEqual([]);
  });
  it('never makes a drawing shorter than five seconds, nor longer by more than half', () => {
    for (const { lengthMs } of change([start], 5000, 100_000)) expect(lengthMs).toBe(5000);
    const longest = change([start], 5000, 10_000_000).map(({ lengthMs }) => lengthMs);
    expect(longest).toEqual([90_000, 90_000, 90_000, 180_000, 180_000]);
  });
  it('is met to the second whatever the plan, or as nearly as its drawings let it', () => {
    fc.assert(
      fc.property(anyPlan, fc.integer({ min: -120_000, max: 120_000 }), (some, offMs) => {
        const laid = expandPlan(some);
        const endMs = laid.totalMs + offMs;
        let log: RunEvent[] = [start];
        const now = 1000;
        for (let i = 0; i < 3; i++) {
          const state = stateOnTimeline(laid, log, now);
          const changes = lengthsToEnd(laid, state, now, endMs);
          log = [...log, ...changes.map((c): RunEvent => ({ type: 'length', atMs: now, ...c }))];
          if (i > 0) expect(changes).toEqual([]);
          const off = Math.abs(endMs - now - sessionLeftMs(laid, stateOnTimeline(laid, log, now)));
          expect(off).toBeLessThanOrEqual(Math.max(500, Math.abs(endMs - now - sessionLeftMs(laid, state))));
        }
      }),
      { numRuns: 200 },
    );
  });
  it('is the next such minute on the wall', () => {
    const at = new Date(2026, 10, 29, 21, 29, 59, 500).getTime();
    expect(wallSeconds(nextAtMinute(21 * 60 + 30, at))).toBe('21:30:00');
    expect(nextAtMinute(21 * 60 + 30, at) - at).toBe(500);
    expect(nextAtMinute(21 * 60 + 29, at)).toBeGreaterThan(at + 23 * 3600_000);
  });
});

describe('refusals with a way', () => {
  const hard = CATALOGUE.filter(({ difficulty }) => difficulty === 5)[0].id;
  const pools = {
    bySet: new Map([['s', [{ id: hard, difficulty: 5, holdS: 30 }]]]),
    timesDrawn: new Map<string, number>(),
  };
  const problemsOf = (block: PosesRecipe): Problem[] => {
    const recipe = recipeWith([block], { setId: 's' });
    const chosen = { [block.id]: [hard] };
    return findProblems(recipe, layOutRecipe(recipe, chosen).plan, pools, chosen);
  };
  it('let no strenuous pose stand for ten minutes, but by name', () => {
    const long = level('a', 1, 600_000);
    const [refused] = problemsOf(long);
    expect(refused).toMatchObject({ stops: true, blockId: 'a' });
    expect(refused.words).toContain('A model could hold pose 1 for about');
    const [, shorter, anyway] = refused.ways?.map(({ take }) => take(long)) ?? [];
    expect(problemsOf(shorter).filter((p) => p.stops)).toEqual([]);
    expect(problemsOf(anyway).filter((p) => p.stops)).toEqual([]);
  });
  it('spare a sitter of the family', () => {
    const long = level('a', 3, 600_000, { source: { ...level('a', 1, 1).source, kind: 'live model' } });
    const spared = withFamily(long, true);
    expect(spared).toMatchObject({ changeMs: 30_000, lengths: { fromMs: 120_000 } });
    expect(problemsOf(spared)).toEqual([]);
    const longer = { ...spared, lengths: long.lengths };
    expect(problemsOf(longer).map((p) => p.words)).toContainEqual(expect.stringContaining('they sit as a favor'));
    expect(withFamily(spared, false).settings).toEqual({});
  });
});

describe('figures on the paper', () => {
  const figure = CATALOGUE.filter(({ family }) => family === 'standing even')[0].id;
  const recipe = (block: Partial<PosesRecipe['settings']>, perSheet = 1) =>
    recipeWith([level('a', 4, 60_000, { settings: block })], { sheet: { ...USUAL_SHEET, perSheet } });
  const chosen = { a: [figure, figure, figure, figure] };
  it('are refused where they stand over the margins, with how far, and with what fits', () => {
    const [problem] = paperProblems(recipe({ figureMm: 450 }), chosen);
    expect(problem).toMatchObject({ stops: true });
    // A3 upright inside 15 mm margins is 390 mm tall.
    expect(problem.words).toBe('Figures of 450 mm stand 60 mm over the margins of A3.');
    const fits = problem.ways?.[0].take(level('a', 4, 60_000)).settings.figureMm ?? 0;
    expect(fits).toBe(390);
    expect(paperProblems(recipe({ figureMm: fits }), chosen)).toEqual([]);
    expect(problem.ways?.[1].take(level('a', 4, 60_000, { settings: { figureMm: 450 } })).settings).toEqual({});
  });
  it('are offered as parts, or fewer on a sheet, where they come out small', () => {
    const [problem] = paperProblems(recipe({ perSheet: 40 }, 40), { a: Array.from({ length: 4 }, () => figure) });
    expect(problem).toBeUndefined();
    const many = recipeWith([level('a', 30, 60_000)], { sheet: { ...USUAL_SHEET, perSheet: 30 } });
    const [small] = paperProblems(many, { a: Array.from({ length: 30 }, () => figure) });
    expect(small).toMatchObject({ stops: false });
    const [parts, fewer] = small.ways?.map(({ take }) => take(level('a', 30, 60_000))) ?? [];
    expect([parts.source.extent, fewer.settings.perSheet]).toEqual(['part', 15]);
  });
  it('stand apart by the gap that was set, inside the margins', () => {
    const boxes = [1, 2, 3].map(() => ({ width: 40, height: 100 }));
    for (const gapMm of [0, 8, 60]) {
      const sheet = { ...USUAL_SHEET, gapMm };
      const { boxes: placed, widthMm, heightMm } = mapPage(boxes, sheet);
      for (const b of placed) {
        expect(b.xMm).toBeGreaterThanOrEqual(sheet.marginMm - 1e-6);
        expect(b.xMm + b.widthMm).toBeLessThanOrEqual(widthMm - sheet.marginMm + 1e-6);
        expect(b.yMm + b.heightMm).toBeLessThanOrEqual(heightMm - sheet.marginMm + 1e-6);
      }
      const row = placed.filter((b) => Math.abs(b.yMm - placed[0].yMm) < 1).toSorted((a, b) => a.xMm - b.xMm);
      for (let i = 1; i < row.length; i++)
        expect(row[i].xMm - row[i - 1].xMm - row[i - 1].widthMm).toBeGreaterThanOrEqual(gapMm - 1e-6);
    }
    expect(overshootMm(boxes, { ...USUAL_SHEET, gapMm: 8 }, 100)).toBe(0);
    expect(overshootMm(boxes, { ...USUAL_SHEET, gapMm: 300 }, 200)).toBeGreaterThan(0);
  });
});

describe('the pad', () => {
  const drawn = planOf(poses(6, 60_000, { settings: { perSheet: 4 } }), lines(2));
  const log: RunEvent[] = [start, { type: 'next', atMs: 440_000 }, { type: 'next', atMs: 500_000 }];
  const session = (startedAtMs: number, more: Partial<Session> = {}): Session =>
    sessionOf(drawn, log, { startedAtMs, lastSeenMs: 500_000, ...more });
  it('is counted down by what was drawn since it was counted', () => {
    expect(sheetsUsed(session(0))).toBe(2 + 2);
    const pad = { sheets: 10, countedAtMs: 1000 };
    expect(leftInPad(pad, [session(500), session(2000), session(3000, { status: 'running' })])).toBe(6);
    expect(leftInPad({ ...pad, sheets: 3 }, [session(2000)])).toBe(0);
  });
  it('is made do with by more drawings on each sheet', () => {
    const recipe = recipeWith([level('a', 8, 60_000), level('b', 8, 60_000, { settings: { perSheet: 30 } })], {
      sheet: { ...USUAL_SHEET, perSheet: 2 },
    });
    const fewer = onFewerSheets(recipe, 2);
    expect(fewer.sheet.perSheet).toBe(4);
    expect((fewer.blocks[1] as PosesRecipe).settings.perSheet).toBe(40);
  });
  it('knows each page of lines by its own time', () => {
    expect(linePagesOf(session(0)).map(({ motif }) => motif)).toEqual(['Verticals', 'Verticals']);
    const [first, second] = linePagesOf(session(0));
    expect(first.spentMs + second.spentMs).toBeLessThan(500_000);
    expect(second.spentMs).toBe(60_000);
  });
  it('and the table know what broke, and which grip was comfortable', () => {
    const broke: RunEvent[] = [
      start,
      { type: 'hold', atMs: 10_000, reason: 'paused' },
      { type: 'why', atMs: 11_000, why: 'a tool broke' },
      { type: 'resume', atMs: 20_000, counted: false },
    ];
    const before = sessionOf(drawn, broke, { startedAtMs: 100, reflection: { grip: 'far back, loosely' } });
    expect(toolBrokeLast([before])).toBe(true);
    expect(toolBrokeLast([before, session(200)])).toBe(false);
    expect(toolBrokeLast([])).toBe(false);
    expect(comfortableGrip([session(200), before])).toBe('far back, loosely');
    expect(comfortableGrip([session(200)])).toBeUndefined();
  });
  it('has grades that suit what is drawn', () => {
    const quick = exerciseById('flowing-gesture');
    expect(gradesFor({ id: 'pencil' }, [quick])).toMatch(/^2B to 8B/);
    expect(gradesFor({ id: 'pencil' }, [exerciseById('contour')])).toBe('2B to 4B for a slow line');
    expect(gradesFor({ id: 'ballpoint' }, [quick])).toBeUndefined();
  });
});

describe('breathing', () => {
  const body = bodyBlock('b', 10_000) as Extract<RecipeBlock, { kind: 'body' }>;
  it('is preparing, so many breaths at their pace, before the moves', () => {
    const breathing = withBreaths(body, 5, USUAL_BREATH_MS);
    expect(breathing.moves[0]).toMatchObject({ name: 'Breathe', durationMs: 50_000, breathMs: 10_000 });
    const sums = sumPlan(layOutRecipe(recipeWith([breathing, level('a', 1, 60_000)]), {}).plan);
    expect(sums.preparingMs).toBe(50_000 + 80_000);
    expect(sums.drawingMs).toBe(60_000);
  });
  it('is changed and taken out again, and the last move stays', () => {
    const again = withBreaths(withBreaths(body, 5, 10_000), 3, 6000);
    expect(again.moves.filter((m) => m.breathMs !== undefined)).toHaveLength(1);
    expect(again.moves[0].durationMs).toBe(18_000);
    expect(withBreaths(again, 0, 6000)).toEqual(body);
    const alone = { ...body, moves: again.moves.slice(0, 1) };
    expect(withBreaths(alone, 0, 6000)).toEqual(alone);
  });
});
