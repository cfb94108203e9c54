import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { afterDoing, afterRedoing, afterUndoing, goesOn, NO_STEPS, NOTHING_DONE, type Steps } from '@/core/undo';

describe('steps that can be undone', () => {
  it('bring back whatever stood before, and again whatever was undone, in any order of pressing', () => {
    // A step keeps the value before it; undone, the value after it. A plain list of all values tells what is right.
    const presses = fc.array(fc.oneof(fc.constantFrom('undo' as const, 'redo' as const), fc.nat(99)), {
      maxLength: 60,
    });
    fc.assert(
      fc.property(presses, (pressed) => {
        let value = -1;
        let steps: Steps<number> = NO_STEPS;
        let all = [-1];
        let at = 0;
        for (const press of pressed) {
          const now = value;
          if (press === 'undo') {
            value = steps.past.at(-1) ?? value;
            steps = afterUndoing(steps, () => now);
            at = Math.max(0, at - 1);
          } else if (press === 'redo') {
            value = steps.future.at(-1) ?? value;
            steps = afterRedoing(steps, () => now);
            at = Math.min(all.length - 1, at + 1);
          } else {
            steps = afterDoing(steps, value, 100);
            value = press;
            all = [...all.slice(0, ++at), press];
          }
          expect(value).toBe(all[at]);
          expect(steps.past).toHaveLength(at);
          expect(steps.future).toHaveLength(all.length - 1 - at);
        }
      }),
    );
  });
  it('forget the oldest beyond the most', () => {
    const steps = [1, 2, 3, 4].reduce((before: Steps<number>, step) => afterDoing(before, step, 3), NO_STEPS);
    expect(steps).toEqual({ past: [2, 3, 4], future: [] });
  });
  it('stay as they are when there is nothing to undo or to do again', () => {
    const one = afterDoing(NO_STEPS, 'a', 9);
    expect(afterRedoing(one)).toEqual(one);
    expect(afterUndoing(afterUndoing(one))).toEqual({ past: [], future: ['a'] });
  });
});

describe('one step', () => {
  it('is the same done again soon: not something else, not much later, and not what is done first', () => {
    const last = { what: 'Length', atMs: 5000 };
    expect(goesOn(last, { what: 'Length', atMs: 5800 })).toBe(true);
    expect(goesOn(last, { what: 'Name', atMs: 5800 })).toBe(false);
    expect(goesOn(last, { what: 'Length', atMs: 6000 })).toBe(false);
    expect(goesOn(NOTHING_DONE, { what: undefined, atMs: 10 })).toBe(false);
  });
});
