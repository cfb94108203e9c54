import { describe, expect, it } from 'vitest';
import { arrivals, type SeenFile, watchFrom } from '@/core/desk/arrivals';
import { envelopeOf, jointsEnvelope, unlikeness } from '@/core/desk/matching';
import { sheetDoubts } from '@/core/desk/sheet';
import type { SheetCandidate } from '@/core/desk/findSheet';
import type { Corners } from '@/core/desk/quad';
import { headShare, headShareSentence } from '@/core/measure/headShare';
import type { Place, PlaceName } from '@/core/measure/places';

const file = (name: string, size = 10, modifiedMs = 5): SeenFile => ({ name, size, modifiedMs });

describe('a folder that is watched', () => {
  it('tells of photographs that came since, once each, when they have stopped growing', () => {
    let watched = watchFrom([file('old.jpg')]);
    const look = (...files: SeenFile[]): string[] => {
      const now = arrivals(watched, [file('old.jpg'), ...files]);
      watched = now.watched;
      return now.arrived.map(({ name }) => name);
    };
    expect(look()).toEqual([]);
    expect(look(file('b.png', 0), file('a.JPG', 40))).toEqual([]);
    // One is done, the other still grows.
    expect(look(file('b.png', 70), file('a.JPG', 40))).toEqual(['a.JPG']);
    expect(look(file('b.png', 90), file('a.JPG', 40))).toEqual([]);
    expect(look(file('b.png', 90), file('a.JPG', 40))).toEqual(['b.png']);
    expect(look(file('b.png', 90), file('a.JPG', 40), file('notes.txt'))).toEqual([]);
    // Scanned anew under its name it is another.
    const again = file('a.JPG', 50, 9);
    expect(look(again)).toEqual([]);
    expect(look(again)).toEqual(['a.JPG']);
  });
  it('tells them in the order they were made', () => {
    const files = [file('x.heic', 5, 30), file('b.jpg', 5, 20), file('a.jpg', 5, 20)];
    const once = arrivals(watchFrom([]), files);
    expect(arrivals(once.watched, files).arrived.map(({ name }) => name)).toEqual(['a.jpg', 'b.jpg', 'x.heic']);
  });
});

describe('a person of whom joints are known', () => {
  it('has the envelope of the joints, a little wider, in any size', () => {
    const joints = [
      [0, 0],
      [10, 2],
      [8, 30],
      [1, 28],
      [5, 12],
    ] as const;
    const by = jointsEnvelope(joints)!;
    expect(unlikeness(by, jointsEnvelope(joints.map(([x, y]) => [x * 3 + 7, y * 3]))!)).toBeLessThan(1e-9);
    expect(unlikeness(by, envelopeOf(joints.slice(0, 4))!)).toBeLessThan(1e-9);
    expect(jointsEnvelope(joints.slice(0, 2))).toBeUndefined();
  });
});

describe('several sheets in a photograph', () => {
  const at = (x: number, y: number, width: number, height: number): SheetCandidate => {
    const corners: Corners = [
      [x, y],
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
    ];
    return { corners, sides: [0.9, 0.9, 0.9, 0.9] };
  };
  it('are told as two where they lie beside each other, as a doubt where one lies in the other', () => {
    expect(sheetDoubts([at(0, 0, 300, 400), at(320, 0, 300, 400)], 0)[0]).toMatch(
      /^Two sheets lie in the photograph\./,
    );
    expect(sheetDoubts([at(0, 0, 300, 400), at(0, 0, 300, 300)], 0)[0]).toMatch(/^Another sheet is seen as well/);
    expect(sheetDoubts([at(0, 0, 300, 400), at(2, 2, 300, 400)], 0)).toEqual([]);
    expect(sheetDoubts([at(0, 0, 300, 400)], 0)).toEqual([]);
  });
});

describe('the height given to neck and shoulders', () => {
  const places = (crown: number, chin: number, sigma: number): Map<PlaceName, Place> =>
    new Map([
      ['crown', { at: [0, crown], sigma }],
      ['chin', { at: [0, chin], sigma }],
    ]);
  it('is told of a head and its drawing, with how sure it is', () => {
    const share = headShare({ places: places(0, 60, 0), bottom: 100 }, { places: places(100, 240, 2), bottom: 300 })!;
    expect(share.seen).toBeCloseTo(0.4, 9);
    expect(share.drawn.value).toBeCloseTo(0.3, 9);
    expect(share.drawn.sigma).toBeCloseTo(Math.hypot(0.01, 0.003), 9);
    expect(headShareSentence(share)).toBe('Neck and shoulders have 30 % ± 2 of the height; 40 % in the picture.');
    expect(headShareSentence({ ...share, seen: 0.31 })).toContain('no difference that can be told');
  });
  it('is not known without crown or chin', () => {
    expect(headShare({ places: new Map(), bottom: 1 }, { places: places(0, 1, 0), bottom: 2 })).toBeUndefined();
    expect(headShare({ places: places(0, 1, 0), bottom: 2 }, { places: places(5, 6, 0), bottom: 5 })).toBeUndefined();
  });
});
