import { describe, expect, it } from 'vitest';
import { apart } from '@/features/figure/apart';

describe('rings over a figure', () => {
  it('stay where they are when each can be taken hold of', () => {
    const places = [
      { x: 0, y: 0 },
      { x: 40, y: 0 },
    ];
    expect(apart(places, 30)).toEqual(places);
  });
  it('go apart where they lie on each other, and no farther than needed', () => {
    const places = [
      { x: 100, y: 100 },
      { x: 100, y: 100 },
      { x: 110, y: 104 },
    ];
    const out = apart(places, 30);
    out.forEach((a, i) => {
      for (const b of out.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(29);
      expect(Math.hypot(a.x - places[i].x, a.y - places[i].y)).toBeLessThan(40);
    });
    expect(places[0]).toEqual({ x: 100, y: 100 });
  });
});
