import { describe, expect, it } from 'vitest';
import type { RunEvent } from '@/core/clock/log';
import { drawingsOf, posesDrawn } from '@/core/journal/drawings';
import { countFixes } from '@/core/journal/fixes';
import { linesAndTones } from '@/core/journal/lineAndTone';
import { drawingHistory, drawnReferences } from '@/core/journal/history';
import { marksTrend, trendWords } from '@/core/journal/marksTrend';
import { nextLength } from '@/core/journal/nextLength';
import { tightTwice, withNextTime } from '@/core/journal/reflect';
import { copiedFrom, sourceRun } from '@/core/journal/sourceRun';
import { NO_RIGHTS, type Rights } from '@/core/references/picture';
import type { Page, Session } from '@/core/journal/session';
import { versionsOf } from '@/core/journal/versions';
import { previousDurationStepMs } from '@/core/practice/time/durationSteps';
import type { PosesBlock } from '@/core/practice/plan/schema';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

/** Poses of given references, half a minute each with 3 s of lead-in and 4 s of change. */
const of = (exercise: string, ...referenceIds: string[]): PosesBlock => {
  const block = poses(referenceIds.length, 30_000, { exercise }) as PosesBlock;
  return { ...block, poses: block.poses.map((p, i) => ({ ...p, referenceId: referenceIds[i] })) };
};

describe('drawings of a session', () => {
  const plan = planOf(poses(3));
  it('are stays, each for itself; the poses of them are together', () => {
    // The first gone back to after the second began: 30 s and then 10 s more.
    const log: RunEvent[] = [
      { type: 'back', atMs: 45_000 },
      { type: 'next', atMs: 55_000 },
      { type: 'stop', atMs: 70_000 },
    ];
    const session = sessionOf(plan, log);
    expect(drawingsOf(session).map((d) => [d.segmentIndex, d.spentMs])).toEqual([
      [1, 30_000],
      [4, 5000],
      [1, 10_000],
      [4, 8000],
    ]);
    expect(posesDrawn(session).map((d) => [d.segmentIndex, d.spentMs])).toEqual([
      [1, 40_000],
      [4, 13_000],
    ]);
    expect(drawnReferences(session)).toEqual(['figure-0', 'figure-1']);
  });
  it('leave out what was only passed', () => {
    const session = sessionOf(plan, [
      { type: 'next', atMs: 4000 },
      { type: 'stop', atMs: 4500 },
    ]);
    expect(drawingsOf(session)).toEqual([]);
    expect(posesDrawn(session)).toEqual([]);
  });
});

describe('versions of a picture', () => {
  const wren = 'figure/net-mender/stocky/30/6/26';
  const mirrored = 'figure/net-mender~m/stocky/-30/6/26';
  const first = sessionOf(planOf(of('flowing-gesture', wren, 'figure/other/stocky/0/0/26')), [], { id: 'a' });
  const second = sessionOf(planOf(of('blind-contour', mirrored)), [], { id: 'b', startedAtMs: 900_000 });
  const third = sessionOf(planOf(of('flowing-gesture', 'picture/p1', 'picture/p2')), [], { id: 'c' });
  it('are all drawings of it, mirrored too, in the order they were made, each with its exercise and time', () => {
    const versions = versionsOf([second, third, first], [wren]);
    expect(versions.map((v) => [v.session.id, v.drawing.exercise.id, v.drawing.spentMs])).toEqual([
      ['a', 'flowing-gesture', 30_000],
      ['b', 'blind-contour', 30_000],
    ]);
  });
  it('take in parts studied by themselves, when asked', () => {
    expect(versionsOf([third], ['picture/p1'])).toHaveLength(1);
    expect(versionsOf([third], ['picture/p1', 'picture/p2'])).toHaveLength(2);
    expect(versionsOf([third], ['picture/p3'])).toEqual([]);
  });
});

describe('what sessions add up to', () => {
  it('counts those with something drawn from memory', () => {
    const memory = sessionOf(planOf(of('look-then-draw', 'x')));
    const plain = sessionOf(planOf(of('flowing-gesture', 'x')));
    expect(drawingHistory([memory, plain, memory], 2000).memorySessions).toBe(2);
  });
  it('keeps by how much marks went over, oldest first, and only where they were counted', () => {
    const marked = (startedAtMs: number, marks?: number): Session =>
      sessionOf(planOf(of('mark-allowance', 'x')), [], {
        startedAtMs,
        ...(marks !== undefined && { reflection: { answers: [{ exerciseId: 'mark-allowance', marks }] } }),
      });
    const sessions = [marked(300, 19), marked(100, 26), marked(200), marked(400, 22)];
    expect(marksTrend(sessions, 'mark-allowance', 400)).toEqual([6, -1]);
    expect(trendWords(marksTrend(sessions, 'mark-allowance', 500))).toBe('+6, -1, +2');
    expect(marksTrend(sessions, 'flowing-gesture', 500)).toEqual([]);
  });
  it('hears a tight line between poses as well as after a session', () => {
    const said = (...lines: ('loose' | 'tight')[]): Session =>
      sessionOf(
        planOf(poses(3)),
        lines.map((line, i): RunEvent => ({ type: 'line', atMs: 34_000 + 37_000 * i, line })),
      );
    expect(tightTwice([said('tight', 'tight')])).toBe(true);
    expect(tightTwice([said('tight', 'loose')])).toBe(false);
    expect(tightTwice([said('tight'), { ...said('loose', 'tight'), startedAtMs: 5000 }])).toBe(false);
    expect(tightTwice([said('tight'), { ...said('tight'), startedAtMs: 5000 }])).toBe(true);
    expect(tightTwice([{ ...said('tight'), reflection: { line: 'loose' } }])).toBe(false);
  });
  it('counts what was marked on pages lately, most often first', () => {
    const page = (addedAtMs: number, ...parts: string[]): Page => ({
      id: String(addedAtMs),
      sessionId: 's',
      widthPx: 10,
      heightPx: 10,
      addedAtMs,
      binnedAtMs: null,
      fixes: parts.map((part) => ({ x: 0.5, y: 0.5, part })),
    });
    const pages = [page(50, 'hand', 'head'), page(60, 'hand'), page(9, 'foot')];
    expect(countFixes(pages, 10)).toEqual([
      ['hand', 2],
      ['head', 1],
    ]);
    expect(countFixes([{ ...page(10), fixes: undefined }], 0)).toEqual([]);
  });
});

describe('the length to try next', () => {
  /** Poses of a minute, each said to be whole or not in the change after it. */
  const said = (...whole: boolean[]): Session =>
    sessionOf(
      planOf(poses(whole.length + 1, 60_000)),
      whole.map((down, i): RunEvent => ({ type: 'whole', atMs: 64_000 + 67_000 * i, down })),
    );
  const next = (session: Session): number | undefined => nextLength(session, 'flowing-gesture')?.nextMs;
  it('is a step longer where half or more were not whole', () => {
    expect(next(said(false, true, false, true))).toBe(90_000);
    expect(next(said(false, false, false))).toBe(90_000);
  });
  it('is a step shorter only where all were whole', () => {
    expect(nextLength(said(true, true, true), 'flowing-gesture')).toEqual({
      drawnMs: 60_000,
      nextMs: 45_000,
      whole: 3,
      asked: 3,
    });
    expect(next(said(true, true, false))).toBeUndefined();
  });
  it('never comes down after an overrun', () => {
    const over = planOf(poses(4, 60_000, { settings: { atZero: 'soft' } }));
    const at = (i: number): number => 3000 + 80_000 + i * 87_000;
    const log = [0, 1, 2].flatMap((i): RunEvent[] => [
      { type: 'next', atMs: at(i) },
      { type: 'whole', atMs: at(i) + 500, down: true },
    ]);
    expect(nextLength(sessionOf(over, log), 'flowing-gesture')).toBeUndefined();
  });
  it('is not spoken of after one or two answers, or of another exercise', () => {
    expect(next(said(false, false))).toBeUndefined();
    expect(nextLength(said(false, false, false), 'contour')).toBeUndefined();
  });
  it('comes down from three minutes to half a minute along the duration steps', () => {
    const steps = [180_000];
    while (steps[steps.length - 1] > 30_000) steps.push(previousDurationStepMs(steps[steps.length - 1]));
    expect(steps.map((ms) => ms / 1000)).toEqual([180, 120, 90, 60, 45, 30]);
  });
});

describe('a line and its tone', () => {
  const pair = (first: string, second: string): PosesBlock => {
    const block = of('line-then-tone', first, second);
    return { ...block, poses: block.poses.map((p, i) => ({ ...p, label: ['line', 'tone'][i] })) };
  };
  it('belong together where they follow each other on one pose, with the time of both', () => {
    const session = sessionOf(planOf(pair('figure/a', 'figure/a'), of('flowing-gesture', 'figure/a')));
    const [{ line, tone }, ...others] = linesAndTones(session);
    expect(others).toEqual([]);
    expect([line.label, tone.label, line.spentMs + tone.spentMs]).toEqual(['line', 'tone', 60_000]);
    // Two linked records of one pose, beside whatever else was drawn of it.
    expect(versionsOf([session], ['figure/a']).map((v) => v.drawing.label)).toEqual(['line', 'tone', undefined]);
  });
  it('do not where the tone is of another pose, or was never drawn', () => {
    expect(linesAndTones(sessionOf(planOf(pair('figure/a', 'figure/b'))))).toEqual([]);
    expect(linesAndTones(sessionOf(planOf(pair('figure/a', 'figure/a')), [{ type: 'stop', atMs: 20_000 }]))).toEqual(
      [],
    );
  });
});

describe('a drawing made into a perspective box', () => {
  it('is kept as one, and the next is not', () => {
    const session = sessionOf(planOf(of('from-imagination', 'figure/a', 'figure/b')), [
      { type: 'intoRoom', atMs: 10_000 },
    ]);
    expect(drawingsOf(session).map((d) => d.visit.intoRoom)).toEqual([true, undefined]);
  });
});

describe('copies from one source', () => {
  const credited = (credit: string, license: Rights['license'] = 'practice-only'): Rights => ({
    ...NO_RIGHTS,
    license,
    credit,
  });
  const copies = (...credits: string[]) => credits.map((c) => copiedFrom(credited(c)));
  it('are told after five running, however much else was drawn between', () => {
    expect(sourceRun(copies('A', 'A', 'A', 'A'))).toBeUndefined();
    expect(sourceRun([...copies('A', 'A', 'A'), undefined, ...copies('A', 'A')])).toEqual({ source: 'A', times: 5 });
  });
  it('begin anew with another source, and count nothing that is the learner’s own or free', () => {
    expect(sourceRun(copies('A', 'A', 'A', 'A', 'A', 'B'))).toBeUndefined();
    expect(copiedFrom(credited('A', 'own'))).toBeUndefined();
    expect(copiedFrom(null)).toBeUndefined();
    expect(copiedFrom({ ...credited(' '), source: 'an old book' })).toBe('an old book');
  });
});

describe('what to remember for the next time', () => {
  it('is put behind what is there, once, and never cut off', () => {
    const once = withNextTime({ nextTime: 'Hips first.' }, 'Contour in 5 min');
    expect(once.nextTime).toBe('Hips first; Contour in 5 min');
    expect(withNextTime(once, 'Contour in 5 min')).toBe(once);
    expect(withNextTime({}, 'Contour in 5 min').nextTime).toBe('Contour in 5 min');
    const full = { nextTime: 'x'.repeat(295) };
    expect(withNextTime(full, 'Contour')).toBe(full);
  });
});
