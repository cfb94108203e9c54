import { describe, expect, it } from 'vitest';
import { appearanceKey, LIGHT_DIRECTIONS, STUDIO } from '@/core/figure/picture/appearance';
import { towardLight } from '@/core/figure/picture/light';
import { parsePoseSet, poseSetJson } from '@/core/interchange/poseSet';
import { placeLabels } from '@/ui/answerKey/placeLabels';
import { anotherView, moved } from '@/features/figure/views';

const figure = { reference: 'figure/archer-turning/masc/-20/6/26', name: 'Archer turning' };

describe('a set of poses as a file', () => {
  it('comes back as it was', () => {
    const text = poseSetJson('Turns', [{ ...figure, pose: { spine: [1, 2, 3] } }]);
    expect(parsePoseSet(text)).toMatchObject({ name: 'Turns', figures: [figure] });
  });
  it.each([
    ['{"format": "fox-minute-po', /not JSON/],
    ['[]', /not a set of poses/],
    ['{"format": "other"}', /not a set of poses/],
    [JSON.stringify({ format: 'fox-minute-poses', version: 7 }), /later version \(7\)/],
    [poseSetJson('', [figure]), /fault at “name”/],
    [poseSetJson('Empty', []), /fault at “figures”/],
    [poseSetJson('Bad', [figure, { ...figure, reference: 'picture/1' }]), /Figure 2 of the file/],
  ])('%s is turned away in words', (text, sentence) => expect(() => parsePoseSet(text)).toThrow(sentence));
});

describe('appearances', () => {
  it('differ in their key exactly where they differ', () => {
    expect(appearanceKey(STUDIO)).toBe('');
    expect(appearanceKey({ ...STUDIO, bones: 1, suit: false })).toBe('');
    const keys = [
      STUDIO,
      { ...STUDIO, covered: true },
      { ...STUDIO, look: 'plaster' as const },
      { ...STUDIO, covered: true, suit: true },
      ...[0, 0.5, 1.5, 2].map((bones) => ({ ...STUDIO, bones })),
      ...LIGHT_DIRECTIONS.slice(0, 7).map(({ azimuthDeg }) => ({ ...STUDIO, light: { azimuthDeg, elevationDeg: 46 } })),
    ].map(appearanceKey);
    expect(new Set(keys).size).toBe(keys.length);
  });
  it('put the light where it is said to be, as the eye goes around', () => {
    expect(towardLight({ azimuthDeg: 90, elevationDeg: 0 }, 0)[0]).toBeCloseTo(1);
    expect(towardLight({ azimuthDeg: 0, elevationDeg: 0 }, 180)[2]).toBeCloseTo(-1);
    expect(towardLight({ azimuthDeg: 30, elevationDeg: 90 }, 50)[1]).toBeCloseTo(1);
  });
});

describe('labels of landmarks', () => {
  const marks = Array.from({ length: 14 }, (_, i) => ({
    name: `m${i}`,
    at: [i % 2 ? 120 : 280, 300 + i] as const,
    visible: true,
  }));
  it('never lie on each other, and stay in the picture', () => {
    for (const height of [1000, 420]) {
      const labels = placeLabels(marks, { width: 400, height, figure: [100, 300], aside: [0, 0] });
      expect(labels.length).toBe(marks.length);
      for (const side of ['start', 'end']) {
        const ys = labels.filter((l) => l.anchor === side).map((l) => l.label[1]);
        ys.slice(1).forEach((y, i) => expect(y - ys[i]).toBeGreaterThanOrEqual(22.9));
        expect(Math.max(...ys)).toBeLessThanOrEqual(height);
      }
    }
  });
});

describe('labels at the edge of a picture', () => {
  it('are whole: their words end before it does', () => {
    const narrow = ['left shoulder', 'pit of the neck', 'right wrist', 'left elbow'].map((name, i) => ({
      name,
      at: [30 + 240 * (i % 2), 100 + 40 * i] as const,
      visible: i !== 2,
    }));
    const room = { width: 300, height: 400, figure: [20, 280], aside: [0, 0] } as const;
    for (const { mark, label, anchor } of placeLabels(narrow, room)) {
      const wide = 10 * (mark.name.length + (mark.visible ? 0 : 2));
      if (anchor === 'end') expect(label[0] - wide).toBeGreaterThanOrEqual(0);
      else expect(label[0] + wide).toBeLessThanOrEqual(300);
    }
    // With room beside the picture they stand beside the figure, not over it.
    for (const { label, anchor } of placeLabels(narrow, { ...room, aside: [200, 200] }))
      if (anchor === 'end') expect(label[0]).toBeLessThan(20);
      else expect(label[0]).toBeGreaterThan(280);
  });
});

describe('moving the camera', () => {
  const start = {
    poseId: 'archer-turning',
    build: 'masc' as const,
    view: { azimuthDeg: 170, elevationDeg: 6, lensDeg: 26 },
  };
  it('goes round and round, and stops at the floor and at the widest lens', () => {
    expect(moved(start, { turnDeg: 15 }).view.azimuthDeg).toBe(-175);
    expect(moved(start, { raiseDeg: -90 }).view.elevationDeg).toBe(-15);
    expect(moved(start, { raiseDeg: 900, lensDeg: 900 }).view).toMatchObject({ elevationDeg: 75, lensDeg: 80 });
  });
  it('meets every side before it repeats', () => {
    const seen = new Set<number>();
    let reference = start;
    for (let i = 0; i < 24; i++) {
      reference = anotherView(reference) as typeof start;
      seen.add(reference.view.azimuthDeg);
    }
    expect(seen.size).toBe(24);
  });
});
