import { describe, expect, it } from 'vitest';
import { type DrawnSource, exportGate, pictureGate, PURPOSES } from '@/core/references/exportGate';
import { LICENSES, NO_RIGHTS } from '@/core/references/picture';

const source = (license: (typeof LICENSES)[number] | null, credit = '', name = 'a picture'): DrawnSource => ({
  name,
  rights: { ...NO_RIGHTS, license, credit },
});

describe('taking a drawing out', () => {
  it('asks nothing of what is one’s own or drawn from figures', () => {
    expect(exportGate('post', [])).toEqual({ allowed: true, words: 'Nobody has to be named.', credits: [] });
    expect(exportGate('sell', [source('own'), source('free')]).allowed).toBe(true);
  });
  it('demands a credit to show a study of a practice-only picture, and carries it along', () => {
    expect(exportGate('post', [source('practice-only')])).toMatchObject({ allowed: false, credits: [] });
    expect(exportGate('post', [source('practice-only', '  ')]).allowed).toBe(false);
    expect(exportGate('post', [source('practice-only', 'A. Baker'), source('free', 'A. Baker')])).toMatchObject({
      allowed: true,
      credits: ['A. Baker'],
      words: 'Goes with it: after A. Baker.',
    });
  });
  it('refuses to sell such a study, with the reason', () => {
    const gate = exportGate('sell', [source('own'), source('practice-only', 'A. Baker', 'dancer')]);
    expect(gate.allowed).toBe(false);
    expect(gate.words).toBe('“dancer” is for practice only: a drawing from it is not for sale.');
  });
  it('lets nothing out that was drawn from a picture no longer here', () => {
    for (const purpose of PURPOSES) {
      const gate = exportGate(purpose, [source('own'), { name: '', rights: null }]);
      expect(gate).toMatchObject({ allowed: false, credits: [] });
      expect(gate.words).toContain('no longer here');
    }
  });
  it('lets nothing out of which nothing is said yet, and names each once', () => {
    const gate = exportGate('post', [source(null, '', 'archer'), source(null, '', 'archer'), source('practice-only')]);
    expect(gate.allowed).toBe(false);
    expect(gate.words.match(/archer/g)).toHaveLength(1);
    expect(gate.words).toContain('who is to be named');
  });
  it('lets nothing out in which a picture for practice is to be seen itself, whoever is named', () => {
    expect(pictureGate('post', [source('practice-only', 'A. Baker', 'dancer')], [])).toMatchObject({
      allowed: false,
      words: '“dancer” itself is to be seen in it (for practice only): put a drawing of it in its place.',
    });
    expect(pictureGate('post', [{ name: 'gone', rights: null }], []).words).toContain('is no longer here');
    expect(pictureGate('sell', [source('own'), source('free')], []).allowed).toBe(true);
    // What a drawing was made from is asked as ever.
    expect(pictureGate('post', [source('own')], [source('practice-only', 'A. Baker')])).toMatchObject({
      allowed: true,
      credits: ['A. Baker'],
    });
    expect(pictureGate('sell', [], [source('practice-only', 'A. Baker')]).allowed).toBe(false);
  });
});
