import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Body, bodySchema, lookedAtOther, peopleIn } from '@/core/body/body';
import { fitsTile, isSameLook, type Region, tilesOf, unmirrored } from '@/core/body/detector';
import { eyeLevelByHorizon } from '@/core/body/eyeLevel';
import { templateBody, swapSides } from '@/core/body/lift';
import { bodySize, boundsOf, isOneBody, trunkLength } from '@/core/body/oneBody';
import { readingOf, withHorizon } from '@/core/body/pictureReading';
import { type BodyPoint, POINT_NAMES, type PointName } from '@/core/body/points';
import { readBody } from '@/core/body/readBody';
import { headTurn, headView, isHeadAlone, readFaceLight } from '@/core/body/readHead';
import { pictureOf } from '../pictures';

/** A picture as high as wide, of which nobody said where its horizon is. */
const SQUARE = { aspect: 1, horizon: undefined };
const { points, space } = templateBody(1);
const moved = (by: number, of: readonly BodyPoint[] = points): BodyPoint[] => of.map((p) => ({ ...p, x: p.x + by }));
const bodyOf = (of: BodyPoint[], others: BodyPoint[][] = []): Body =>
  bodySchema.parse({
    id: 'p',
    points: of,
    space,
    score: 0.9,
    by: 'model',
    others: others.map((o) => ({ points: o, space, score: 0.8 })),
  });

describe('the parts a large picture is looked at in', () => {
  it('cover all of it, overlap by half, and are none where the picture is small', () => {
    expect(tilesOf(640, 480)).toEqual([]);
    fc.assert(
      fc.property(fc.integer({ min: 800, max: 9000 }), fc.double({ min: 0.3, max: 1, noNaN: true }), (long, share) => {
        for (const [w, h] of [
          [long, Math.round(long * share)],
          [Math.round(long * share), long],
        ]) {
          const tiles = tilesOf(w, h);
          const { size } = tiles[0];
          expect(size).toBe(Math.max(w, h) / 2);
          for (const [x, y] of [
            [0, 0],
            [w, h],
            [w / 2, h / 2],
            [w, 0],
          ])
            expect(tiles.some((t) => Math.abs(t.x - x) <= size / 2 + 1 && Math.abs(t.y - y) <= size / 2 + 1)).toBe(
              true,
            );
          const across = [...new Set(tiles.map((t) => t.x))];
          expect(across.slice(1).every((x, i) => x - across[i] <= size / 2 + 1e-6)).toBe(true);
        }
      }),
    );
  });
  it('hold only bodies that fit', () => {
    const [tile] = tilesOf(1600, 1000);
    expect([fitsTile({ ...tile, size: 900 }, tile), fitsTile({ ...tile, size: 1100 }, tile)]).toEqual([true, false]);
  });
  it('are seen in a mirror too: what is found there lies on the other side, and mirrored twice where it was', () => {
    const [part] = tilesOf(1600, 1000);
    const found: Region = { x: part.x + 90, y: 200, size: 300, turn: 0.4 };
    expect(unmirrored(found, part)).toEqual({ x: part.x - 90, y: 200, size: 300, turn: -0.4 });
    expect(unmirrored(unmirrored(found, part), part)).toEqual(found);
  });
  it('show the same where a place is nearly another in middle, size and turn, all three', () => {
    const one: Region = { x: 500, y: 400, size: 300, turn: Math.PI - 0.05 };
    expect(isSameLook(one, { ...one, x: 515, size: 325, turn: 0.05 - Math.PI })).toBe(true);
    for (const other of [{ x: 530 }, { y: 370 }, { size: 350 }, { size: 260 }, { turn: 2.8 }])
      expect(isSameLook(one, { ...one, ...other })).toBe(false);
  });
});

describe('several people in a picture', () => {
  it('are one where shoulders and hips lie at one place, whichever way round, and two where they do not', () => {
    expect(isOneBody(points, moved(0.01), 1)).toBe(true);
    expect(isOneBody(points, swapSides(points), 1)).toBe(true);
    expect(isOneBody(points, moved(bodySize(points, 1)), 1)).toBe(false);
    expect(trunkLength(points, 1)).toBeGreaterThan(0.1);
  });
  it('are one where they have one face, whatever trunk is made up for it', () => {
    const elsewhere = (p: BodyPoint, i: number): BodyPoint =>
      /shoulder|hip/.test(POINT_NAMES[i]) ? { ...p, y: p.y + 0.6 } : p;
    expect(isOneBody(points, points.map(elsewhere), 1)).toBe(true);
    expect(isOneBody(points, moved(0.2).map(elsewhere), 1)).toBe(false);
  });
  it('are guesses where they were hardly seen', () => {
    const sureOf = (score: number): number[] =>
      Object.values(readBody({ points, space, score }, 1, SQUARE).sure).filter((sure) => sure > 0.55);
    expect(sureOf(0.59)).toEqual([]);
    expect(sureOf(0.61).length).toBeGreaterThan(2);
  });
  it('are framed by what is seen of them within the picture', () => {
    const half = moved(0.6).map((p) => ({ ...p, seen: 1 }));
    expect(boundsOf(half).right).toBe(1);
    expect(boundsOf(points.map((p, i) => ({ ...p, seen: i === 0 ? 1 : 0 })))).toMatchObject({ left: points[0].x });
  });
  it('are looked at one at a time, and none is lost by choosing', () => {
    const three = bodyOf(points, [moved(0.2), moved(-0.2)]);
    expect(peopleIn(three)).toBe(3);
    const second = lookedAtOther(three, 1);
    expect(second.points).toEqual(moved(-0.2));
    expect(bodySchema.parse(second)).toEqual(second);
    // A choice is the learner's word: reading by newer rules does not take it back.
    expect(second.by).toBe('hand');
    const back = lookedAtOther(second, (second.others ?? []).length - 1);
    expect(back.points).toEqual(points);
    expect(peopleIn(back)).toBe(3);
    expect(readBody(three, peopleIn(three), SQUARE).facts.subject).toBe('people/two or more');
  });
});

/** What a level pinhole camera sees, pitched down by so much: shares of the height, for a focal length in shares of it too. */
const seenAt = (deg: number, pitchDeg: number, focal: number): number =>
  0.5 + focal * Math.tan(((deg - pitchDeg) * Math.PI) / 180);

describe('the horizon', () => {
  it('tells the eye level as the camera saw it, however it was pitched', () => {
    fc.assert(
      fc.property(fc.integer({ min: -30, max: 60 }), fc.integer({ min: -20, max: 50 }), (elevation, pitch) => {
        fc.pre(Math.abs(elevation + 3) > 1 && Math.abs(elevation - 22) > 1 && Math.abs(elevation - pitch) < 30);
        const focal = 35 / 36;
        const middle = seenAt(elevation, pitch, focal);
        fc.pre(middle > 0.1 && middle < 0.9);
        const body = points.map((p, i) => ({ ...p, seen: 1, y: middle + (i % 2 === 0 ? 0.05 : -0.05) }));
        const { eyeLevel } = eyeLevelByHorizon(seenAt(0, pitch, focal), body, 1);
        expect(eyeLevel).toBe(elevation < -3 ? 'from below' : elevation > 22 ? 'from above' : 'at eye level');
      }),
    );
  });
  it('is sure where no lens says otherwise, and less where one would', () => {
    const body = points.map((p) => ({ ...p, y: 0.5 }));
    expect(eyeLevelByHorizon(0.5, body, 1)).toMatchObject({ eyeLevel: 'at eye level', sure: 0.95 });
    expect(eyeLevelByHorizon(-0.9, body, 1)).toMatchObject({ eyeLevel: 'from above', sure: 0.95 });
    expect(eyeLevelByHorizon(0.15, body, 1).sure).toBeLessThan(0.9);
    expect(eyeLevelByHorizon(1.4, body, 1).why).toMatch(/below the middle of the figure/);
  });
  it('is read with the picture, and forgotten again; without it the eye level is a guess', () => {
    const picture = pictureOf('p', { widthPx: 400, heightPx: 400 });
    const body = bodyOf(points);
    const drawn = withHorizon(picture, body, -0.8);
    expect(drawn).toMatchObject({ horizon: -0.8, found: { eyeLevel: 'from above' }, sure: { eyeLevel: 0.95 } });
    const reading = readingOf({ ...picture, ...drawn }, { body, people: 1 }, undefined);
    expect(reading.found?.eyeLevel).toBe('from above');
    const forgotten = withHorizon({ ...picture, ...drawn }, body, null);
    expect(forgotten.sure?.eyeLevel).toBeLessThan(0.6);
  });
});

/** A head in the middle of a picture: its face looks so far to the right, and of the body below it little is seen. */
function headOf(turnDeg: number, seenBelow: number): { points: BodyPoint[]; space: [number, number, number][] } {
  const a = (turnDeg * Math.PI) / 180;
  const places: Partial<Record<PointName, [number, number, number]>> = {
    nose: [0, 0, -0.1],
    'left ear': [0.08, -0.02, 0],
    'right ear': [-0.08, -0.02, 0],
    'left eye': [0.035, -0.04, -0.07],
    'right eye': [-0.035, -0.04, -0.07],
    'left outer eye': [0.05, -0.04, -0.06],
    'right outer eye': [-0.05, -0.04, -0.06],
    'left mouth corner': [0.025, 0.05, -0.07],
    'right mouth corner': [-0.025, 0.05, -0.07],
  };
  const turned = POINT_NAMES.map((name): [number, number, number] => {
    const [x, y, z] = places[name] ?? [name.startsWith('left') ? 0.2 : -0.2, 0.6, 0];
    return [x * Math.cos(a) - z * Math.sin(a), y, x * Math.sin(a) + z * Math.cos(a)];
  });
  return {
    space: turned,
    points: turned.map(([x, y, z], i) => ({
      x: 0.5 + 2 * x,
      y: 0.45 + 2 * y,
      z,
      seen: POINT_NAMES[i] in places ? 1 : seenBelow,
    })),
  };
}

describe('a head alone', () => {
  it('is told from a body by its large face and by what is not seen', () => {
    expect(isHeadAlone(headOf(0, 0.1).points)).toBe(true);
    expect(isHeadAlone(points)).toBe(false);
    const inside = headOf(0, 1).points.map((p) => ({ ...p, y: Math.min(p.y, 0.95) }));
    expect(isHeadAlone(inside)).toBe(false);
  });
  it('has its turn and its tilt, and no pose', () => {
    for (const turn of [-80, -30, 0, 30, 80]) {
      const { points: at, space: in3 } = headOf(turn, 0);
      expect(headTurn(at, in3, 1).turnDeg).toBeCloseTo(turn, 6);
      expect(headTurn(at, in3, 1).tiltDeg).toBeCloseTo(0, 6);
    }
    const { facts, sure, why } = readBody({ ...headOf(30, 0), score: 0.9 }, 1, SQUARE);
    expect(facts).toEqual({ subject: 'parts/head', extent: 'part', view: 'three-quarter', facing: 'right' });
    expect(Object.keys(sure).sort()).toEqual(['extent', 'facing', 'subject', 'view']);
    expect(why.view).toBe('the head is turned 30° to the right of the picture, and the line of its eyes tilts 0°');
    // Twice as wide as high, the same line of the eyes is flatter; with a horizon the eye level is known of a head too.
    const leaning = headOf(0, 0);
    const tilted = leaning.points.map((p) => ({ ...p, y: p.y + (p.x - 0.5) }));
    expect(headTurn(tilted, leaning.space, 1).tiltDeg).toBeCloseTo(45, 6);
    expect(headTurn(tilted, leaning.space, 2).tiltDeg).toBeCloseTo(26.565, 2);
    const above = readBody({ ...headOf(30, 0), score: 0.9 }, 1, { aspect: 1, horizon: -0.9 });
    expect(above.facts.eyeLevel).toBe('from above');
    expect(headView(4)).toEqual({ view: 'front', facing: 'toward you' });
    expect(headView(-176)).toEqual({ view: 'back', facing: 'away' });
  });
  it('is lit from the side that is lighter, and nothing is said where it is turned away or evenly lit', () => {
    const { points: at } = headOf(0, 0);
    const lit = (of: (x: number) => number) => ({
      width: 200,
      height: 200,
      data: Uint8Array.from({ length: 40_000 }, (_, i) => of(i % 200)),
    });
    const fromRight = lit((x) => (x > 100 ? 200 : 110));
    expect(readFaceLight(fromRight, at, { turnDeg: 0 })).toMatchObject({ light: 'clear', lightFrom: 'right' });
    expect(readFaceLight(fromRight, at, { turnDeg: 40 })).toBeUndefined();
    expect(
      readFaceLight(
        lit(() => 130),
        at,
        { turnDeg: 0 },
      ),
    ).toBeUndefined();
    const picture = pictureOf('h');
    const reading = readingOf(picture, { body: { ...headOf(0, 0), score: 0.9 }, people: 1 }, fromRight);
    expect(reading.found).toMatchObject({ subject: 'parts/head', lightFrom: 'right' });
    expect(reading.measures).not.toHaveProperty('limbs');
  });
});

describe('what leaves the picture', () => {
  it('is a guess of a body hardly seen, or one that ends at the very edge', () => {
    const sureOf = (of: readonly BodyPoint[], score: number): number =>
      readBody({ points: of, space, score }, 1, SQUARE).sure.extent ?? 0;
    expect(sureOf(points, 0.95)).toBeGreaterThan(0.8);
    expect(sureOf(points, 0.7)).toBeLessThan(0.6);
    const atEdge = points.map((p, i) => (POINT_NAMES[i].endsWith('hip') ? { ...p, y: 1.02 } : p));
    expect(sureOf(atEdge, 0.95)).toBeLessThan(0.6);
  });
});
