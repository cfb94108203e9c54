import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { envelopeOf } from '@/core/figure/catalogue/envelopes';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { mediumById, piecesToSharpen, sheetsFor, withSpares } from '@/core/practice/paper/materials';
import { posesBlock, linesBlock } from '@/core/practice/edit/newBlock';
import { mapPage, offersPart } from '@/core/practice/paper/pageMap';
import {
  areaPerFigure,
  lengthOnPaper,
  type Sheet,
  SHEET_SIZES,
  type SheetSize,
  USUAL_SHEET,
} from '@/core/practice/paper/sheet';
import { materialsOf, sheetsOf } from '@/core/practice/paper/sheets';
import { level, recipeWith } from './recipes';

const sizes = Object.keys(SHEET_SIZES) as SheetSize[];

describe('the page map', () => {
  it('turns the sheet along a long pose: 390 mm wide on A3, where upright it would be 267', () => {
    const map = mapPage([{ width: 3.2, height: 1 }], USUAL_SHEET);
    expect(map.turned).toBe('landscape');
    expect(map.boxes[0].widthMm).toBeCloseTo(390, 3);
    expect(lengthOnPaper(map.boxes[0].widthMm, 'mm')).toBe('390 mm');
    expect(mapPage([{ width: 1, height: 3.2 }], USUAL_SHEET).turned).toBe('portrait');
    expect(297 - 2 * 15).toBe(267);
  });
  const anyBox = fc.record({ width: fc.integer({ min: 1, max: 40 }), height: fc.integer({ min: 1, max: 40 }) });
  it('keeps every box inside the margins, in its proportion, and apart from the others unless they may overlap', () => {
    fc.assert(
      fc.property(
        fc.array(anyBox, { minLength: 1, maxLength: 12 }),
        fc.constantFrom(...sizes),
        fc.integer({ min: 0, max: 30 }),
        fc.boolean(),
        (boxes, size, marginMm, overlap) => {
          const sheet: Sheet = { ...USUAL_SHEET, size, marginMm };
          const map = mapPage(boxes, sheet, overlap);
          expect(map.boxes).toHaveLength(boxes.length);
          map.boxes.forEach((b, i) => {
            expect(b.xMm).toBeGreaterThanOrEqual(marginMm - 1e-6);
            expect(b.yMm).toBeGreaterThanOrEqual(marginMm - 1e-6);
            expect(b.xMm + b.widthMm).toBeLessThanOrEqual(map.widthMm - marginMm + 1e-6);
            expect(b.yMm + b.heightMm).toBeLessThanOrEqual(map.heightMm - marginMm + 1e-6);
            expect(b.widthMm / b.heightMm).toBeCloseTo(boxes[i].width / boxes[i].height, 6);
            if (overlap) return;
            for (const other of map.boxes.slice(i + 1))
              expect(
                b.xMm + b.widthMm <= other.xMm + 1e-6 ||
                  other.xMm + other.widthMm <= b.xMm + 1e-6 ||
                  b.yMm + b.heightMm <= other.yMm + 1e-6 ||
                  other.yMm + other.heightMm <= b.yMm + 1e-6,
              ).toBe(true);
          });
        },
      ),
    );
  });
  it('tells the height of a head, and offers a part when figures come out small', () => {
    const standing = { width: 3, height: 7.5, head: 1 };
    expect(mapPage([standing], USUAL_SHEET).boxes[0].headMm).toBeCloseTo(390 / 7.5, 3);
    expect(offersPart(mapPage([standing], USUAL_SHEET))).toBe(false);
    expect(
      offersPart(
        mapPage(
          Array.from({ length: 12 }, () => standing),
          { ...USUAL_SHEET, size: 'A4' },
        ),
      ),
    ).toBe(true);
  });
  it('gives three on nine by twelve thirty-six square inches each, one on fourteen by seventeen 238', () => {
    expect(areaPerFigure({ size: '9 × 12 in' }, 3) / 645.16).toBeCloseTo(36, 6);
    expect(areaPerFigure({ size: '14 × 17 in' }, 1) / 645.16).toBeCloseTo(238, 6);
    expect(lengthOnPaper(254, 'in')).toBe('10.0 in');
  });
  it('has the envelope of every view in the sets', () => {
    for (const { id } of CATALOGUE) {
      const shape = envelopeOf(id);
      expect(shape?.corners.length).toBeGreaterThanOrEqual(4);
      expect(shape?.corners.flat().every((n) => n >= 0 && n <= 1)).toBe(true);
      // Of a part alone no height of a head is known.
      const heads = shape?.head === undefined ? 7 : shape.height / shape.head;
      expect(heads).toBeGreaterThan(1.5);
      expect(heads).toBeLessThan(11);
    }
  });
});

describe('what to lay out', () => {
  it('is a pencil for each half hour and a spare from four on', () => {
    const pencil = mediumById('charcoal pencil');
    expect([45, 130, 180, 0].map((min) => piecesToSharpen(pencil, min * 60_000))).toEqual([2, 6, 7, 0]);
    expect(piecesToSharpen(mediumById('ballpoint'), 3_600_000)).toBe(0);
  });
  it('is sheets by the drawings on each, and a third more pictures', () => {
    expect([sheetsFor(10, 3), sheetsFor(10, 10)]).toEqual([4, 1]);
    expect([withSpares(3), withSpares(22)]).toEqual([4, 30]);
  });
  it('counts lines as pages, and all of a page of many as one', () => {
    const recipe = recipeWith([linesBlock('l', 2), { ...posesBlock('m', 'page-of-many', 10) }, level('a', 4, 60_000)]);
    const sheets = sheetsOf(recipe, { m: Array.from({ length: 10 }, (_, i) => `p${String(i)}`) });
    expect(sheets).toHaveLength(2 + 1 + 4);
    expect(sheets[2]).toMatchObject({ overlap: true });
    expect(sheets[2].referenceIds).toHaveLength(10);
  });
  it('warns where it applies, and only there', () => {
    const plain = recipeWith([level('a', 4, 60_000, { settings: { medium: 'ballpoint' } })]);
    expect(materialsOf(plain, {}, 240_000)).toMatchObject({ cautions: [], erasing: 'out of reach', posesOfModel: 0 });
    const source = { ...level('a', 1, 1).source, kind: 'live model' as const };
    const model = materialsOf(
      recipeWith([level('a', 30, 60_000, { source, bothHands: true })], { medium: 'charcoal' }),
      {},
      3_600_000,
    );
    expect(model.posesOfModel).toBe(60);
    expect(model.cautions.join(' ')).toMatch(/dust.*20 seconds.*other hand.*model decides/is);
  });
});

describe('the size of a part on a sheet', () => {
  it('says no height of a head where a head or a hand is all there is', () => {
    const headOf = (family: string): (number | undefined)[] =>
      CATALOGUE.filter((entry) => entry.family === family).map(({ id }) => envelopeOf(id)?.head);
    expect(new Set(headOf('heads'))).toEqual(new Set([undefined]));
    expect(new Set(headOf('hands'))).toEqual(new Set([undefined]));
    for (const head of headOf('seated')) expect(head).toBeGreaterThan(0);
  });
});
