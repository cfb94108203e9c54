import { describe, expect, it } from 'vitest';
import { fitPlan } from '@/core/practice/fit/fit';
import { planWhy } from '@/core/practice/start/planWhy';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { linesBlock } from '@/core/practice/edit/newBlock';
import { askSchema, availableOf, USUAL_ASK } from '@/features/plan/ask';
import { minuteOfDay, secondOfDay, wallTime } from '@/core/practice/time/clockTime';
import { level, recipeWith } from './recipes';

describe('what is asked of a plan', () => {
  it('is so long, or until a clock time, the next day’s when it is past', () => {
    expect(askSchema.parse(USUAL_ASK)).toEqual(USUAL_ASK);
    expect(availableOf(USUAL_ASK, 600)).toBe(25 * 60_000);
    const until = { ...USUAL_ASK, until: true, untilMinute: 19 * 60 + 50 };
    expect(availableOf(until, 19 * 60 + 10)).toBe(40 * 60_000);
    expect(availableOf(until, 23 * 60)).toBe((20 * 60 + 50) * 60_000);
    expect(availableOf(until, 19 * 60 + 50)).toBe(24 * 3600_000);
  });
  it('is explained in a sentence', () => {
    const { recipe } = fitPlan({ availableMs: 1_500_000, aim: 'memory', shape: 'descend', setId: 's', seed: 1 });
    expect(planWhy(recipe, 'memory', 'descend', 1)).toMatch(/^For memory: .* and .*; long poses first/);
    expect(planWhy(recipe, 'memory', 'descend', 3)).toMatch(
      /After two days or more it begins with a gentle pose where the set has one/,
    );
    expect(planWhy(recipe, 'memory', 'descend', 9)).toMatch(
      /away 9 days: it begins with a gentle pose where the set has one, after a page of lines/,
    );
  });
});

describe('clock times', () => {
  it('go round at midnight, and carry seconds over', () => {
    expect([minuteOfDay(0), minuteOfDay(605), minuteOfDay(1440 + 5), minuteOfDay(-10)]).toEqual([
      '0:00',
      '10:05',
      '0:05',
      '23:50',
    ]);
    // 19:40:00 and 12:45 end at 19:52:45; fifty seconds more move it to 19:53:35.
    const start = (19 * 60 + 40) * 60_000;
    expect([secondOfDay(start + 765_000), secondOfDay(start + 815_000)]).toEqual(['19:52:45', '19:53:35']);
    expect(wallTime(new Date(2026, 10, 26, 9, 5, 59).getTime())).toBe('9:05');
    expect(wallTime(new Date(2026, 10, 26, 0, 0, 0).getTime())).toBe('0:00');
  });
});

describe('the ribbon of a plan', () => {
  const cells = (...blocks: Parameters<typeof recipeWith>[0]) =>
    plannedRibbon(layOutRecipe(recipeWith(blocks), {}).plan).flatMap((b) => b.cells);
  it('marks what has no set length as open', () => {
    expect(
      cells(linesBlock('l', 1), level('a', 1, 60_000), level('b', 1, 60_000, { settings: { atZero: 'open' } })).map(
        (c) => c.open,
      ),
    ).toEqual([true, false, true]);
  });
  it('does not call a pose open because its clock is started by hand', () => {
    expect(cells(level('a', 1, 60_000, { leadInMs: 5000, settings: { startsBy: 'hand' } }))[0].open).toBe(false);
  });
  it('is as long as the plan, cell by cell', () => {
    const all = cells(level('a', 4, 45_000, { changeMs: 5000 }), level('b', 2, 90_000));
    expect(all.reduce((sum, c) => sum + c.lengthMs, 0)).toBe(4 * 45_000 + 4 * 5000 + 2 * 90_000);
    for (const [i, c] of all.slice(1).entries()) expect(c.startMs).toBe(all[i].startMs + all[i].lengthMs);
  });
});
