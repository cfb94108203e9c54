import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { indexLibrary, search } from '@/core/references/facets';
import { FACT_NAMES, FACT_VALUES } from '@/core/references/facts';
import type { Picture, Rights } from '@/core/references/picture';
import { EVERYTHING, type Query } from '@/core/references/query';
import { FacetPanel } from '@/features/poses/library/FacetPanel';
import { TAGGED } from '@/features/poses/library/FactFields';
import { IntakeBar } from '@/features/poses/library/IntakeBar';
import type { LibraryActions } from '@/features/poses/library/useLibraryActions';
import { FactList } from '@/features/poses/picture/FactList';
import { RightsFields } from '@/features/poses/picture/RightsFields';
import type { Batch } from '@/storage/stores';
import { pictureOf } from '../pictures';
import { pressedOf, textOf } from './markup';

const nothing = (): void => undefined;
/** Nothing is done while a screen is only read. */
const NO_ACTIONS = new Proxy({}, { get: () => nothing }) as LibraryActions;

describe('narrowing down', () => {
  const pictures = [
    pictureOf('a', { found: { subject: 'parts/hands', hand: 'closed fist', view: 'front' } }),
    pictureOf('b', { found: { subject: 'parts/hands', hand: 'open fingers', view: 'front' } }),
    pictureOf('c', { found: { subject: 'people/one figure', view: 'profile' } }),
  ];
  const index = indexLibrary(pictures, () => undefined, 0);
  const panel = (query: Query): string =>
    renderToStaticMarkup(<FacetPanel facets={search(index, query).facets} query={query} onChange={nothing} />);
  const facetOf = (markup: string, name: string): string | undefined =>
    [...markup.matchAll(/<details[^>]*>(.*?)<\/details>/gs)].map((m) => textOf(m[1])).find((w) => w.startsWith(name));
  it('tells of each value how many there would be', () => {
    const markup = panel(EVERYTHING);
    expect(facetOf(markup, 'Hand')).toBe('Hand closed fist 1 open fingers 1 not known 1');
    expect(facetOf(markup, 'View')).toBe('View What is meant front 2 profile 1');
  });
  it('leaves out what tells nothing apart, unless it is chosen', () => {
    expect(facetOf(panel(EVERYTHING), 'Theme')).toBeUndefined();
    expect(facetOf(panel(EVERYTHING), 'Rights')).toBeUndefined();
    const chosen = panel({ ...EVERYTHING, wanted: { hand: ['closed fist'] } });
    expect(chosen.match(/checked=""/g)).toHaveLength(1);
    // The other facets count only what is left; its own says what would be added.
    expect(facetOf(chosen, 'Hand')).toContain('open fingers 1');
    expect(facetOf(chosen, 'View')).toBeUndefined();
  });
});

describe('what a picture shows', () => {
  const list = (picture: Picture, why = {}): string =>
    renderToStaticMarkup(<FactList picture={picture} why={why} actions={NO_ACTIONS} />);
  const factOf = (markup: string, name: string): string =>
    [...markup.matchAll(/<summary[^>]*>(.*?)<\/summary>/gs)].map((m) => textOf(m[1])).find((w) => w.startsWith(name)) ??
    '';
  it('is told with how sure it is, in doubt as perhaps, and by whom', () => {
    const picture = pictureOf('a', {
      found: { view: 'profile', facing: 'left', difficulty: '3' },
      sure: { view: 0.84, facing: 0.31, difficulty: 0.7 },
      corrected: { family: 'seated' },
    });
    const markup = list(picture, { view: 'one shoulder hides the other' });
    expect(factOf(markup, 'View')).toBe('View profile 84 % sure');
    expect(factOf(markup, 'Faces')).toBe('Faces perhaps left 31 % sure');
    expect(factOf(markup, 'Pose')).toBe('Pose seated you said so');
    expect(factOf(markup, 'Light from')).toBe('Light from – not known');
    expect(textOf(markup)).toContain('Because one shoulder hides the other.');
    expect(textOf(markup)).toContain('Back to what was found');
  });
  it('asks how far a hand is open only of a hand', () => {
    expect(factOf(list(pictureOf('a')), 'Hand')).toBe('');
    expect(factOf(list(pictureOf('a', { found: { subject: 'parts/feet' } })), 'Hand')).toBe('');
    expect(factOf(list(pictureOf('a', { found: { subject: 'parts/hands' } })), 'Hand')).toBe('Hand – not known');
    expect(factOf(list(pictureOf('a', { corrected: { hand: 'half open' } })), 'Hand')).toBe(
      'Hand half open you said so',
    );
  });
  it('offers every value of every fact that can be said', () => {
    const markup = list(pictureOf('a', { found: { subject: 'parts/hands' } }));
    for (const name of FACT_NAMES.filter((n) => TAGGED.includes(n)))
      for (const value of FACT_VALUES[name]) {
        if (name === 'subject' && !value.includes('/')) continue;
        expect(markup, `${name} ${value}`).toContain(`<option value="${value}"`);
      }
  });
  it('counts how it felt to draw', () => {
    expect(textOf(list(pictureOf('a', { felt: 3 })))).toContain('3 more harder; two of one kind move it by one.');
    expect(textOf(list(pictureOf('a', { felt: -1 })))).toContain('1 more easier');
  });
});

describe('whose a picture is', () => {
  const fields = (rights: Partial<Rights>, more: Partial<Picture> = {}): string =>
    renderToStaticMarkup(
      <RightsFields
        picture={pictureOf('a', {
          rights: { license: null, credit: '', permission: '', source: '', ...rights },
          ...more,
        })}
        actions={NO_ACTIONS}
      />,
    );
  const CREDIT = 'Showing a drawing from it needs a credit line';
  it('is one of three or not said, and asks for what is missing', () => {
    expect(pressedOf(fields({}))).toEqual([]);
    expect(textOf(fields({ license: 'practice-only' }))).toContain(CREDIT);
    expect(textOf(fields({ license: 'practice-only', credit: 'A. Baker' }))).not.toContain(CREDIT);
    expect(pressedOf(fields({ license: 'free' }))).toHaveLength(1);
  });
  it('asks for the sitter’s OK only of people one took oneself', () => {
    const people = { found: { subject: 'people/one figure' } };
    expect(textOf(fields({ license: 'own' }, people))).toContain('Someone you know? Note their OK.');
    expect(textOf(fields({ license: 'own', permission: 'asked' }, people))).not.toContain('Someone you know?');
    expect(textOf(fields({ license: 'own' }, { found: { subject: 'things/objects' } }))).not.toContain('Someone');
    expect(textOf(fields({ license: 'free' }, people))).not.toContain('Someone');
  });
});

describe('taking pictures in', () => {
  const batch = (more: Partial<Batch>): string =>
    renderToStaticMarkup(
      <IntakeBar
        batch={{
          id: 'b',
          setId: null,
          startedAtMs: 0,
          total: 40,
          done: 40,
          added: 38,
          pictureIds: [],
          problems: [],
          notes: [],
          state: 'done',
          rights: null,
          seen: false,
          ...more,
        }}
        onGoOn={nothing}
      />,
    );
  it('says how far it is, and can be paused and canceled', () => {
    const words = textOf(batch({ state: 'running', done: 12, added: 11 }));
    expect(words).toContain('12 of 40 looked at, 11 added');
    expect(words).toMatch(/Pause Cancel$/);
    expect(textOf(batch({ state: 'paused', done: 12, added: 11 }))).toContain('11 added; paused');
  });
  it('says afterward what was added, what was not and why', () => {
    expect(textOf(batch({ added: 1 }))).toContain('1 picture added.');
    const words = textOf(
      batch({
        added: 0,
        state: 'canceled',
        problems: [
          { name: 'old.jpg', problem: { kind: 'empty' } },
          { name: 'twice.jpg', problem: { kind: 'already there', as: 'first.jpg' } },
        ],
      }),
    );
    expect(words).toContain('No picture was added. You canceled the rest; what was added stays.');
    expect(words).toContain('old.jpg');
    expect(words).toContain('twice.jpg');
  });
  it('tells sixty of many reasons, and leaves the rest to the report', () => {
    const problems = Array.from({ length: 75 }, (_, i) => ({
      name: `n${String(i)}.jpg`,
      problem: { kind: 'empty' } as const,
    }));
    expect(textOf(batch({ problems }))).toContain('15 more in the report.');
  });
});
