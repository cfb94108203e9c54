import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { daysLeft } from '@/core/bin';
import { accountRun, inWholeSeconds } from '@/core/clock/account';
import { KIND_WORDS } from '@/core/interchange/records';
import { counted, countedWith, listPhrases, listWords, moreOf, percentAgainst, ratioWords } from '@/core/words';
import { planOf, poses } from './plans';

describe('counting words', () => {
  it('have one form for one and the other for every other number', () => {
    for (let n = 0; n <= 120; n++) {
      const many = n === 1 ? '' : 's';
      expect(counted(n, 'minute')).toBe(`${String(n)} minute${many}`);
      expect(moreOf(n, 'sheet')).toBe(`${String(n)} more sheet${many}`);
      expect(countedWith(n, 'pose', 'repeats', 'repeat')).toBe(
        `${String(n)} pose${many} ${n === 1 ? 'repeats' : 'repeat'}`,
      );
    }
  });
});

describe('kinds of records', () => {
  it.each(Object.values(KIND_WORDS))('“%s” takes an s for several: it ends with what is counted', (word) => {
    expect(word).toMatch(/^[a-z]+(-[a-z]+)?( [a-z]+)?$/);
    expect(word).not.toMatch(/s$|\b(of|a|was)\b/);
  });
});

describe('the bin', () => {
  it('counts calendar days: an evening and the next morning are a day apart, and nothing is below none', () => {
    const evening = new Date(2026, 2, 28, 23, 50).getTime();
    expect(daysLeft(evening, evening)).toBe('30 days left');
    expect(daysLeft(evening, new Date(2026, 2, 29, 0, 10).getTime())).toBe('29 days left');
    expect(daysLeft(evening, new Date(2026, 3, 26, 12).getTime())).toBe('1 day left');
    expect(daysLeft(evening, new Date(2026, 8, 1).getTime())).toBe('0 days left');
    expect(daysLeft(null, evening)).toBe('30 days left');
  });
});

describe('lists', () => {
  it('are told apart by commas, and by semicolons where a name has a comma of its own', () => {
    expect([listWords([]), listWords(['a']), listWords(['a', 'b']), listWords(['a', 'b', 'c'])]).toEqual([
      '',
      'a',
      'a and b',
      'a, b and c',
    ]);
    expect(listPhrases(['contour', 'tone'])).toBe('contour and tone');
    expect(listPhrases(['contour', 'look, then draw', 'tone'])).toBe('contour; look, then draw; and tone');
    expect(listPhrases(['look, then draw'])).toBe('look, then draw');
  });
});

describe('a share against its limit', () => {
  it('is never shown on the other side of it than it is, nor on it when it is not', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.2, noNaN: true }), (share) => {
        const words = percentAgainst(share, 0.02);
        const shown = Number(words.replace(/[^\d.]/g, ''));
        if (words.startsWith('just')) expect(words.includes('over')).toBe(share > 0.02);
        else expect(Math.sign(shown - 2)).toBe(Math.sign(share - 0.02));
      }),
    );
    expect(percentAgainst(0.02, 0.02)).toBe('2.0 %');
    expect(percentAgainst(0.0204, 0.02)).toBe('2.04 %');
    expect(percentAgainst(0.031, 0.02)).toBe('3.1 %');
  });
});

describe('a time against another', () => {
  it('is never nothing to one', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9e6 }), fc.integer({ min: 1, max: 9e6 }), (part, whole) => {
        expect(ratioWords(part, whole)).not.toMatch(/^0/);
      }),
    );
    expect(ratioWords(30_000, 60_000)).toBe('50 % of');
    expect(ratioWords(120_000, 60_000)).toBe('2.0 times as long as');
    expect(ratioWords(1, 600_000)).toBe('less than a hundredth of');
    expect(ratioWords(19, 20)).toBe('1.0 times as long as');
    expect(ratioWords(189, 200)).toBe('95 % of');
  });
});

describe('an account as it is shown', () => {
  it('adds up in whole seconds, each within one of what it is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1000, max: 90_999 }), fc.integer({ min: 0, max: 200_000 }), (drawMs, untilMs) => {
        const account = accountRun(planOf(poses(2, drawMs)), [{ type: 'start', atMs: 0 }], untilMs);
        const shown = inWholeSeconds(account);
        const six = ['preparingMs', 'lookingMs', 'drawingMs', 'changingMs', 'restingMs', 'heldMs'] as const;
        expect(six.reduce((sum, name) => sum + shown[name], 0)).toBe(shown.wallMs);
        for (const name of six) expect(Math.abs(shown[name] - account[name])).toBeLessThanOrEqual(1000);
      }),
    );
  });
});
