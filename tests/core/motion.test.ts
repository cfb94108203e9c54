import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { encodeJoints } from '@/core/figure/skeleton/jointCode';
import { poseSkeleton } from '@/core/figure/skeleton/kinematics';
import { type Motion, MotionFileError, parseBvh, placeJoints } from '@/core/figure/motion/bvh';
import { guessJoints, missingPlaces } from '@/core/figure/motion/jointNames';
import { drawableMoments } from '@/core/figure/motion/moments';
import { retarget } from '@/core/figure/motion/retarget';
import { figureFacts, parseFigureReference } from '@/core/figure/catalogue/reference';
import { dot, normalize, sub, type Vec3 } from '@/core/figure/skeleton/vector';

const text = (name: string): string => readFileSync(`tests/fixtures/${name}.bvh`, 'utf8');
const walk = text('walk');

function fault(broken: string): MotionFileError {
  try {
    parseBvh(broken);
  } catch (error) {
    if (error instanceof MotionFileError) return error;
  }
  throw new Error('was read without complaint');
}

describe('reading BVH', () => {
  it('has joints, offsets and frames as written', () => {
    const motion = parseBvh(walk);
    expect(motion.frames.length).toBe(32);
    expect(motion.frameSeconds).toBe(0.04);
    expect(motion.joints[0]).toMatchObject({
      name: 'Hips',
      parent: -1,
      channels: expect.arrayContaining(['Xposition']) as string[],
    });
    const hand = motion.joints.find((j) => j.name === 'LeftHand');
    expect(hand?.offset).toEqual([0, -25, 0]);
    expect(motion.joints[hand?.parent ?? -1].name).toBe('LeftForeArm');
  });
  it('places joints along the chain', () => {
    const motion = parseBvh(walk);
    const { positions } = placeJoints(motion, new Float64Array(motion.frames[0].length));
    const of = (name: string): Vec3 => positions[motion.joints.findIndex((j) => j.name === name)];
    expect(of('LeftHand')).toEqual([18, -9, 0]);
    expect(of('RightToe')).toEqual([-9, -91, 14]);
  });
  it('reads other line ends, empty lines and small letters', () => {
    const odd = walk.replace('HIERARCHY', 'hierarchy').replaceAll('\n', '\r\n').replace('MOTION', '\r\n\r\nMOTION');
    expect(parseBvh(odd).frames.length).toBe(32);
  });
  it.each<[string, (lines: string[]) => void, number, RegExp]>([
    ['a word instead of a number', (l) => (l[3] = '  OFFSET 0 zero 0'), 4, /“zero” is not a number/],
    ['too few numbers', (l) => (l[3] = '  OFFSET 0 0'), 4, /expected 3 numbers, found 2/],
    ['an unknown channel', (l) => (l[4] = l[4].replace('Xposition', 'Wposition')), 5, /“Wposition” is not a channel/],
    ['a wrong count of channels', (l) => (l[4] = l[4].replace('6', '5')), 5, /5 channels are announced, 6 named/],
    ['no motion', (l) => l.splice(118), 118, /the file ends here/],
    ['another file altogether', (l) => l.splice(0, l.length, '<html>'), 1, /expected “HIERARCHY”/],
    ['nothing', (l) => l.splice(0), 1, /the file ends here/],
    ['a frame cut short', (l) => (l[l.length - 3] = '1 2 3'), 150, /expected 60 numbers, found 3/],
    ['no frames', (l) => (l[117] = 'Frames: 0'), 118, /no frames/],
    ['a frame time of nothing', (l) => (l[118] = 'Frame Time: soon'), 119, /frame time/],
  ])('names the line of %s', (_what, spoil, line, sentence) => {
    const lines = walk.split('\n');
    const motionAt = lines.indexOf('MOTION');
    // The rows above count from a file whose MOTION stands on line 117.
    expect(motionAt).toBe(116);
    spoil(lines);
    const error = fault(lines.join('\n'));
    expect(error.message).toMatch(sentence);
    expect(error.line).toBe(line);
    expect(error.message).toContain(`Line ${error.line}:`);
  });
});

describe('joint names', () => {
  const named = (names: string[]): Motion => ({
    frameSeconds: 1,
    frames: [],
    joints: names.map((name, i) => ({ name, parent: i - 1, offset: [0, 0, 0], channels: [], start: 0 })),
  });
  it.each([
    [['Hips', 'LeftUpLeg', 'LeftLeg', 'LeftFoot', 'LeftToeBase', 'LeftShoulder', 'LeftArm', 'LeftForeArm', 'LeftHand']],
    [['root', 'l_thigh', 'l_shin', 'l_foot', 'l_toe', 'l_clavicle', 'l_upperarm', 'l_lowerarm', 'l_hand']],
    [['pelvis', 'thigh.L', 'shin.L', 'foot.L', 'toe.L', 'collar.L', 'upper_arm.L', 'forearm.L', 'hand.L']],
    [['Hip', 'LeftHip', 'LeftKnee', 'LeftAnkle', 'LeftToe', 'LeftCollar', 'LeftShoulder', 'LeftElbow', 'LeftWrist']],
  ])('of %j are understood', (names) => {
    const table = guessJoints(named(names));
    const of = (place: keyof typeof table) => names[table[place] ?? -1];
    expect(of('left hip')).toMatch(/upleg|thigh|hip/i);
    expect(of('left knee')).toMatch(/^LeftLeg$|shin|knee/i);
    expect(of('left ankle')).toMatch(/foot|ankle/i);
    expect(of('left shoulder')).toMatch(/arm|LeftShoulder$/i);
    expect(of('left elbow')).toMatch(/fore|lower|elbow/i);
    expect(of('left wrist')).toMatch(/hand|wrist/i);
  });
  it('say what is missing', () => {
    expect(missingPlaces(guessJoints(parseBvh(walk)))).toEqual([]);
    expect(missingPlaces(guessJoints(named(['a', 'b'])))).toContain('left knee');
  });
});

describe('poses from motion', () => {
  it.each([
    ['walk', 4, 8],
    ['throw', 5, 9],
  ])('a %s gives a set of mutually different moments', (name, least, most) => {
    const motion = parseBvh(text(name));
    const table = guessJoints(motion);
    const moments = drawableMoments(motion, table);
    expect(moments.length).toBeGreaterThanOrEqual(least);
    expect(moments.length).toBeLessThanOrEqual(most);
    const ids = moments.map(({ frame }) => `figure/joints.${encodeJoints(retarget(motion, table, frame))}/fem/40/6/26`);
    expect(new Set(ids).size).toBe(ids.length);
    for (const id of ids) {
      const reference = parseFigureReference(id);
      expect(reference && figureFacts(reference).viewName).toBeDefined();
    }
  });
  it('keeps both contacts and both passings of a walk', () => {
    const motion = parseBvh(walk);
    const frames = drawableMoments(motion, guessJoints(motion)).map((m) => m.frame);
    for (const wanted of [0, 16]) expect(frames.some((f) => Math.abs(f - wanted) <= 3)).toBe(true);
  });
  it('bends our limbs as the file bends its own', () => {
    const motion = parseBvh(text('throw'));
    const table = guessJoints(motion);
    for (const frame of [6, 14, 18]) {
      const { positions } = placeJoints(motion, motion.frames[frame]);
      const rig = poseSkeleton({ joints: retarget(motion, table, frame) }, BUILDS.masc);
      for (const [side, s] of [
        ['left', 'L'],
        ['right', 'R'],
      ] as const)
        for (const [a, b, bone, child] of [
          ['shoulder', 'elbow', 'uarm', 'farm'],
          ['elbow', 'wrist', 'farm', 'hand'],
          ['hip', 'knee', 'thigh', 'calf'],
          ['knee', 'ankle', 'calf', 'foot'],
        ] as const) {
          const theirs = normalize(sub(positions[table[`${side} ${b}`] ?? -1], positions[table[`${side} ${a}`] ?? -1]));
          const ours = normalize(sub(rig.pos[`${child}.${s}`], rig.pos[`${bone}.${s}`]));
          expect(dot(theirs, ours), `${side} ${bone} in frame ${frame}`).toBeGreaterThan(0.995);
        }
    }
  });
});
