import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '@/core/random';
import { arrange } from '@/core/references/arrange';
import { countCells, type ReferenceFacts } from '@/core/references/coverage';
import { mirroredReference } from '@/core/references/mirrorReference';
import { pick, type Picked, type PickRequest, replacement, sourceOf } from '@/core/references/pick';
import { pickReason } from '@/core/references/pickWords';

const VIEWS = ['front', 'three-quarter', 'profile', 'back'];
const SIDES = ['left', 'right', 'toward you', 'away'] as const;
const reference = (i: number, more: Partial<ReferenceFacts> = {}): ReferenceFacts => ({
  id: `picture/p${String(i)}`,
  viewName: VIEWS[i % 4],
  facing: SIDES[Math.floor(i / 4) % 2],
  difficulty: 1 + (i % 5),
  family: 'seated',
  ...more,
});
const poolOf = (n: number, more: Partial<ReferenceFacts> = {}): ReferenceFacts[] =>
  Array.from({ length: n }, (_, i) => reference(i, more));
const request = (more: Partial<PickRequest>): PickRequest => ({
  pool: poolOf(40),
  count: 12,
  order: 'shuffled',
  seed: 7,
  timesDrawn: new Map(),
  ...more,
});
const shown = (pool: readonly ReferenceFacts[], p: Picked): ReferenceFacts => {
  const own = pool.find((r) => r.id === p.id.replace(/~m$/, '')) as ReferenceFacts;
  return p.mirrored ? { ...own, facing: own.facing === 'left' ? 'right' : 'left' } : own;
};
const anyPool = fc.array(
  fc.record({
    viewName: fc.option(fc.constantFrom(...VIEWS), { nil: undefined }),
    facing: fc.option(fc.constantFrom(...SIDES), { nil: undefined }),
    difficulty: fc.option(fc.integer({ min: 1, max: 5 }), { nil: undefined }),
  }),
  { minLength: 1, maxLength: 30 },
);

describe('pick', () => {
  it('gives what was asked for, nothing twice before all were used, the least drawn first', () => {
    fc.assert(
      fc.property(
        anyPool,
        fc.integer({ min: 1, max: 70 }),
        fc.integer(),
        fc.constantFrom('shuffled', 'gentle to hard', 'widen'),
        fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 30, maxLength: 30 }),
        (facts, count, seed, order, times) => {
          const pool = facts.map((f, i): ReferenceFacts => ({ ...f, id: `picture/p${String(i)}` }));
          const timesDrawn = new Map(pool.map((r, i) => [r.id, times[i]]));
          const picked = pick(request({ pool, count, seed, order: order, timesDrawn }));
          expect(picked).toHaveLength(count);
          for (let from = 0; from < count; from += pool.length) {
            const round = picked.slice(from, from + pool.length).map((p) => p.id);
            expect(new Set(round).size).toBe(round.length);
          }
          const first = picked.slice(0, pool.length).map((p) => timesDrawn.get(p.id) ?? 0);
          const most = Math.max(...first);
          const left = pool.filter((r) => !picked.some((p) => p.id === r.id)).map((r) => timesDrawn.get(r.id) ?? 0);
          for (const n of left) expect(n).toBeGreaterThanOrEqual(most);
          expect(picked.filter((p) => p.again)).toHaveLength(Math.max(0, count - pool.length));
        },
      ),
      { numRuns: 150 },
    );
  });
  it('never shows a picture twice in a row where there is another, mirrored or not', () => {
    fc.assert(
      fc.property(
        anyPool.filter((facts) => facts.length > 1),
        fc.integer({ min: 1, max: 40 }),
        fc.integer(),
        fc.constantFrom('shuffled', 'gentle to hard', 'widen'),
        fc.boolean(),
        (facts, count, seed, order, mirror) => {
          const pool = facts.slice(0, 7).map((f, i): ReferenceFacts => ({ ...f, id: `picture/p${String(i)}` }));
          const level = { left: 5, right: 1 };
          const sources = pick(request({ pool, count, seed, order, mirror, level })).map(sourceOf);
          sources.forEach((source, i) => expect(source).not.toBe(sources[i + 1]));
        },
      ),
      { numRuns: 300 },
    );
  });
  it('is the same for the same seed and pool, and another for another seed', () => {
    expect(pick(request({}))).toEqual(pick(request({})));
    expect(pick(request({ seed: 8 })).map((p) => p.id)).not.toEqual(pick(request({})).map((p) => p.id));
  });
  it('brings facings level: 15 left and 5 right before, 12 more, makes 11 right and 1 left', () => {
    const level = { left: 15, right: 5 };
    const pool = poolOf(60);
    const facings = pick(request({ pool, level })).map((p) => shown(pool, p).facing);
    expect([facings.filter((f) => f === 'right').length, facings.filter((f) => f === 'left').length]).toEqual([11, 1]);
  });
  it('mirrors pictures only where asked to and only as many as the weak side lacks', () => {
    const pool = [...poolOf(12, { facing: 'left' }), ...[20, 21].map((i) => reference(i, { facing: 'right' }))];
    const level = { left: 10, right: 0 };
    const plain = pick(request({ pool, level, count: 6 }));
    expect(plain.some((p) => p.mirrored)).toBe(false);
    const mirrored = pick(request({ pool, level, count: 6, mirror: true }));
    expect(mirrored.filter((p) => p.mirrored)).toHaveLength(4);
    expect(mirrored.every((p) => shown(pool, p).facing === 'right')).toBe(true);
    expect(mirrored.filter((p) => p.mirrored).every((p) => p.id.endsWith('~m'))).toBe(true);
  });
  it('goes gentle to hard: difficulty never falls by more than one', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer(), (count, seed) => {
        const pool = poolOf(40);
        const levels = pick(request({ pool, count, seed, order: 'gentle to hard' })).map(
          (p) => shown(pool, p).difficulty ?? 3,
        );
        for (let i = 1; i < levels.length; i++) expect(levels[i]).toBeGreaterThanOrEqual(levels[i - 1] - 1);
      }),
    );
  });
  it('keeps neighbors apart while it can, and says where it could not', () => {
    const same = poolOf(5, { viewName: 'front', facing: 'toward you' });
    const mixed = [...same, ...[30, 31, 32, 33].map((i) => reference(i, { viewName: 'back', facing: 'away' }))];
    expect(pick(request({ pool: mixed, count: 9 })).some((p) => p.likeTheLast)).toBe(false);
    expect(pick(request({ pool: same, count: 5 })).filter((p) => p.likeTheLast)).toHaveLength(4);
  });
  it('keeps pins where they are, and takes those of the set wherever', () => {
    const picked = pick(
      request({
        pins: [
          { id: 'picture/p9', slot: 4 },
          { id: 'picture/p33', slot: null },
        ],
        order: 'gentle to hard',
      }),
    );
    expect(picked[4]).toMatchObject({ id: 'picture/p9', pinned: true });
    expect(picked.map((p) => p.id)).toContain('picture/p33');
  });
  it('takes no more pins than there are places', () => {
    const pins = poolOf(20).map(({ id }) => ({ id, slot: null }));
    expect(pick(request({ pins, count: 5 }))).toHaveLength(5);
  });
  it('counts what was drawn mirrored as drawn, pictures and figures', () => {
    const figure = 'figure/archer-turning/masc/33/6/26';
    const pool = [reference(1), { ...reference(2), id: figure }, reference(3)];
    const timesDrawn = new Map([
      ['picture/p1~m', 1],
      [mirroredReference(figure), 1],
    ]);
    const [first] = pick(request({ pool, count: 1, timesDrawn }));
    expect(first.id).toBe('picture/p3');
    const mirrored: Picked = { ...first, id: mirroredReference(figure), mirrored: true };
    expect(sourceOf(mirrored)).toBe(figure);
    expect(replacement(request({ pool, timesDrawn }), [mirrored, first], 0)?.id).toBe('picture/p1');
  });
  it('ends with one odd one out from elsewhere', () => {
    const oddPool = [{ id: 'picture/cat' }, { id: 'picture/dog' }];
    const picked = pick(request({ oddPool }));
    expect(picked.filter((p) => p.odd)).toHaveLength(1);
    expect(oddPool.map((r) => r.id)).toContain(picked[11].id);
  });
  it('keeps the own order exactly, and draws the same again', () => {
    const ids = poolOf(40).map((r) => r.id);
    expect(pick(request({ order: 'own order' })).map((p) => p.id)).toEqual(ids.slice(0, 12));
    const previous = ['picture/p3~m', 'picture/p2'];
    expect(pick(request({ order: 'same again', previous, count: 3 })).map((p) => p.id)).toEqual([
      ...previous,
      'picture/p3~m',
    ]);
  });
  it('widens to what was drawn least', () => {
    const pool = [
      ...poolOf(20, { family: 'seated' }),
      ...[50, 51, 52].map((i) => reference(i, { family: 'reclining' })),
    ];
    const cells = countCells(poolOf(20, { family: 'seated' }));
    const ids = pick(request({ pool, cells, order: 'widen', count: 3 })).map((p) => p.id);
    expect(new Set(ids)).toEqual(new Set(['picture/p50', 'picture/p51', 'picture/p52']));
  });
  it('starts with something gentle when asked to', () => {
    const pool = [...poolOf(30, { difficulty: 5 }), reference(99, { difficulty: 1 })];
    for (let seed = 0; seed < 20; seed++)
      expect(pick(request({ pool, seed, count: 5, order: 'gentle to hard', gentleStart: true }))[0].id).toBe(
        'picture/p99',
      );
  });
  it('exchanges a single picture for one that is not among them', () => {
    const r = request({});
    const picked = pick(r);
    const other = replacement(r, picked, 3);
    expect(other).toBeDefined();
    expect(picked.map((p) => p.id)).not.toContain(other?.id);
    expect(replacement(request({ pool: poolOf(12) }), pick(request({ pool: poolOf(12) })), 0)).toBeUndefined();
  });
  it('gives none when there are none', () => {
    expect(pick(request({ pool: [] }))).toEqual([]);
    expect(pick(request({ count: 0 }))).toEqual([]);
  });
});

describe('arrange', () => {
  const orders = <T>(items: readonly T[]): T[][] =>
    items.length <= 1
      ? [[...items]]
      : items.flatMap((item, i) =>
          orders([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [item, ...rest]),
        );
  interface Item {
    look: string | undefined;
    level: number;
  }
  const clashes = (list: readonly Item[]): number =>
    list.filter((item, i) => i > 0 && item.look !== undefined && item.look === list[i - 1].look).length;
  /** Nothing comes more than one step above the gentlest that is left. */
  const rises = (list: readonly Item[]): boolean =>
    list.every((item, i) => item.level <= Math.min(...list.slice(i).map((later) => later.level)) + 1);

  it('has as few equal neighbors as any order can have, with levels and without', () => {
    const anyItem = fc.record({
      look: fc.constantFrom('a', 'a', 'b', 'c', undefined),
      level: fc.integer({ min: 1, max: 3 }),
    });
    fc.assert(
      fc.property(
        fc.array(anyItem, { minLength: 1, maxLength: 7 }),
        fc.boolean(),
        fc.integer(),
        (items, leveled, seed) => {
          const result = arrange<Item>(items, {
            look: (item) => item.look,
            level: leveled ? (item) => item.level : undefined,
            firstCount: 0,
            slots: new Map(),
            before: undefined,
            random: seededRandom(seed),
          });
          const list = result.map((r) => r.item);
          const best = Math.min(
            ...orders(items)
              .filter((order) => !leveled || rises(order))
              .map(clashes),
          );
          expect(clashes(list)).toBe(best);
          expect(result.filter((r) => r.conflict)).toHaveLength(best);
          if (leveled) expect(rises(list)).toBe(true);
        },
      ),
      { numRuns: 120 },
    );
  });
});

describe('mirroredReference', () => {
  it('turns pictures and figures about, and back', () => {
    expect(mirroredReference('picture/a-1')).toBe('picture/a-1~m');
    expect(mirroredReference('picture/a-1~m')).toBe('picture/a-1');
    const figure = 'figure/archer-turning/masc/33/6/26';
    expect(mirroredReference(figure)).toBe('figure/archer-turning~m/masc/-33/6/26');
    expect(mirroredReference(mirroredReference(figure))).toBe(figure);
  });
});

describe('pickReason', () => {
  it('says why, and what could not be had', () => {
    const pool = poolOf(4, { viewName: 'front', facing: 'left' });
    const r = request({ pool, count: 6, level: { left: 2, right: 9 } });
    const picked = pick(r);
    const words = pickReason(r, picked, new Map(picked.map((p) => [p.id, shown(pool, p)]))).join(' ');
    expect(words).toContain(
      '4 pictures you have not drawn, shuffled, 4 facing left and 0 right, because 9 of your last 11 faced right.',
    );
    expect(words).toContain('There are 4 to choose from, so 2 poses repeat a picture.');
    expect(words).toContain('of the same view and facing: the choice leaves no other order.');
  });
});

describe('hands from gentle to hard', () => {
  const hands: ReferenceFacts[] = [
    'open fingers',
    'closed fist',
    'half open',
    'open fingers',
    'closed fist',
    'open fingers',
  ].map((hand, i) => ({ id: `h${String(i)}`, hand, difficulty: 5 - (i % 5) }));
  it('has every closed fist before every open hand, whatever else is said of them', () => {
    for (let seed = 0; seed < 40; seed++) {
      const order = pick({ pool: hands, count: 6, order: 'gentle to hard', seed, timesDrawn: new Map() }).map(
        ({ id }) => hands.find((h) => h.id === id)?.hand,
      );
      expect(order.lastIndexOf('closed fist')).toBeLessThan(order.indexOf('half open'));
      expect(order.lastIndexOf('half open')).toBeLessThan(order.indexOf('open fingers'));
    }
  });
  it('is overruled by any other order', () => {
    const orders = Array.from(
      { length: 20 },
      (_, seed) => pick({ pool: hands, count: 6, order: 'shuffled', seed, timesDrawn: new Map() })[0].id,
    );
    expect(new Set(orders.map((id) => hands.find((h) => h.id === id)?.hand)).size).toBeGreaterThan(1);
  });
});
