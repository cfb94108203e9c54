import { describe, expect, it } from 'vitest';
import { parseFigureReference, poseOf } from '@/core/figure/catalogue/reference';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import { movedId } from '@/core/figure/poses/movedPose';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { asJoints, type JointPose } from '@/core/figure/skeleton/jointPose';
import { poseSkeleton, type Rig, soleContacts } from '@/core/figure/skeleton/kinematics';
import { brokenLimits } from '@/core/figure/skeleton/limits';
import { HANDLES, handlePlace, type HandleId, moveJoint, settleJoints } from '@/core/figure/skeleton/moveJoint';
import { SIDES } from '@/core/figure/skeleton/skeleton';
import { imbalance } from '@/core/figure/skeleton/support';
import { add, length, sub, type Vec3 } from '@/core/figure/skeleton/vector';

const BUILD = BUILDS.fem;
const standing = asJoints(poseOf('drummer-at-attention').pose, BUILD);
const rigOf = (pose: JointPose): Rig => poseSkeleton(pose, BUILD);
const place = (pose: JointPose, id: HandleId): Vec3 => handlePlace(rigOf(pose), id);
const move = (pose: JointPose, id: HandleId, by: Vec3, balanced = true): ReturnType<typeof moveJoint> =>
  moveJoint(pose, BUILD, id, add(place(pose, id), by), balanced);
const low = (rig: Rig, side: 'L' | 'R'): number => Math.min(...soleContacts(rig, side).map(([, y]) => y));
const planted = (pose: JointPose) => ({ ...pose, ik: { legL: { pos: [0, 0, 0] as Vec3, floor: 0 } } });

describe('a joint that is moved', () => {
  it('goes where it is wanted, and the feet stay where they are', () => {
    const to = add(place(standing, 'hand.L'), [0.5, 0.8, 0.9]);
    const { pose, stopped } = moveJoint(standing, BUILD, 'hand.L', to, true);
    expect(stopped).toBeUndefined();
    expect(length(sub(place(pose, 'hand.L'), to))).toBeLessThan(0.1);
    for (const side of SIDES)
      expect(length(sub(place(pose, `foot.${side}`), place(standing, `foot.${side}`)))).toBeLessThan(0.06);
  });
  it('keeps its bones as long as they were', () => {
    const { pose } = move(standing, 'hand.R', [-0.6, 1.6, 0.4]);
    const [before, after] = [rigOf(standing), rigOf(pose)];
    for (const [a, b] of [
      ['uarm.R', 'farm.R'],
      ['farm.R', 'hand.R'],
      ['thigh.L', 'calf.L'],
      ['calf.L', 'foot.L'],
    ])
      expect(length(sub(after.pos[a], after.pos[b]))).toBeCloseTo(length(sub(before.pos[a], before.pos[b])), 5);
  });
  it('takes the weight along, so that nobody falls', () => {
    for (const [id, by] of [
      ['hand.L', [0.4, 0.6, 1.4]],
      ['chest', [0.5, -0.1, 0.4]],
      ['head', [-0.4, 0, 0.3]],
      ['foot.R', [-0.6, 0.5, 0.3]],
    ] as const) {
      const { pose } = move(standing, id, [...by]);
      expect(imbalance({ ...pose, ...planted(pose) }, rigOf(pose)), id).toBeLessThan(0.05);
    }
  });
  it('stops at its limit and says which', () => {
    const { pose, stopped } = move(standing, 'foot.L', [3.4, 3.4, 0], false);
    expect(stopped).toMatch(/^The left (hip|knee|ankle) goes no farther\.$/);
    const known = brokenLimits(rigOf(standing)).length;
    expect(brokenLimits(rigOf(pose)).length).toBeLessThanOrEqual(known);
  });
  it('does not go into another part', () => {
    const { pose, stopped } = move(standing, 'hand.L', sub(place(standing, 'hips'), place(standing, 'hand.L')), false);
    expect(stopped).toBe('One part would go into another.');
    expect(length(sub(place(pose, 'hand.L'), place(standing, 'hips')))).toBeGreaterThan(0.2);
  });
  it('never puts a foot into the ground', () => {
    const { pose } = move(standing, 'foot.R', [-0.4, -0.8, 0.3]);
    expect(low(rigOf(pose), 'R')).toBeGreaterThan(-0.03);
  });
  it('lets a knee and an elbow swing while hand and foot stay', () => {
    const bent = move(standing, 'hips', [0, -0.5, 0]).pose;
    expect(place(bent, 'hips')[1]).toBeLessThan(place(standing, 'hips')[1] - 0.3);
    const { pose } = move(bent, 'knee.L', [0.35, 0, 0], false);
    expect(place(pose, 'knee.L')[0]).toBeGreaterThan(place(bent, 'knee.L')[0] + 0.05);
    expect(length(sub(place(pose, 'foot.L'), place(bent, 'foot.L')))).toBeLessThan(0.03);
  });
  it('moves nothing when it is put where it is', () => {
    for (const { id } of HANDLES) {
      const { pose } = move(standing, id, [0, 0, 0], false);
      for (const other of HANDLES)
        expect(length(sub(place(pose, other.id), place(standing, other.id))), `${id} ${other.id}`).toBeLessThan(0.05);
    }
  });
});

describe('a pose that settles', () => {
  it('puts a lifted foot down flat and stands', () => {
    const lifted = move(standing, 'foot.R', [-0.3, 0.3, 0.5]).pose;
    expect(low(rigOf(lifted), 'R')).toBeGreaterThan(0.15);
    const { pose, told } = settleJoints(lifted, BUILD);
    expect(told).toBe('It stands on both feet.');
    for (const side of SIDES) expect(Math.abs(low(rigOf(pose), side))).toBeLessThan(0.05);
    expect(imbalance({ ...pose, ...planted(pose) }, rigOf(pose))).toBeLessThan(0.05);
  });
  it('stays on what it sits on', () => {
    const seated = asJoints(poseOf('archer-on-a-stool').pose, BUILD);
    const { pose, told } = settleJoints(seated, BUILD);
    expect(told).toBe('It rests on what carries it.');
    expect(place(pose, 'hips')[1]).toBeCloseTo(place(seated, 'hips')[1], 1);
  });
});

describe('a moved pose as a reference', () => {
  const { pose } = move(standing, 'hand.L', [0.5, 0.8, 0.9]);
  const id = movedId('drummer-at-attention', pose.joints, pose.root.pos);
  it('comes back from its id', () => {
    const found = poseOf(id);
    expect(found.name).toBe(`${poseOf('drummer-at-attention').name}, moved`);
    const [a, b] = [rigOf(pose), poseSkeleton(found.pose, BUILD)];
    for (const bone of ['hand.L', 'hand.R', 'head', 'foot.L'])
      expect(length(sub(a.pos[bone], b.pos[bone])), bone).toBeLessThan(0.02);
  });
  it('keeps what it sits on and holds', () => {
    const base = poseOf('archer-on-a-stool').pose;
    const { joints, root } = asJoints(base, BUILD);
    const again = poseOf(movedId('archer-on-a-stool', joints, root.pos)).pose;
    expect(again.props).toEqual(base.props);
    expect(again.support).toBe(base.support);
  });
  it('stands for what it began as when it is moved again, and has a mirror image', () => {
    expect(movedId(id, pose.joints, pose.root.pos)).toBe(id);
    expect(poseOf(`${id}~m`).pose.joints?.['hand.R']).toBeDefined();
    const reference = { poseId: id, build: 'fem' as const, view: { azimuthDeg: -120, elevationDeg: -10, lensDeg: 26 } };
    expect(parseFigureReference(figureReferenceId(reference))).toEqual(reference);
  });
  it('is nothing where its beginning or its code is nothing', () => {
    const code = id.split('.')[2];
    expect(parseFigureReference(`figure/moved.nobody.${code}.0_0_0/fem/0/0/26`)).toBeUndefined();
    expect(parseFigureReference(`figure/moved.drummer-at-attention.${code.slice(1)}.0_0_0/fem/0/0/26`)).toBeUndefined();
    expect(parseFigureReference(`figure/moved.${id}.${code}.0_0_0/fem/0/0/26`)).toBeUndefined();
    expect(parseFigureReference(`figure/moved.hand-fist.${code}.0_0_0/fem/0/0/26`)).toBeUndefined();
  });
});
