import { describe, expect, it } from 'vitest';
import { parseFigureReference, poseOf } from '@/core/figure/catalogue/reference';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import type { FigureReference } from '@/core/figure/catalogue/referenceId';
import { COARSE } from '@/core/figure/forms';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { HANDLES, type HandleId } from '@/core/figure/skeleton/moveJoint';
import { settlePose } from '@/core/figure/skeleton/support';
import { holdFigure } from '@/workers/heldFigure';
import { KIT } from './kit';

const SIZE = { width: 760, height: 520 };
const REFERENCE: FigureReference = {
  poseId: 'stilt-walker-at-rest',
  build: 'tall',
  view: { azimuthDeg: 25, elevationDeg: 6, lensDeg: 26 },
};
const build = (reference: FigureReference) => referenceFigure(KIT, reference, COARSE);
const hold = (reference = REFERENCE) => {
  const figure = build(reference);
  const held = holdFigure(reference, figure, false, SIZE);
  return { held, first: held.see(figure) };
};
const at = ({ handles }: ReturnType<ReturnType<typeof hold>['held']['see']>, id: HandleId) =>
  handles.find((handle) => handle.id === id)!;

describe('a figure that is taken hold of', () => {
  it('shows all its handles in the canvas, the head above the feet', () => {
    const { first } = hold();
    expect(first.handles.map(({ id }) => id)).toEqual(HANDLES.map(({ id }) => id));
    for (const { x, y } of first.handles) {
      expect(x).toBeGreaterThan(0);
      expect(x).toBeLessThan(SIZE.width);
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(SIZE.height);
    }
    expect(at(first, 'head').y).toBeLessThan(at(first, 'hips').y);
    expect(at(first, 'hips').y).toBeLessThan(at(first, 'foot.L').y);
    // Seen from the front, its left is on the picture's right.
    expect(at(first, 'hand.L').x).toBeGreaterThan(at(first, 'hand.R').x);
  });
  it('is itself until it is moved', () => {
    const { held, first } = hold();
    expect(held.reference()).toEqual(REFERENCE);
    expect(first).toMatchObject({ id: 'figure/stilt-walker-at-rest/tall/25/6/26', told: undefined });
  });
  it.each(['hand.L', 'foot.R', 'hand.R'] as const)('brings its %s under the pointer', (id) => {
    const { held, first } = hold();
    const from = at(first, id);
    const to = { x: from.x + (id === 'hand.R' ? -30 : 25), y: from.y - 45 };
    expect(held.drag(id, to.x, to.y, false)).toBeUndefined();
    const now = held.see(build(held.reference()));
    expect(Math.hypot(at(now, id).x - to.x, at(now, id).y - to.y)).toBeLessThan(8);
    expect(parseFigureReference(now.id)?.poseId).toMatch(/^moved\.stilt-walker-at-rest\./);
  });
  it('goes on from where it was left, drag by drag', () => {
    const { held, first } = hold();
    let seen = first;
    for (let i = 1; i <= 4; i++) {
      held.drag('hand.L', at(seen, 'hand.L').x + 6, at(seen, 'hand.L').y - 12, true);
      seen = held.see(build(held.reference()));
    }
    expect(at(first, 'hand.L').y - at(seen, 'hand.L').y).toBeGreaterThan(30);
    expect(Math.abs(at(seen, 'foot.L').x - at(first, 'foot.L').x)).toBeLessThan(12);
  });
  it('moves by steps across the view, up it and toward the eye', () => {
    const across = hold();
    across.held.nudge('hand.L', [0.2, 0, 0], false);
    expect(at(across.held.see(build(across.held.reference())), 'hand.L').x).toBeGreaterThan(
      at(across.first, 'hand.L').x + 4,
    );
    const toward = hold();
    toward.held.nudge('hand.L', [0, 0, 0.4], false);
    const moved = at(toward.held.see(build(toward.held.reference())), 'hand.L');
    expect(Math.hypot(moved.x - at(toward.first, 'hand.L').x, moved.y - at(toward.first, 'hand.L').y)).toBeLessThan(14);
  });
  it('settles, and says on what', () => {
    const { held } = hold();
    held.nudge('foot.R', [-0.2, 0.4, 0], false);
    expect(held.settle()).toBe('It stands on both feet.');
    const { rig } = settlePose(poseOf(held.reference().poseId).pose, BUILDS.tall);
    expect(rig.pos['foot.R'][1]).toBeLessThan(0.5);
  });
  it('says why it goes no farther', () => {
    const { held } = hold();
    expect(held.nudge('foot.L', [0.6, 3.2, -1], false)).toMatch(/goes no farther|into another/);
  });
});
