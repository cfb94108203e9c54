import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { correctedStart } from '@/core/journal/correctedStart';
import { mainPieceApart, mainPieceWords } from '@/core/journal/mainPiece';
import { type Session, sessionSchema } from '@/core/journal/session';
import { exerciseById } from '@/core/practice/exercises';

const at = (day: number, hours: number, minutes: number, seconds = 0): number =>
  new Date(2026, 10, day, hours, minutes, seconds).getTime();

describe('a corrected start', () => {
  it('is the time that was typed, to the second, on the day nearest to what was noted', () => {
    const noted = at(20, 19, 5, 12);
    const now = at(22, 9, 0);
    expect(correctedStart('19:00', noted, now)).toBe(at(20, 19, 0));
    expect(correctedStart(' 9:41:30 ', noted, now)).toBe(at(20, 9, 41, 30));
    expect(correctedStart('23:58', at(20, 0, 4), now)).toBe(at(19, 23, 58));
    expect(correctedStart('0:02', at(20, 23, 50), now)).toBe(at(21, 0, 2));
  });
  it('is no later than now, and nothing that is no time', () => {
    expect(correctedStart('19:30', at(20, 19, 5), at(20, 19, 20))).toBeUndefined();
    for (const bad of ['', '25:00', '19:60', 'seven', '19', '19:05:61', '-1:00'])
      expect(correctedStart(bad, at(20, 19, 5), at(22, 9, 0))).toBeUndefined();
  });
  it('lies within half a day of what was noted, whatever is typed', () => {
    fc.assert(
      fc.property(fc.nat(23), fc.nat(59), fc.nat(23), (hours, minutes, noted) => {
        const start = correctedStart(
          `${String(hours)}:${String(minutes).padStart(2, '0')}`,
          at(15, noted, 30),
          at(29, 0, 0),
        );
        expect(start).toBeDefined();
        expect(Math.abs(start! - at(15, noted, 30))).toBeLessThanOrEqual(12 * 3600_000);
        expect(new Date(start!).getMinutes()).toBe(minutes);
      }),
    );
  });
});

/** A session of some exercises, each of one pose drawn for as long as planned. */
function drawn(...poses: [exercise: string, drawMs: number][]): Session {
  const total = poses.reduce((sum, [, ms]) => sum + ms, 0);
  return sessionSchema.parse({
    id: 's',
    plan: {
      version: 2,
      title: 'T',
      why: '',
      seed: 1,
      availableMs: total,
      blocks: poses.map(([exercise, drawMs]) => ({
        kind: 'poses',
        exercise,
        changeMs: 0,
        poses: [{ referenceId: null, leadInMs: 0, lookMs: 0, drawMs, lookAgainMs: 0 }],
      })),
    },
    log: [{ type: 'start', atMs: 0 }],
    startedAtMs: 0,
    lastSeenMs: total,
    status: 'kept',
    note: '',
  });
}

describe('a main piece', () => {
  it('is told apart from its warm-up, and both together', () => {
    const session = drawn(['flowing-gesture', 360_000], ['main-piece', 2_400_000]);
    expect(mainPieceApart(session)).toEqual({ warmUpMs: 360_000, mainMs: 2_400_000 });
    expect(mainPieceWords(session)).toBe('Warm-up 6:00, main piece 40:00.');
  });
  it('is not spoken of where there was none, or nothing before it', () => {
    expect(mainPieceWords(drawn(['flowing-gesture', 360_000]))).toBeUndefined();
    expect(mainPieceWords(drawn(['main-piece', 600_000]))).toBeUndefined();
  });
  it('has eleven things to look at, each by a name of its own', () => {
    expect(new Set(exerciseById('main-piece').lookAt).size).toBe(11);
  });
});
