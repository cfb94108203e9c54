import { leftOut } from '@/core/references/leftOut';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { packBoard } from '@/core/references/board';
import { countFacings, coverage, TURNS, turnOf } from '@/core/references/coverage';
import { effectiveFacts, isSaid, sureness } from '@/core/references/effectiveFacts';
import { GUESSED, indexLibrary, queryWords, search, UNKNOWN, valueWords } from '@/core/references/facets';
import { factValuesSchema } from '@/core/references/facts';
import { alikeGroups, LIKENESS_PX, likenessHash } from '@/core/references/likeness';
import { isMirrored, parsePictureReference, pictureReferenceId, pictureSchema } from '@/core/references/picture';
import { EVERYTHING, isEverything, type Query, toggled } from '@/core/references/query';
import { mostSimilar } from '@/core/references/similar';
import { grayOf, readTone } from '@/core/references/tone';
import { pictureOf } from '../pictures';

const NOW = 1_800_000_000_000;
const DAY = 86_400_000;
const library = [
  pictureOf('a', {
    found: { subject: 'people/one figure', facing: 'left', view: 'profile', difficulty: '1' },
    addedAtMs: 3,
  }),
  pictureOf('b', {
    found: { subject: 'people/two or more', facing: 'right', difficulty: '4' },
    tags: ['lanterns'],
    addedAtMs: 2,
  }),
  pictureOf('c', { name: 'Élan 10.png', corrected: { subject: 'animals/birds' }, addedAtMs: 1 }),
  pictureOf('d', {
    name: 'Élan 9.png',
    rights: { license: 'own', credit: 'Wren', permission: '', source: '' },
    addedAtMs: 4,
  }),
];
const drawn = new Map([['a', { times: 2, lastMs: NOW - 3 * DAY }]]);
const index = indexLibrary(library, (id) => drawn.get(id), NOW);
const ids = (query: Partial<Query>): string[] => search(index, { ...EVERYTHING, ...query }).found.map((p) => p.id);

describe('search', () => {
  it('narrows by facets and words; the first level of a subject includes the second', () => {
    expect(ids({})).toEqual(['d', 'a', 'b', 'c']);
    expect(ids({ wanted: { subject: ['people'] } })).toEqual(['a', 'b']);
    expect(ids({ wanted: { subject: ['people/one figure', 'animals'] } })).toEqual(['a', 'c']);
    expect(ids({ wanted: { subject: ['people'], facing: ['right'] } })).toEqual(['b']);
    expect(ids({ wanted: { subject: [UNKNOWN] } })).toEqual(['d']);
    expect(ids({ wanted: { theme: ['lanterns'] } })).toEqual(['b']);
    expect(ids({ wanted: { drawn: ['never'] } })).toEqual(['d', 'b', 'c']);
    expect(ids({ wanted: { lastDrawn: ['in the last week'] } })).toEqual(['a']);
    expect(ids({ wanted: { license: ['own'] } })).toEqual(['d']);
    expect(ids({ text: 'elan' })).toEqual(['d', 'c']);
    expect(ids({ text: 'WREN élan' })).toEqual(['d']);
  });
  it('sorts by name with numbers, by difficulty and by what was drawn', () => {
    expect(ids({ sort: 'by name', text: 'elan' })).toEqual(['d', 'c']);
    expect(ids({ sort: 'gentle to hard' }).slice(0, 2)).toEqual(['a', 'b']);
    expect(ids({ sort: 'least drawn first' }).at(-1)).toBe('a');
    expect(ids({ sort: 'in your order' })).toEqual(['a', 'b', 'c', 'd']);
  });
  it('counts what each value would give beside the other facets, as choosing it does', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Query['wanted']>(
          {},
          { facing: ['left'] },
          { subject: ['people'] },
          { drawn: ['never'], facing: ['right'] },
        ),
        (wanted) => {
          const { facets } = search(index, { ...EVERYTHING, wanted });
          for (const { facet, values } of facets)
            for (const { value, count } of values)
              expect(ids({ wanted: { ...wanted, [facet]: [value] } }), `${facet} ${value}`).toHaveLength(count);
        },
      ),
    );
  });
  it('says what it looks for', () => {
    const query = toggled(toggled(EVERYTHING, 'subject', 'people/one figure'), 'difficulty', '1');
    expect(queryWords({ ...query, text: ' hat ' })).toBe('“hat”, one figure, gentle');
    expect(isEverything(toggled(toggled(query, 'subject', 'people/one figure'), 'difficulty', '1'))).toBe(true);
    expect(valueWords('foreshortened', 'yes')).toBe('foreshortened');
  });
});

describe('facts', () => {
  it('take what the learner said over what was found, and difficulty as it felt', () => {
    const p = pictureOf('a', {
      found: { view: 'front', difficulty: '3' },
      sure: { view: 0.6 },
      corrected: { view: 'back' },
    });
    expect(effectiveFacts(p)).toEqual({ view: 'back', difficulty: '3' });
    expect([sureness(p, 'view'), sureness(p, 'facing')]).toEqual([1, 0]);
    const felt = (n: number): string | undefined => effectiveFacts({ ...p, felt: n }).difficulty;
    expect([felt(1), felt(2), felt(3), felt(-2), felt(40)]).toEqual(['3', '4', '4', '2', '5']);
  });
  it('leave out what they do not know', () => {
    expect(factValuesSchema.parse({ view: 'front', facing: 'sideways', mood: 'x' })).toEqual({
      view: 'front',
    });
  });
});

describe('picture records', () => {
  it('of the first version are read', () => {
    const old = {
      id: 'x',
      setId: 's',
      name: 'x.png',
      type: 'image/png',
      widthPx: 1,
      heightPx: 1,
      hash: '0'.repeat(64),
      addedAtMs: 1,
      binnedAtMs: null,
    };
    expect(pictureSchema.parse(old)).toMatchObject({ setIds: ['s'], found: {}, readBy: 0, rights: { license: null } });
  });
  it('have a mirror image by reference', () => {
    expect(pictureReferenceId('x', true)).toBe('picture/x~m');
    expect([parsePictureReference('picture/x~m'), parsePictureReference('figure/x')]).toEqual(['x', undefined]);
    expect([isMirrored('picture/x~m'), isMirrored('picture/x')]).toEqual([true, false]);
  });
});

describe('likeness', () => {
  const scene = (shift: number, noise = 0): number[] =>
    Array.from({ length: LIKENESS_PX ** 2 }, (_, i) => {
      const [x, y] = [i % LIKENESS_PX, Math.floor(i / LIKENESS_PX)];
      // Many waves, so that every low frequency has something to tell.
      const waves = Array.from({ length: 40 }, (_w, k) =>
        Math.sin(x * ((k * 5) % 11) * 0.09 + y * ((k * 7) % 13) * 0.08 + k * (1 + shift)),
      );
      return 128 + 12 * waves.reduce((a, b) => a + b, 0) + noise * (((i * 7919) % 13) - 6);
    });
  it('changes little with light and noise, and much with the picture', () => {
    const [a, brighter, noisy, other] = [scene(0), scene(0).map((v) => v * 0.8 + 30), scene(0, 0.6), scene(9)].map(
      likenessHash,
    );
    const groups = alikeGroups(
      [a, brighter, noisy, other].map((likeness, i) => ({ id: String(i), likeness })),
      () => false,
    );
    expect(groups.map((g) => g.map((p) => p.id))).toEqual([['0', '1', '2']]);
    expect(a).toMatch(/^[0-9a-f]{16}$/);
  });
  it('leaves pairs that are wanted apart, and pictures without structure', () => {
    const hash = likenessHash(scene(0));
    const of = (likeness: string | null) => ['p', 'q'].map((id) => ({ id, likeness }));
    expect(alikeGroups(of(hash), () => true)).toEqual([]);
    expect(alikeGroups(of(null), () => false)).toEqual([]);
  });
});

describe('packBoard', () => {
  it('packs all at one height without overlap or overflow', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.2, max: 6, noNaN: true }), { maxLength: 60 }), (aspects) => {
        const rows = packBoard(aspects, 900, 150, 8);
        expect(rows.flatMap((r) => r.tiles.map((t) => t.index))).toEqual(aspects.map((_, i) => i));
        for (const { tiles } of rows)
          tiles.forEach(({ left, width, index: i }, t) => {
            expect(width).toBeCloseTo(Math.min(900, aspects[i] * 150), 6);
            expect(left + width).toBeLessThanOrEqual(900 + 1e-6);
            if (t > 0) expect(left).toBeGreaterThanOrEqual(tiles[t - 1].left + tiles[t - 1].width + 8 - 1e-6);
          });
      }),
    );
  });
});

describe('tone', () => {
  it('is read from lightness', () => {
    expect(readTone(new Uint8Array(100).fill(20))).toMatchObject({ tone: 'dark', spread: 0 });
    expect(readTone(new Uint8Array(100).fill(220)).tone).toBe('bright');
    expect(readTone(Uint8Array.from({ length: 256 }, (_, i) => i))).toMatchObject({ tone: 'middle' });
    expect([...grayOf(Uint8ClampedArray.from([255, 255, 255, 255, 0, 0, 0, 255, 255, 0, 0, 255]))]).toEqual([
      255, 0, 76,
    ]);
  });
});

describe('coverage', () => {
  const fact = (viewName: string, facing: 'left' | 'right', family = 'seated') => ({
    id: 'x',
    viewName,
    facing,
    family,
    extent: 'whole',
    eyeLevel: 'from above',
  });
  it('counts drawings and what there is by turn', () => {
    const result = coverage(
      [fact('profile', 'left'), fact('profile', 'left'), { id: 'y', family: 'seated' }],
      [fact('profile', 'right')],
      ['seated', 'bending'],
    );
    const turn = (view: string, facing?: 'left' | 'right'): number => turnOf({ viewName: view, facing }) as number;
    expect(result.byFamily[0].drawn[turn('profile', 'left')]).toBe(2);
    expect(result.byFamily[0].available[turn('profile', 'right')]).toBe(1);
    expect(result.byFamily[1].drawn.every((n) => n === 0)).toBe(true);
    expect(result.byExtent[0].drawn[turn('profile', 'left')]).toBe(2);
    expect([result.total, result.unknown]).toEqual([3, 1]);
    expect(TURNS[turn('back')].words).toBe('back');
    expect(countFacings([fact('profile', 'left'), fact('front', 'right')])).toEqual({ left: 1, right: 1 });
  });
});

describe('mostSimilar', () => {
  it('puts the pose that lies most alike first', () => {
    const limbs = (deg: number): number[] => Array.from({ length: 10 }, () => deg);
    const of = (id: string, deg: number) =>
      pictureOf(id, { found: { view: 'front' }, measures: { mean: 0, spread: 0, limbs: limbs(deg) } });
    const all = [of('a', 0), of('far', 170), of('near', 12), pictureOf('none'), { ...of('binned', 0), binnedAtMs: 5 }];
    expect(mostSimilar(all[0], all, 3).map((p) => p.id)).toEqual(['near', 'none', 'far']);
  });
});

describe('guesses', () => {
  const unsure = pictureOf('g', { found: { family: 'reclining', view: 'front' }, sure: { family: 0.3, view: 0.7 } });
  it('stand apart from what is said, and count for no value', () => {
    const index = indexLibrary([unsure], () => undefined, 0);
    const { facets } = search(index, EVERYTHING);
    const of = (facet: string) => facets.find((f) => f.facet === facet)?.values.map(({ value }) => value);
    expect(of('family')).toEqual([GUESSED]);
    expect(of('view')).toEqual(['front']);
    expect(search(index, { ...EVERYTHING, wanted: { family: ['reclining'] } }).found).toEqual([]);
    expect(valueWords('family', GUESSED)).toBe('only a guess');
  });
  it('are none once the learner said so, or drew it', () => {
    expect(isSaid(unsure, 'family')).toBe(false);
    expect(isSaid({ ...unsure, corrected: { family: 'seated' } }, 'family')).toBe(true);
    expect(isSaid({ ...unsure, felt: 2, sure: { difficulty: 0.1 } }, 'difficulty')).toBe(true);
    expect(isSaid({ ...unsure, sure: {} }, 'family')).toBe(true);
  });
});

describe('what filters leave out', () => {
  it('is named, and of many it is told how many more', () => {
    const here = Array.from({ length: 10 }, (_, i) => ({ id: String(i), name: `picture ${String(i)}` }));
    expect(leftOut(here, here.slice(3), 40)).toEqual({ names: ['picture 0', 'picture 1', 'picture 2'], more: 0 });
    expect(leftOut(here, [], 4)).toEqual({ names: here.slice(0, 4).map(({ name }) => name), more: 6 });
    expect(leftOut(here, here, 4)).toEqual({ names: [], more: 0 });
  });
});
