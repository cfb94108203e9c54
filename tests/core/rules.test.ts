import { describe, expect, it } from 'vitest';
import { asksWhole } from '@/core/practice/rules/asksWhole';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { GRIPS, gripFor } from '@/core/practice/rules/grips';
import { ruleCard } from '@/core/practice/rules/ruleCard';
import { measuringLocked, readPeeks } from '@/core/practice/rules/measuring';
import { hiddenReference } from '@/core/practice/rules/showsReference';
import { expandPlan } from '@/core/practice/time/timeline';
import { freshViewing, withStart } from '@/core/journal/viewing';
import { lines, planOf, poses } from './plans';

describe('measuring', () => {
  it('is shut in slow, blind and unbroken-line work and nowhere else', () => {
    const shut = CATALOG.filter(measuringLocked).map((e) => e.id);
    expect(shut.toSorted()).toEqual(
      ['contour', 'blind-contour', 'continuous-line', 'cross-contour', 'eyes-closed'].toSorted(),
    );
  });
  it('allows 6 s of looking down in 5:00, 1.2 s in 1:00, 0.6 s in 0:30', () => {
    expect([300, 60, 30].map((s) => readPeeks([], s * 1000).allowedMs)).toEqual([6000, 1200, 600]);
    expect(readPeeks([600], 30_000).within).toBe(true);
    expect(readPeeks([601], 30_000).within).toBe(false);
    expect(readPeeks([5], 0).share).toBe(0);
  });
});

describe('hiding', () => {
  const hiddenAt = (exercise: string, more = {}): string[] => {
    const plan = planOf(poses(1, 60_000, { lookMs: 10_000, lookAgainMs: 5000, exercise, ...more }));
    return expandPlan(plan).segments.flatMap((s) => (hiddenReference(plan, s) === null ? [] : [s.kind]));
  };
  it('is for the time of drawing from memory and no longer', () => {
    expect(hiddenAt('look-then-draw')).toEqual(['draw']);
    expect(hiddenAt('eyes-closed')).toEqual(['draw']);
    expect(hiddenAt('flowing-gesture')).toEqual([]);
  });
  it('is of the second drawing where the first has the picture', () => {
    const plan = planOf(poses(1, 60_000, { lookAgainMs: 5000, exercise: 'draw-then-memory' }));
    const block = plan.blocks[0];
    if (block.kind === 'poses') block.poses[0].againMs = 60_000;
    const hidden = expandPlan(plan).segments.filter((s) => hiddenReference(plan, s) === 'figure-0');
    expect(hidden.map((s) => s.kind)).toEqual(['drawAgain']);
  });
  it('is of nothing where no picture is', () => {
    const plan = planOf(lines(1));
    expect(hiddenReference(plan, expandPlan(plan).segments[0])).toBeNull();
    expect(hiddenReference(plan, undefined)).toBeNull();
  });
});

describe('grips', () => {
  it('do not come again until all were used, in other orders', () => {
    for (let seed = 0; seed < 30; seed++) {
      const tried = Array.from({ length: 12 }, (_, n) => gripFor(seed, n));
      for (let round = 0; round < 3; round++)
        expect(new Set(tried.slice(4 * round, 4 * round + 4))).toEqual(new Set(GRIPS));
    }
    expect(new Set(Array.from({ length: 30 }, (_, seed) => gripFor(seed, 0))).size).toBeGreaterThan(1);
  });
});

describe('the question whether it was whole', () => {
  it('is for short poses of whole figures', () => {
    const flowing = exerciseById('flowing-gesture');
    expect([4000, 5000, 180_000, 181_000].map((ms) => asksWhole(flowing, ms))).toEqual([false, true, true, false]);
    expect(asksWhole(exerciseById('quick-head'), 60_000)).toBe(false);
    expect(asksWhole(exerciseById('contour'), 60_000)).toBe(false);
  });
});

describe('where drawings were begun', () => {
  it('is remembered, the last dozen', () => {
    let viewing = freshViewing('figure/a');
    for (let i = 0; i < 20; i++) viewing = withStart(viewing, i / 20, 0.5, i);
    expect(viewing.starts).toHaveLength(12);
    expect(viewing.starts[0].x).toBe(0.4);
  });
});

describe('the rule card', () => {
  const card = (id: string, hidden = false): string[] => ruleCard(exerciseById(id), hidden).map((l) => l.words);
  it('says of the unbroken line that lifting is out and going back is fine', () => {
    expect(card('continuous-line')).toContain('one line: never lift; back and across are fine');
  });
  it('says that lines across follow the bumps, in that exercise and in no other', () => {
    const saying = CATALOG.filter((e) => ruleCard(e, false).some((l) => /follow every bump/.test(l.words)));
    expect(saying.map((e) => e.id)).toEqual(['cross-contour']);
  });
  it('says what to do with a wrong stroke where strokes are restated', () => {
    expect(card('flowing-gesture')).toContain('wrong line? Draw it again in one stroke');
    expect(card('mark-allowance')).not.toContain('wrong line? Draw it again in one stroke');
  });
  it('says that erasing is fine only from memory, where nobody looks over', () => {
    expect(card('look-then-draw')).toEqual([]);
    expect(card('look-then-draw', true)).toEqual(['erase freely']);
  });
  it('says nothing twice', () => {
    for (const e of CATALOG) expect(new Set(card(e.id, true)).size).toBe(card(e.id, true).length);
  });
});
