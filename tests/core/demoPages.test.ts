import { differenceInCalendarDays } from 'date-fns';
import { describe, expect, it } from 'vitest';
import { readFileSync, existsSync } from 'node:fs';
import { demoSessions } from '@/core/demo';
import { DEMO_PAGES, demoErrors, demoPageId } from '@/core/demoPages';
import { sheetSchema } from '@/core/desk/sheet';
import { parseFigureReference } from '@/core/figure/catalogue/reference';
import { drawByHand } from '@/core/hand/draw';
import { posesDrawn } from '@/core/journal/drawings';
import { compare } from '@/core/measure/compare';
import { placesSeen } from '@/core/measure/drawn';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { shippedReferences } from '@/core/references/referenceFacts';
import { keyOf } from './keys';

const NOW = Date.UTC(2026, 4, 2, 12);
const sessions = demoSessions(shippedReferences(BUILT_IN_SET_ID) ?? [], NOW);
const shipped = JSON.parse(readFileSync('public/demo/pages.json', 'utf8')) as {
  id: string;
  file: string;
  sessionId: string;
  sheet?: unknown;
}[];

describe('the demo learner’s pages', () => {
  it('ship with their photographs, each with drawings of its own session', () => {
    expect(shipped.map(({ id }) => id)).toEqual(DEMO_PAGES.map((_, i) => demoPageId(i)));
    for (const { file, sessionId, sheet } of shipped) {
      expect(existsSync(`public/demo/${file}`)).toBe(true);
      expect(existsSync(`public/demo/small-${file}`)).toBe(true);
      const session = sessions.find(({ id }) => id === sessionId)!;
      const drawn = posesDrawn(session).filter((d) => d.referenceId !== null && parseFigureReference(d.referenceId));
      if (sheet === undefined) continue;
      const { drawings } = sheetSchema.parse(sheet);
      expect(drawings.length).toBeGreaterThan(1);
      expect(drawings.map(({ drawing }) => drawing).toSorted()).toEqual(
        drawn
          .slice(0, drawings.length)
          .map(({ drawing }) => drawing)
          .toSorted(),
      );
    }
  });
  it('are as the scenario says: four materials, ten on one sheet, one curled, one on a pale desk', () => {
    expect(new Set(DEMO_PAGES.map(({ material }) => material)).size).toBe(4);
    expect(DEMO_PAGES.some(({ most }) => most === 10)).toBe(true);
    expect(DEMO_PAGES.some(({ curl }) => curl)).toBe(true);
    expect(DEMO_PAGES.some(({ desk }) => desk === 'pale')).toBe(true);
  });
  it('show heads that come down and tilts that come up over the weeks', () => {
    const days = DEMO_PAGES.map(({ sessionId }) =>
      differenceInCalendarDays(NOW, sessions.find(({ id }) => id === sessionId)!.startedAtMs),
    );
    expect(days).toEqual([...days].sort((a, b) => b - a));
    const errors = days.map(demoErrors);
    for (let i = 1; i < errors.length; i++) {
      expect(errors[i].head).toBeLessThan(errors[i - 1].head);
      expect(errors[i].tilts).toBeGreaterThan(errors[i - 1].tilts);
    }
    expect(demoErrors(84).head).toBeCloseTo(0.14, 9);
    // What is drawn is measured so: the head against the figure's length, which the longer head changes too.
    const key = keyOf(40);
    const seen = placesSeen(key, false);
    const head = (daysAgo: number): number => {
      const { places } = drawByHand({ key, manner: 'flowing', drawMs: 60_000, seed: 1, errors: demoErrors(daysAgo) });
      const drawn = new Map([...seen].map(([name]) => [name, { at: places.get(name)!, sigma: 0 }]));
      return compare(seen, drawn).find(({ measure }) => measure.id === 'head')?.off.value ?? NaN;
    };
    expect(head(84)).toBeGreaterThan(0.12);
    expect(head(2)).toBeLessThan(0.08);
    expect(head(2)).toBeGreaterThan(0);
  });
});
