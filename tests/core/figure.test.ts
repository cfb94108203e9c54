import { describe, expect, it } from 'vitest';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { buildFigure } from '@/core/figure/figure';
import { COARSE, FINE } from '@/core/figure/forms';
import { coveredPositions } from '@/core/figure/mesh/cover';
import { brokenLimits, penetrations } from '@/core/figure/skeleton/limits';
import { POSES } from '@/core/figure/poses/poses';
import { figureFacts, parseFigureReference, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import { poseSkeleton } from '@/core/figure/skeleton/kinematics';
import { type Part, partNumber } from '@/core/figure/skeleton/parts';
import { frameFigure } from '@/core/figure/picture/view';
import { KIT } from './kit';

/** Signed volume enclosed by a mesh, cubic head heights; positive when triangles face outward. */
function volume(positions: Float32Array, indices: Uint32Array): number {
  let sum = 0;
  const p = (i: number, k: number): number => positions[indices[i] * 3 + k];
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => [p(t + k, 0), p(t + k, 1), p(t + k, 2)]);
    sum +=
      (a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0])) /
      6;
  }
  return sum;
}

describe('the limits check', () => {
  it('finds a knee bent the wrong way and an arm through the chest', () => {
    const rig = poseSkeleton({ knL: -30, ik: { armR: { pos: [0.1, 5.6, -0.2] } } }, BUILDS.masc);
    expect(brokenLimits(rig)).toContain('left knee at -30 degrees');
    expect(penetrations(rig).some(({ parts, depth }) => parts.startsWith('torso in') && depth > 0.06)).toBe(true);
  });
});

describe('the surface', () => {
  const figure = buildFigure(KIT, {}, BUILDS.masc, FINE);
  it('faces outward, and holds about the volume of a person', () => {
    // 1 head = 22.5 cm, so a cubic head is 11.4 liters; an adult holds 60 to 90.
    const liters = volume(figure.positions, figure.indices) * 11.39;
    expect(liters).toBeGreaterThan(60);
    expect(liters).toBeLessThan(95);
  });
  it('stands on the ground at the height of the skeleton', () => {
    const ys = figure.positions.filter((_, i) => i % 3 === 1);
    expect(Math.min(...ys)).toBeCloseTo(0, 2);
    expect(Math.max(...ys)).toBeGreaterThan(7.5);
    expect(Math.max(...ys)).toBeLessThan(8);
  });
  it('has unit normals that point away from the middle of a limb', () => {
    const { normals } = figure;
    for (let i = 0; i < normals.length; i += 3 * 97)
      expect(Math.hypot(normals[i], normals[i + 1], normals[i + 2])).toBeCloseTo(1, 5);
  });
  it('is symmetrical for a symmetrical pose', () => {
    let [left, right] = [0, 0];
    for (let i = 0; i < figure.positions.length; i += 3) {
      left = Math.max(left, figure.positions[i]);
      right = Math.min(right, figure.positions[i]);
    }
    expect(left).toBeCloseTo(-right, 1);
  });
  it('is open at the crown and shut between the legs', () => {
    let crown = 0;
    let crotch = 1;
    for (let v = 0; v < figure.openness.length; v++) {
      const [x, y] = [figure.positions[v * 3], figure.positions[v * 3 + 1]];
      if (y > 7.7) crown = Math.max(crown, figure.openness[v]);
      if (Math.abs(x) < 0.15 && Math.abs(y - 3.5) < 0.3) crotch = Math.min(crotch, figure.openness[v]);
    }
    expect(crown).toBeGreaterThan(0.9);
    expect(crotch).toBeLessThan(0.5);
  });
  it('darkens the ground under the feet and nowhere else', () => {
    const { data, resolution, center, size } = figure.contact;
    const at = (x: number, z: number): number => {
      const i = Math.floor(((x - center[0]) / size[0] + 0.5) * resolution);
      const j = Math.floor(((z - center[1]) / size[1] + 0.5) * resolution);
      return data[j * resolution + i];
    };
    const [x, , z] = figure.rig.pos['foot.L'];
    expect(at(x, z + 0.3)).toBeGreaterThan(60);
    expect(at(1.4, 0)).toBe(0);
  });
  it('settles a sitter on the seat', () => {
    const { pose } = POSES['drummer-waiting'];
    const seated = buildFigure(KIT, pose, BUILDS.stocky, COARSE);
    let lowest = Infinity;
    for (let i = 0; i < seated.positions.length; i += 3) {
      const [x, y, z] = seated.positions.slice(i, i + 3);
      if (Math.abs(x) < 0.5 && z < 0.1 && z > -0.6 && y > 1) lowest = Math.min(lowest, y);
    }
    expect(lowest).toBeGreaterThan(1.7);
    expect(lowest).toBeLessThan(1.95);
  });
});

describe('cover', () => {
  const figure = buildFigure(KIT, POSES['drummer-at-attention'].pose, BUILDS.fem, FINE);
  const shareCovered = (part: Part, from: number, to: number): number => {
    const index = partNumber(part);
    let [all, covered] = [0, 0];
    for (let i = 0; i < figure.parts.length; i++) {
      const y = figure.positions[i * 3 + 1];
      if (figure.parts[i] !== index || y < from || y > to) continue;
      all++;
      if (figure.cover[i] > 0) covered++;
    }
    return covered / all;
  };
  it('dresses hips and chest and leaves head, arms and lower legs bare', () => {
    expect(shareCovered('torso', 3.7, 4.1)).toBe(1);
    expect(shareCovered('torso', 5.3, 5.6)).toBeGreaterThan(0.9);
    for (const part of ['head', 'farm.L', 'hand.R', 'calf.L', 'foot.R'] as const)
      expect(shareCovered(part, 0, 9)).toBeLessThan(0.001);
  });
  it('lies on the skin, a few millimeters thick', () => {
    const dressed = coveredPositions(figure);
    let thickest = 0;
    for (let i = 0; i < dressed.length; i += 3) {
      const rise = Math.hypot(...[0, 1, 2].map((k) => dressed[i + k] - figure.positions[i + k]));
      thickest = Math.max(thickest, rise);
      if (figure.cover[i / 3] <= 0) expect(rise).toBe(0);
    }
    expect(thickest).toBeCloseTo(0.014, 3);
  });
});

describe('builds', () => {
  it('differ in girth as they say', () => {
    const bulk = (name: keyof typeof BUILDS): number => {
      const { positions, indices } = buildFigure(KIT, {}, BUILDS[name], COARSE);
      return volume(positions, indices);
    };
    expect(bulk('stocky')).toBeGreaterThan(bulk('masc'));
    expect(bulk('masc')).toBeGreaterThan(bulk('older'));
    expect(bulk('heavy')).toBeGreaterThan(bulk('fem'));
    expect(bulk('fem')).toBeGreaterThan(bulk('slight'));
  });
  it.each(Object.entries(BUILDS))('%s is seven to eight heads tall', (_name, build) => {
    const { positions, landmarks } = buildFigure(KIT, POSES['drummer-at-attention'].pose, build, COARSE);
    const ys = positions.filter((_, i) => i % 3 === 1);
    const chin = landmarks.find(({ name }) => name === 'chin')?.at[1] ?? 0;
    const heads = (Math.max(...ys) - Math.min(...ys)) / (Math.max(...ys) - chin);
    expect(heads).toBeGreaterThan(7);
    expect(heads).toBeLessThan(8.25);
  });
  it('are at least twelve, no two alike', () => {
    const shapes = Object.values(BUILDS).map((b) => JSON.stringify({ ...b, name: '' }));
    expect(new Set(shapes).size).toBe(shapes.length);
    expect(shapes.length).toBeGreaterThanOrEqual(12);
  });
});

describe('figure references', () => {
  it('survive being written down', () => {
    for (const figure of SET_FIGURES) expect(parseFigureReference(figureReferenceId(figure))).toEqual(figure);
  });
  it.each([
    '',
    'picture/1',
    'figure/nobody/masc/0/0/26',
    'figure/archer-turning/masc/999/0/26',
    'figure/archer-turning/masc/0/0',
    'figure/toString/masc/0/0/26',
  ])('turn %j away', (id) => expect(parseFigureReference(id)).toBeUndefined());
  const facts = (poseId: string, azimuthDeg: number) =>
    figureFacts({ poseId, build: 'masc', view: { azimuthDeg, elevationDeg: 6, lensDeg: 26 } });
  it('know which way a figure faces', () => {
    expect(facts('bell-ringer-leaning', 0).viewName).toBe('front');
    expect(facts('bell-ringer-leaning', 180).viewName).toBe('back');
    // Seen from its left side a figure faces left in the picture.
    expect(facts('bell-ringer-leaning', 90)).toMatchObject({ viewName: 'profile', facing: 'left' });
    expect(facts('bell-ringer-leaning', -90)).toMatchObject({ viewName: 'profile', facing: 'right' });
  });
  it('call a reclining figure seen along its limbs harder than one standing across', () => {
    expect(facts('drummer-lying-down', 170).difficulty).toBeGreaterThan(facts('stilt-walker-at-rest', 25).difficulty);
  });
});

describe('frameFigure', () => {
  const cube = Float32Array.from([-1, 1].flatMap((x) => [0, 2].flatMap((y) => [-1, 1].flatMap((z) => [x, y, z]))));
  it('holds every point with the margins asked for', () => {
    const frame = frameFigure(cube, { azimuthDeg: 30, elevationDeg: 20, lensDeg: 30 }, [0.1, 0.2, 0.05, 0.1]);
    expect(frame.target).toEqual([0, 1, 0]);
    const span = frame.right - frame.left;
    expect(span).toBeGreaterThan(0);
    expect(frame.top).toBeGreaterThan(frame.bottom);
  });
  it('keeps the eye above the ground', () => {
    expect(frameFigure(cube, { azimuthDeg: 0, elevationDeg: -60, lensDeg: 30 }, [0, 0, 0, 0]).eye[1]).toBe(0.15);
  });
  it('comes nearer for a wide lens', () => {
    const distance = (lensDeg: number) =>
      frameFigure(cube, { azimuthDeg: 0, elevationDeg: 0, lensDeg }, [0, 0, 0, 0]).eye[2];
    expect(distance(70)).toBeLessThan(distance(20));
  });
});
