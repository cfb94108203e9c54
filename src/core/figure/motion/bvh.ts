import { aboutX, aboutY, aboutZ, add, type Quat, quatMul, rotate, type Vec3 } from '../skeleton/vector';

/** A joint of a motion file. */
interface MotionJoint {
  name: string;
  /** Index of the parent, -1 for the root. */
  parent: number;
  offset: Vec3;
  /** In the order they are applied. */
  channels: string[];
  /** First of its channels in a frame. */
  start: number;
}

/** A clip of motion as the file has it. */
export interface Motion {
  joints: MotionJoint[];
  frameSeconds: number;
  frames: Float64Array[];
}

/** What is wrong with a motion file, and where. */
export class MotionFileError extends Error {
  constructor(
    readonly line: number,
    what: string,
  ) {
    super(`Line ${String(line)}: ${what}`);
  }
}

/** By their names in small letters: files differ in how they write them. */
const CHANNELS = new Map(
  ['Xposition', 'Yposition', 'Zposition', 'Xrotation', 'Yrotation', 'Zrotation'].map((name) => [
    name.toLowerCase(),
    name,
  ]),
);
const MAX_FRAMES = 200_000;

/**
 * Read a BVH file: a HIERARCHY of joints with offsets and channels, then MOTION with a line of numbers for each frame.
 * Source: M. Meredith and S. Maddock, "Motion capture file formats explained", University of Sheffield 2001.
 * @throws MotionFileError with the line that cannot be read.
 */
export function parseBvh(text: string): Motion {
  const lines = text.split(/\r\n|\r|\n/);
  let at = 0;
  /** The line looked at last: the one a fault is in. */
  let current = 0;
  const fail = (what: string): never => {
    throw new MotionFileError(Math.min(current + 1, lines.length), what);
  };
  const skipBlank = (): void => {
    while (at < lines.length && lines[at].trim() === '') at++;
  };
  const words = (): string[] => {
    skipBlank();
    current = at;
    return at < lines.length ? lines[at].trim().split(/\s+/) : fail('the file ends here; something is missing.');
  };
  const expect = (word: string): string[] => {
    const line = words();
    if (line[0].toLowerCase() !== word.toLowerCase()) fail(`expected “${word}”, found “${line[0].slice(0, 30)}”.`);
    at++;
    return line;
  };
  /** What stands after a word of the motion's head, however its colon is written. */
  const announced = (pattern: RegExp, word: string): string => {
    const line = words().join(' ');
    const found = pattern.exec(line)?.[1];
    if (found === undefined) return fail(`expected “${word}”, found “${line.slice(0, 30)}”.`);
    at++;
    return found.trim();
  };
  const numbers = (values: readonly string[], count: number): number[] => {
    if (values.length !== count) fail(`expected ${String(count)} numbers, found ${String(values.length)}.`);
    return values.map((v) => {
      const n = Number(v);
      return v !== '' && Number.isFinite(n) ? n : fail(`“${v.slice(0, 30)}” is not a number.`);
    });
  };

  const joints: MotionJoint[] = [];
  let width = 0;
  const readJoint = (parent: number, depth: number): void => {
    if (depth > 200) fail('joints are nested too deep.');
    const line = words();
    const kind = line[0].toUpperCase();
    const end = kind === 'END';
    if (!end && line.length < 2) fail('a joint has no name.');
    at++;
    expect('{');
    const offset = numbers(expect('OFFSET').slice(1), 3) as Vec3;
    const joint: MotionJoint = {
      name: end ? 'end' : line.slice(1).join(' '),
      parent,
      offset,
      channels: [],
      start: width,
    };
    const index = joints.push(joint) - 1;
    for (;;) {
      const next = words();
      const word = next[0].toUpperCase();
      if (word === '}') {
        at++;
        return;
      }
      if (word === 'CHANNELS') {
        const names = next.slice(2);
        if (Number(next[1]) !== names.length) fail(`${next[1]} channels are announced, ${String(names.length)} named.`);
        const unknown = names.find((n) => !CHANNELS.has(n.toLowerCase()));
        if (unknown !== undefined) fail(`“${unknown.slice(0, 30)}” is not a channel.`);
        joint.channels = names.map((n) => CHANNELS.get(n.toLowerCase()) ?? n);
        width += names.length;
        at++;
      } else if (word === 'JOINT' || word === 'END') readJoint(index, depth + 1);
      else fail(`expected a joint or “}”, found “${next[0].slice(0, 30)}”.`);
    }
  };

  expect('HIERARCHY');
  if (words()[0].toUpperCase() !== 'ROOT') fail('the hierarchy does not begin with a ROOT.');
  readJoint(-1, 0);
  expect('MOTION');
  const count = Number(announced(/^frames\s*:?\s*(.*)$/i, 'Frames:'));
  if (!Number.isInteger(count) || count < 1) fail('there are no frames.');
  if (count > MAX_FRAMES) fail(`${String(count)} frames are too many; cut the clip to ${String(MAX_FRAMES)}.`);
  const frameSeconds = Number(announced(/^frame\s*time\s*:?\s*(.*)$/i, 'Frame Time:'));
  if (!(frameSeconds > 0)) fail('the frame time is not a number above zero.');
  const frames: Float64Array[] = [];
  while (frames.length < count) {
    frames.push(Float64Array.from(numbers(words(), width)));
    at++;
  }
  return { joints, frameSeconds, frames };
}

/** World position and rotation of every joint in a frame, in the file's own units. */
export function placeJoints({ joints }: Motion, frame: Float64Array): { positions: Vec3[]; rotations: Quat[] } {
  const positions: Vec3[] = [];
  const rotations: Quat[] = [];
  for (const { parent, offset, channels, start } of joints) {
    let local: Quat = [0, 0, 0, 1];
    const moved: Vec3 = [...offset];
    channels.forEach((channel, i) => {
      const value = frame[start + i];
      switch (channel) {
        case 'Xrotation':
          local = quatMul(local, aboutX(value));
          break;
        case 'Yrotation':
          local = quatMul(local, aboutY(value));
          break;
        case 'Zrotation':
          local = quatMul(local, aboutZ(value));
          break;
        default:
          moved['XYZ'.indexOf(channel[0])] = offset['XYZ'.indexOf(channel[0])] + value;
      }
    });
    if (parent < 0) {
      positions.push(moved);
      rotations.push(local);
    } else {
      positions.push(add(positions[parent], rotate(rotations[parent], moved)));
      rotations.push(quatMul(rotations[parent], local));
    }
  }
  return { positions, rotations };
}
