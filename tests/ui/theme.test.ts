import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

/** Colors of a theme by name, as the stylesheet has them. */
function colorsOf(theme: 'paper' | 'night'): Map<string, string> {
  const css = readFileSync('src/app/globals.css', 'utf8');
  const from = css.indexOf(`name: '${theme}'`);
  const block = css.slice(from, css.indexOf('\n}', from));
  return new Map([...block.matchAll(/--([a-z-]+): (#[0-9a-f]{6});/g)].map((m) => [m[1], m[2]]));
}

/** Relative luminance (WCAG 2.2, from sRGB). */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const v = parseInt(hex.slice(i, i + 2), 16) / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
const contrast = (a: string, b: string): number => {
  const [dark, light] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (light + 0.05) / (dark + 0.05);
};

const GROUNDS = ['ground', 'sheet', 'plate'] as const;
const TEXTS = ['ink', 'quiet', 'russet-text', 'moss-text'] as const;
/** What tells exercises apart, and controls from their ground. */
const SHAPES = ['charcoal', 'ochre', 'slate', 'plum', 'umber', 'moss', 'russet', 'rule'] as const;

describe.each(['paper', 'night'] as const)('the %s theme', (theme) => {
  const colors = colorsOf(theme);
  const of = (name: string): string => {
    const color = colors.get(name);
    if (!color) throw new Error(`${theme} has no ${name}`);
    return color;
  };
  it.each(TEXTS.flatMap((text) => GROUNDS.map((ground) => [text, ground] as const)))(
    'has %s as text on %s that can be read (AA, 4.5)',
    (text, ground) => expect(contrast(of(text), of(ground))).toBeGreaterThanOrEqual(4.5),
  );
  it.each(SHAPES.flatMap((shape) => (['ground', 'sheet'] as const).map((ground) => [shape, ground] as const)))(
    'has %s on %s that can be told from it (3)',
    (shape, ground) => expect(contrast(of(shape), of(ground))).toBeGreaterThanOrEqual(3),
  );
  it('says the same colors as the paper one', () => {
    expect([...colors.keys()].sort()).toEqual([...colorsOf('paper').keys()].sort());
  });
});
