import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { countWall, indexWall, searchWall, type WallItem, wallItems, type WallQuery } from '@/core/growing/wall';
import { WALL_FACETS } from '@/core/growing/wallFacets';
import { keptDrawingId } from '@/core/journal/keptDrawing';
import { pageOf } from './pages';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

const NOON = new Date(2026, 10, 2, 12).getTime();
const DAY_MS = 86_400_000;
const sessions = [
  sessionOf(planOf(poses(2, 30_000, { settings: { medium: 'pencil' } })), [], {
    id: 'a',
    startedAtMs: NOON - 40 * DAY_MS,
    usualHand: 'left',
  }),
  sessionOf(
    planOf(poses(1, 60_000, { exercise: 'continuous-line' }), poses(1, 60_000, { exercise: 'other-hand' })),
    [],
    {
      id: 'b',
      startedAtMs: NOON,
      usualHand: 'left',
    },
  ),
];
const items = wallItems(
  sessions,
  [pageOf('a', '0:0')],
  [
    { id: keptDrawingId('a', '0:1'), sessionId: 'a', drawing: '0:1', surprised: true, influence: 'a lesson on rhythm' },
    { id: keptDrawingId('b', '0:0'), sessionId: 'b', drawing: '0:0', usedFor: 'a poster', thrownAway: true },
  ],
  (id) => (id === 'figure-0' ? { id, name: 'Seated', family: 'seated', viewName: 'front' } : undefined),
);
const index = indexWall(items);
const found = (query: WallQuery): string[] => searchWall(index, query).map(({ id }) => id);

describe('the wall', () => {
  it('has every drawing, newest first, with where it is to be seen', () => {
    expect(items.map(({ sessionId }) => sessionId)).toEqual(['b', 'b', 'a', 'a']);
    expect(items.map(({ seen }) => seen !== undefined)).toEqual([false, false, false, true]);
  });
  it('is found by what is known of each: exercise, medium, reference, pose, view, hand, month, state, influence and use', () => {
    expect(found({ exercise: 'Continuous line' })).toHaveLength(1);
    expect(found({ medium: 'pencil' })).toHaveLength(2);
    expect(found({ medium: 'not said' })).toHaveLength(2);
    expect(found({ family: 'seated', view: 'front' })).toHaveLength(3);
    expect(found({ reference: 'Seated' })).toHaveLength(3);
    expect(found({ hand: 'right hand' })).toHaveLength(1);
    expect(found({ month: '2026-09' })).toHaveLength(2);
    expect(found({ state: 'it surprised me' })).toEqual(['a/0:1']);
    expect(found({ state: 'thrown away' })).toEqual(['b/0:0']);
    expect(found({ state: 'on a sheet here' })).toEqual(['a/0:0']);
    expect(found({ influence: 'a lesson on rhythm' })).toEqual(['a/0:1']);
    expect(found({ usedFor: 'a poster' })).toEqual(['b/0:0']);
    expect(found({ exercise: 'Nothing of the kind' })).toEqual([]);
    expect(found({})).toHaveLength(4);
  });
  it('counts beside each value how many there would be, like going through all of them', () => {
    const anyItem = fc.record({
      exercise: fc.constantFrom('a', 'b', 'c'),
      medium: fc.constantFrom('x', 'y'),
      state: fc.subarray(['finished', 'thrown away', 'measured']),
    });
    const anyQuery = fc.record(
      {
        exercise: fc.constantFrom('a', 'b', 'd'),
        medium: fc.constantFrom('x', 'y'),
        state: fc.constantFrom('finished', 'measured'),
      },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(fc.array(anyItem, { maxLength: 40 }), anyQuery, (some, asked) => {
        const hung = some.map(({ exercise, medium, state }, i): WallItem => ({
          ...items[0],
          id: String(i),
          facets: { ...items[0].facets, exercise: [exercise], medium: [medium], state },
        }));
        const query = asked as WallQuery;
        const has = (item: WallItem, but?: string): boolean =>
          WALL_FACETS.every(
            (facet) => facet === but || query[facet] === undefined || item.facets[facet].includes(query[facet]),
          );
        const made = indexWall(hung);
        const counts = countWall(made, query);
        expect(searchWall(made, query)).toEqual(hung.filter((item) => has(item)));
        for (const facet of ['exercise', 'medium', 'state'] as const)
          for (const [value, count] of counts[facet])
            expect(count).toBe(hung.filter((item) => item.facets[facet].includes(value) && has(item, facet)).length);
      }),
      { numRuns: 200 },
    );
  });
});
