import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Motion, parseBvh } from '@/core/figure/motion/bvh';
import { guessJoints, missingPlaces } from '@/core/figure/motion/jointNames';
import { drawableMoments, moves } from '@/core/figure/motion/moments';
import { frameIn, retarget } from '@/core/figure/motion/retarget';
import { findUp, unitOf, upright, UP_AXES, type UpAxis } from '@/core/figure/motion/upright';
import { headingDeg } from '@/core/figure/picture/view';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { wrapDegrees } from '@/core/figure/skeleton/jointAngles';
import { poseSkeleton } from '@/core/figure/skeleton/kinematics';
import type { Vec3 } from '@/core/figure/skeleton/vector';

const walk = parseBvh(readFileSync('tests/fixtures/walk.bvh', 'utf8'));

/** How a program writes the same motion. */
interface Convention {
  name: (plain: string) => string;
  /** Where our x, y and z point in the file: an axis of the file and its sign. */
  axes: readonly [axis: 0 | 1 | 2, sign: 1 | -1][];
  perUnit: number;
  frames: string;
  frameTime: string;
  channel: (name: string) => string;
  /** Joints without length between the hips and the thighs. */
  hipHelpers: boolean;
}
const PLAIN: Convention = {
  name: (plain) => plain,
  axes: [
    [0, 1],
    [1, 1],
    [2, 1],
  ],
  perUnit: 1,
  frames: 'Frames:',
  frameTime: 'Frame Time:',
  channel: (name) => name,
  hipHelpers: false,
};

/** A motion as a file in some convention. */
function written({ joints, frames, frameSeconds }: Motion, how: Convention): string {
  const moved = (v: Vec3): Vec3 => {
    const out: Vec3 = [0, 0, 0];
    how.axes.forEach(([axis, sign], i) => (out[axis] = sign * v[i] * how.perUnit));
    return out;
  };
  const lines: string[] = ['HIERARCHY'];
  /** Channels in the order they are written: which number of a frame, and its sign and scale. */
  const order: { from: number | undefined; factor: number }[] = [];
  const letters = 'XYZ';
  const put = (index: number, depth: number): void => {
    const { name, parent, offset, channels, start } = joints[index];
    const pad = '  '.repeat(depth);
    const helper = how.hipHelpers && /UpLeg/.test(name);
    if (helper) {
      lines.push(`${pad}JOINT ${how.name(name.replace('UpLeg', 'HipJoint'))}`, `${pad}{`, `${pad}OFFSET 0 0 0`);
      lines.push(`${pad}CHANNELS 3 ${['Z', 'X', 'Y'].map((a) => how.channel(`${a}rotation`)).join(' ')}`);
      for (let i = 0; i < 3; i++) order.push({ from: undefined, factor: 1 });
    }
    lines.push(
      name === 'end' ? `${pad}End Site` : `${pad}${parent < 0 ? 'ROOT' : 'JOINT'} ${how.name(name)}`,
      `${pad}{`,
      `${pad}OFFSET ${moved(offset).join(' ')}`,
    );
    if (channels.length > 0) {
      const named = channels.map((channel, i) => {
        const [axis, sign] = how.axes[letters.indexOf(channel[0])];
        const rotation = channel.endsWith('rotation');
        // A mirrored pair of axes turns the other way round.
        order.push({ from: start + i, factor: sign * (rotation ? 1 : how.perUnit) });
        return how.channel(`${letters[axis]}${channel.slice(1)}`);
      });
      lines.push(`${pad}CHANNELS ${String(named.length)} ${named.join(' ')}`);
    }
    joints.forEach((child, i) => {
      if (child.parent === index) put(i, depth + 1);
    });
    lines.push(`${pad}}`);
    if (helper) lines.push(`${pad}}`);
  };
  put(0, 0);
  lines.push('MOTION', `${how.frames} ${String(frames.length)}`, `${how.frameTime} ${String(frameSeconds)}`);
  for (const frame of frames)
    lines.push(order.map(({ from, factor }) => (from === undefined ? 0 : factor * frame[from])).join(' '));
  return lines.join('\n');
}

const spaced = (plain: string): string => plain.replace(/([a-z])([A-Z])/g, '$1 $2');
const short = (plain: string): string =>
  plain.replace(/^(Left|Right)(.*)$/, (_, side: string, rest: string) => `${rest}_${side[0]}`);
const Z_UP: Convention['axes'] = [
  [1, 1],
  [2, 1],
  [0, 1],
];
const X_UP: Convention['axes'] = [
  [2, 1],
  [0, 1],
  [1, 1],
];
const UPSIDE_DOWN: Convention['axes'] = [
  [0, -1],
  [1, -1],
  [2, 1],
];
const CONVENTIONS: readonly [string, UpAxis, string, Partial<Convention>][] = [
  ['prefixes with a colon', 'y', 'centimeters', { name: (plain) => `person:${plain}` }],
  ['spaces, z up, in meters', 'z', 'meters', { name: spaced, axes: Z_UP, perUnit: 0.01 }],
  [
    'sides at the end, capitals in the head',
    'y',
    'centimeters',
    { name: short, frames: 'FRAMES :', frameTime: 'FRAME TIME :' },
  ],
  ['helpers in the hips, in inches', 'y', 'inches', { hipHelpers: true, perUnit: 0.3937 }],
  [
    'x up, a prefix with a sign, channels in capitals',
    'x',
    'centimeters',
    { name: (p) => `Bone_${p}`, axes: X_UP, channel: (c) => c.toUpperCase() },
  ],
  [
    'upside down, root for hips',
    '-y',
    'millimeters',
    { name: (p) => (p === 'Hips' ? 'root' : p), axes: UPSIDE_DOWN, perUnit: 10, frames: 'Frames :' },
  ],
];

describe('the same walk in six conventions', () => {
  const table = guessJoints(walk);
  const poses = drawableMoments(walk, table).map(({ frame }) => ({ frame, bones: retarget(walk, table, frame) }));
  it.each(CONVENTIONS)('%s', (_, up, unit, how) => {
    const motion = parseBvh(written(walk, { ...PLAIN, ...how }));
    const found = guessJoints(motion);
    expect(missingPlaces(found)).toEqual([]);
    expect(findUp(motion, found)).toBe(up);
    expect(unitOf(motion, found)).toMatchObject({ name: unit });
    expect(unitOf(motion, found)?.tallM).toBeCloseTo(unitOf(walk, table)?.tallM ?? 0, 2);
    expect(drawableMoments(motion, found)).toEqual(drawableMoments(walk, table));
    for (const { frame, bones } of poses) {
      const got = retarget(motion, found, frame, up);
      for (const [bone, q] of Object.entries(bones)) {
        // Which way it faces in the room is the file's own; what the body does is not.
        if (bone === 'pelvis') continue;
        const dot = Math.abs(q.reduce((sum, x, i) => sum + x * got[bone][i], 0));
        expect(dot, `${bone} at ${String(frame)}`).toBeGreaterThan(0.999);
      }
      // Seen from where it faces, it is the same side of it in every one.
      const faces = headingDeg(poseSkeleton({ joints: got }, BUILDS.masc));
      expect(Math.abs(wrapDegrees(frameIn(motion, found, frame, up).headingDeg - faces))).toBeLessThan(1);
    }
  });
  it('takes up from the rest pose where somebody lies', () => {
    // Turned to one side, then to the other: the mean of it points nowhere.
    const roll = walk.joints[0].channels.indexOf('Zrotation');
    const lying: Motion = {
      ...walk,
      frames: walk.frames.map((frame, i) => frame.map((x, k) => (k === roll ? (i % 2 === 0 ? 90 : -90) : x))),
    };
    expect(findUp(lying, table)).toBe('y');
    const turned = parseBvh(written(lying, { ...PLAIN, axes: Z_UP }));
    expect(findUp(turned, guessJoints(turned))).toBe('z');
  });
  it('brings every axis up', () => {
    const axes: Record<UpAxis, Vec3> = {
      x: [1, 0, 0],
      y: [0, 1, 0],
      z: [0, 0, 1],
      '-x': [-1, 0, 0],
      '-y': [0, -1, 0],
      '-z': [0, 0, -1],
    };
    for (const up of UP_AXES) upright(axes[up], up).forEach((x, i) => expect(x).toBeCloseTo(i === 1 ? 1 : 0, 9));
  });
  it('does not take a root for a right side, nor a helper for a hip', () => {
    const joints = ['root', 'pelvis', 'LHipJoint', 'LeftUpLeg', 'LeftLeg', 'LeftFoot', 'lowerback', 'LeftArmRoll'];
    const motion: Motion = {
      frameSeconds: 1,
      frames: [],
      joints: joints.map((name, i) => ({ name, parent: i - 1, offset: [0, 0, 0], channels: [], start: 0 })),
    };
    const found = guessJoints(motion);
    expect(Object.keys(found).filter((place) => place.startsWith('right'))).toEqual([]);
    expect([found.hips, found['left hip'], found['left knee']]).toEqual([1, 3, 4]);
    expect(found['left shoulder']).toBeUndefined();
  });
});

describe('a clip in which nothing moves', () => {
  const table = guessJoints(walk);
  it('is one pose', () => {
    const still: Motion = { ...walk, frames: Array.from({ length: 40 }, () => walk.frames[5]) };
    expect(moves(still, table)).toBe(false);
    expect(drawableMoments(still, table)).toMatchObject([{ kind: 'still' }]);
    expect(moves(walk, table)).toBe(true);
  });
  it('for a while is a hold, told as still', () => {
    const paused: Motion = {
      ...walk,
      frames: [
        ...walk.frames.slice(0, 10),
        ...Array.from({ length: 40 }, () => walk.frames[10]),
        ...walk.frames.slice(11),
      ],
    };
    const inHold = drawableMoments(paused, table).filter(({ frame }) => frame >= 12 && frame <= 47);
    expect(inHold).toHaveLength(1);
    expect(inHold[0].kind).toBe('still');
  });
});
