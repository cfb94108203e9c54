import { describe, expect, it } from 'vitest';
import type { Rgba } from '@/core/desk/picture';
import type { Corners } from '@/core/desk/quad';
import { sharpnessOf } from '@/core/desk/sharpness';
import { type Look, looksWith, WAITING_WORDS, waitingFor } from '@/core/desk/steady';

const at = (x: number): Corners => [
  [0.1 + x, 0.1],
  [0.9 + x, 0.1],
  [0.9 + x, 0.9],
  [0.1 + x, 0.9],
];
const look = (atMs: number, some: Partial<Look> = {}): Look => ({
  atMs,
  corners: at(0),
  worstSide: 0.9,
  bow: 0,
  sharpness: 1,
  ...some,
});
const after = (...looks: Look[]) => waitingFor(looks);

describe('a sheet before the camera', () => {
  it('is taken when it was still, flat and sharp for a while', () => {
    expect(after(look(0), look(400))).toBe('holding');
    expect(after(look(0), look(400), look(800))).toBe('holding');
    expect(after(look(0), look(400), look(800), look(1000))).toBe('take');
  });
  it('is not while it moves, is not there, half seen, curled or blurred', () => {
    expect(after()).toBe('no sheet');
    expect(after(look(0, { corners: undefined }))).toBe('no sheet');
    expect(after(look(0, { worstSide: 0.2 }))).toBe('half seen');
    expect(after(look(0), look(400, { corners: at(0.05) }))).toBe('moving');
    expect(after(look(0), look(400), look(800), look(1200, { bow: 0.6 }))).toBe('curled');
    expect(after(look(0), look(400), look(800), look(1200, { sharpness: 0.5 }))).toBe('blurred');
    // Creeping is moving too.
    const creeping = Array.from({ length: 6 }, (_, i) => look(i * 400, { corners: at(i * 0.008) }));
    expect(waitingFor(creeping)).not.toBe('take');
  });
  it('looks of long ago are forgotten', () => {
    const looks = [look(0), look(100)].reduce<Look[]>((all, one) => looksWith(all, one), []);
    expect(looks).toHaveLength(2);
    expect(looksWith(looks, look(20_000))).toHaveLength(1);
  });
  it('has words for each', () => {
    for (const words of Object.values(WAITING_WORDS)) expect(words).toMatch(/\.$/);
  });
});

describe('sharpness', () => {
  const painted = (level: (x: number, y: number) => number): Rgba => {
    const data = new Uint8ClampedArray(200 * 200 * 4);
    for (let i = 0; i < 200 * 200; i++) data.fill(level(i % 200, Math.floor(i / 200)), i * 4, i * 4 + 3);
    return { width: 200, height: 200, data };
  };
  const edge = (soft: number) =>
    painted((x) => 40 + 180 / (1 + Math.exp((-6 * Math.sin(((x + 0.5) * Math.PI) / 20.5)) / soft)));
  it('is less the softer the edges are, whatever the light', () => {
    const [sharp, softer, softest] = [0.2, 1.5, 5].map((soft) => sharpnessOf(edge(soft)));
    expect(sharp).toBeGreaterThan(1.5 * softer);
    expect(softer).toBeGreaterThan(1.5 * softest);
    const dim = edge(0.2);
    for (let i = 0; i < dim.data.length; i++) dim.data[i] /= 2;
    expect(sharpnessOf(dim)).toBeCloseTo(sharp, 0);
    expect(sharpnessOf(painted(() => 120))).toBe(0);
  });
});
