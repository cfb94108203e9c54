import { describe, expect, it } from 'vitest';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { buildFigure, COARSE, placeFigure } from '@/core/figure/figure';
import { coverDepth, coveredPositions } from '@/core/figure/surface/cover';
import { landmarks } from '@/core/figure/facts/landmarks';
import { brokenLimits, penetrations } from '@/core/figure/skeleton/limits';
import { POSES } from '@/core/figure/poses/poses';
import { figureFacts, parseFigureReference, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import { PARTS } from '@/core/figure/surface/sculptor';
import { sculptBody } from '@/core/figure/body/body';
import { meshSurface } from '@/core/figure/surface/surface';
import { frameFigure } from '@/core/figure/picture/view';

/** Edges that belong to a single triangle: the rims of holes. */
function holeEdges(indices: Uint32Array): number {
  const uses = new Map<string, number>();
  for (let t = 0; t < indices.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [indices[t + k], indices[t + ((k + 1) % 3)]].sort((x, y) => x - y);
      uses.set(`${a} ${b}`, (uses.get(`${a} ${b}`) ?? 0) + 1);
    }
  return [...uses.values()].filter((n) => n === 1).length;
}

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
    const { rig, field } = placeFigure({ knL: -30, ik: { armR: { pos: [0.1, 5.6, -0.2] } } }, BUILDS.masc);
    expect(brokenLimits(rig)).toContain('left knee at -30 degrees');
    expect(penetrations(field).some(({ parts, depth }) => parts.startsWith('torso in') && depth > 0.06)).toBe(true);
  });
});

describe('the surface', () => {
  const figure = buildFigure({}, BUILDS.masc, { h: 0.07, detail: 0 });
  it('is closed, faces outward, and holds about the volume of a person', () => {
    expect(holeEdges(figure.indices)).toBe(0);
    // 1 head = 22.5 cm, so a cubic head is 11.4 liters; an adult holds 60 to 90.
    const liters = volume(figure.positions, figure.indices) * 11.39;
    expect(liters).toBeGreaterThan(60);
    expect(liters).toBeLessThan(95);
  });
  it.each([
    'net-mender-hugging-knees',
    'bread-carrier-crouching',
    'stilt-walker-curled-up',
    'bell-ringer-stretching',
    'net-mender-cross-legged',
    'drummer-side-bend',
  ] as const)('has no tear in the folded, twisted and stretched: %s', (slug) => {
    for (const build of [BUILDS.lean, BUILDS.heavy]) {
      const { field } = placeFigure(POSES[slug].pose, build);
      expect(holeEdges(meshSurface(field, 0.07, []).indices)).toBe(0);
    }
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
    for (let v = 0; v < figure.occlusion.length; v++) {
      const [x, y] = [figure.positions[v * 3], figure.positions[v * 3 + 1]];
      if (y > 7.7) crown = Math.max(crown, figure.occlusion[v]);
      if (Math.abs(x) < 0.15 && Math.abs(y - 3.5) < 0.3) crotch = Math.min(crotch, figure.occlusion[v]);
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
    expect(at(0.36, 0.1)).toBeGreaterThan(60);
    expect(at(1.4, 0)).toBe(0);
  });
  it('settles a sitter on the seat', () => {
    const { pose } = POSES['drummer-waiting'];
    const seated = buildFigure(pose, BUILDS.stocky, COARSE);
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
  const figure = buildFigure(POSES['drummer-at-attention'].pose, BUILDS.fem, { h: 0.08, detail: 0.3 });
  const shareCovered = (part: string, from: number, to: number): number => {
    const index = PARTS.indexOf(part as (typeof PARTS)[number]);
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
    expect(shareCovered('torso', 3.7, 4.2)).toBe(1);
    expect(shareCovered('torso', 5.3, 5.6)).toBeGreaterThan(0.9);
    for (const part of ['head', 'farm.L', 'hand.R', 'calf.L', 'foot.R']) expect(shareCovered(part, 0, 9)).toBe(0);
    expect(figure.cover).toEqual(coverDepth({ ...figure, positions: figure.positions }, figure.rig));
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
    const width = (name: keyof typeof BUILDS): number => {
      const { positions } = buildFigure({}, BUILDS[name], COARSE);
      let widest = 0;
      for (let i = 0; i < positions.length; i += 3)
        if (positions[i + 1] > 4.4 && positions[i + 1] < 5) widest = Math.max(widest, positions[i]);
      return widest;
    };
    expect(width('stocky')).toBeGreaterThan(width('masc'));
    expect(width('masc')).toBeGreaterThan(width('lean'));
  });
  it.each(Object.entries(BUILDS))('%s is seven to eight heads tall', (_name, build) => {
    const { rig, field } = placeFigure(POSES['drummer-at-attention'].pose, build);
    const { positions } = meshSurface(field, 0.07, []);
    const ys = positions.filter((_, i) => i % 3 === 1);
    const chin = landmarks(rig).find(({ name }) => name === 'chin')?.at[1] ?? 0;
    const heads = (Math.max(...ys) - Math.min(...ys)) / (Math.max(...ys) - chin);
    expect(heads).toBeGreaterThan(7);
    expect(heads).toBeLessThan(8.05);
  });
  it('are at least six, no two alike', () => {
    const shapes = Object.values(BUILDS).map((b) => JSON.stringify({ ...b, name: '' }));
    expect(new Set(shapes).size).toBe(shapes.length);
    expect(shapes.length).toBeGreaterThanOrEqual(6);
  });
  it('are sculpted with both sides', () => {
    const parts = sculptBody(BUILDS.fem).map((p) => p.part);
    const count = (part: string): number => parts.filter((p) => p === part).length;
    for (const part of ['uarm', 'hand', 'thigh', 'foot']) expect(count(`${part}.L`)).toBe(count(`${part}.R`));
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
