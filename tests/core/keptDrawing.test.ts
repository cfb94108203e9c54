import { describe, expect, it } from 'vitest';
import {
  featureCounts,
  freshKeptDrawing,
  type KeptDrawing,
  keptDrawingId,
  keptDrawingSchema,
  keptThroughout,
  lineageOf,
  madeFrom,
  saysNothing,
  timeOn,
} from '@/core/journal/keptDrawing';

const fresh = freshKeptDrawing('s1', '0:1');
const features = (...list: [string, 'kept' | 'missed' | 'invented'][]): KeptDrawing['features'] =>
  list.map(([name, state]) => ({ name, state }));

describe('what is kept of a drawing', () => {
  it('is nothing until something is said', () => {
    expect(saysNothing(fresh)).toBe(true);
    expect(saysNothing({ ...fresh, finished: false, features: [] })).toBe(true);
    expect(saysNothing({ ...fresh, surprised: true })).toBe(false);
    expect(keptDrawingSchema.parse(fresh)).toEqual(fresh);
    expect(fresh.id).toBe(keptDrawingId('s1', '0:1'));
  });
  it('continued later it has more minutes, and the session’s stay: 0:30 and 1:50 are 2:20', () => {
    const time = timeOn(
      { spentMs: 30_000 },
      {
        continued: [
          { atMs: 1, spentMs: 60_000 },
          { atMs: 2, spentMs: 50_000 },
        ],
      },
    );
    expect(time).toEqual({ inSessionMs: 30_000, laterMs: 110_000, togetherMs: 140_000 });
    expect(timeOn({ spentMs: 30_000 }, undefined).togetherMs).toBe(30_000);
  });
  it('a piece knows its gesture, and the gesture its pieces, never in a circle', () => {
    const gesture = fresh;
    const first = madeFrom(freshKeptDrawing('s1', '0:2'), gesture.id, [gesture])!;
    const second = madeFrom(freshKeptDrawing('s2', '0:0'), gesture.id, [gesture, first])!;
    const all = [gesture, first, second];
    expect(lineageOf(gesture.id, all)).toEqual({ from: undefined, pieces: [first.id, second.id] });
    expect(lineageOf(first.id, all)).toEqual({ from: gesture.id, pieces: [] });
    expect(madeFrom(gesture, first.id, all)).toBeUndefined();
    expect(madeFrom(gesture, gesture.id, all)).toBeUndefined();
    const third = madeFrom(freshKeptDrawing('s2', '0:1'), second.id, all)!;
    expect(madeFrom(gesture, third.id, [...all, third])).toBeUndefined();
  });
  it('features are counted: 8 of 15 are 53.3 %, and what was invented apart', () => {
    const list = features(
      ...Array.from({ length: 15 }, (_, i): [string, 'kept' | 'missed'] => [
        `feature ${String(i)}`,
        i < 8 ? 'kept' : 'missed',
      ]),
      ['a tail', 'invented'],
      ['a hat', 'invented'],
    );
    const counts = featureCounts({ features: list });
    expect(counts).toMatchObject({ listed: 15, kept: 8, invented: 2 });
    expect(counts.share).toBeCloseTo(0.5333, 4);
    expect(featureCounts(undefined).share).toBeUndefined();
  });
  it('what stays through shorter and shorter versions is listed', () => {
    const versions = [
      { features: features(['line', 'kept'], ['heel', 'kept'], ['hand', 'kept']) },
      { features: features(['line', 'kept'], ['heel', 'missed'], ['hand', 'kept']) },
      { features: features(['line', 'kept'], ['hand', 'missed']) },
    ];
    expect(keptThroughout(versions)).toEqual(['line']);
    expect(keptThroughout([])).toEqual([]);
  });
  it('refuses what is out of range', () => {
    const too = (kept: unknown): boolean => keptDrawingSchema.safeParse(kept).success;
    expect(too({ ...fresh, continued: [{ atMs: 1, spentMs: 0 }] })).toBe(false);
    expect(too({ ...fresh, continued: [{ atMs: 1, spentMs: 1e12 }] })).toBe(false);
    expect(too({ ...fresh, features: [{ name: '', state: 'kept' }] })).toBe(false);
    expect(too({ ...fresh, id: '' })).toBe(false);
  });
});
