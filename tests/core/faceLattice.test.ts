import { describe, expect, it } from 'vitest';
import { templateBody } from '@/core/body/lift';
import { POINT_NAMES } from '@/core/body/points';
import { pointsKey } from '@/core/body/pointsKey';
import { BUILDS } from '@/core/figure/skeleton/builds';
import type { Point } from '@/core/figure/facts/actionLine';
import { faceLattice } from '@/core/figure/facts/faceLattice';
import { buildFigure } from '@/core/figure/figure';
import { COARSE } from '@/core/figure/forms';
import { poseOf } from '@/core/figure/catalogue/reference';
import type { Vec3 } from '@/core/figure/skeleton/vector';
import { KIT } from './kit';

const { rig, face, landmarks } = buildFigure(KIT, poseOf('drummer-at-attention').pose, BUILDS.masc, COARSE);
/** Seen level from far off, so many degrees round: a parallel projection, y up. */
const seenFrom = (deg: number): Point[][] => {
  const a = (deg * Math.PI) / 180;
  const project = ([x, y, z]: Vec3): Point => [x * Math.cos(a) - z * Math.sin(a), y];
  return faceLattice(face, project, [100 * Math.sin(a), rig.pos.head[1], 100 * Math.cos(a)]);
};
const xs = (lines: readonly Point[][]): number[] => lines.flat().map(([x]) => x);

describe('the lattice of a face', () => {
  const front = seenFrom(0);
  const [middle, ...others] = front;
  const crown = landmarks.find((l) => l.name === 'crown')?.at ?? [0, 0, 0];
  const chin = landmarks.find((l) => l.name === 'chin')?.at ?? [0, 0, 0];

  it('has its eyes half way down the head, and brow, nose and chin a third of the face apart', () => {
    const ys = others.slice(0, 6).map((line) => line[Math.floor(line.length / 2)][1]);
    const [hairline, brow, eyes, nose, mouth, chinY] = ys;
    const head = crown[1] - chin[1];
    expect((crown[1] - eyes) / head).toBeCloseTo(0.5, 1);
    const third = (hairline - chinY) / 3;
    expect((hairline - brow) / third).toBeCloseTo(1, 1);
    expect((brow - nose) / third).toBeCloseTo(1, 1);
    expect((nose - mouth) / (nose - chinY)).toBeCloseTo(0.38, 1);
  });
  it('is five eyes wide', () => {
    const eyeLine = others[2];
    const width = Math.max(...xs([eyeLine])) - Math.min(...xs([eyeLine]));
    const marks = others.slice(6).map((line) => line[1][0]);
    expect(marks).toHaveLength(4);
    marks.slice(1).forEach((x, i) => expect((x - marks[i]) / width).toBeCloseTo(0.2, 1));
  });
  it('is the same on both sides of its middle when seen from the front', () => {
    const center = middle[0][0];
    expect(Math.max(...xs(front)) - center).toBeCloseTo(center - Math.min(...xs(front)), 1);
  });
  it('shows less the more the head is turned, and nothing from behind', () => {
    const counts = [0, 60, 120, 180].map((deg) => seenFrom(deg).flat().length);
    expect(counts[1]).toBeLessThan(counts[0]);
    expect(counts[2]).toBeLessThan(counts[1]);
    expect(counts[3]).toBeLessThanOrEqual(2);
  });
});

describe('the lattice of a face in a picture', () => {
  const { points, space } = templateBody(1);
  it('runs from the brow to the chin along eyes and mouth', () => {
    const { face, width, height } = pointsKey(points, space, 800, 800);
    expect(face).toHaveLength(7);
    const at = (name: (typeof POINT_NAMES)[number]): Point => {
      const { x, y } = points[POINT_NAMES.indexOf(name)];
      return [x * width, y * height];
    };
    const eyes = (at('left outer eye')[1] + at('right outer eye')[1]) / 2;
    const mouth = (at('left mouth corner')[1] + at('right mouth corner')[1]) / 2;
    expect(face[0][2][1]).toBeCloseTo(eyes, 6);
    expect(face[0][4][1]).toBeCloseTo(mouth, 6);
  });
  it('is none where the face is not seen', () => {
    const away = points.map((p, i) => (POINT_NAMES[i] === 'nose' ? { ...p, seen: 0.1 } : p));
    expect(pointsKey(away, space, 800, 800).face).toEqual([]);
  });
});
