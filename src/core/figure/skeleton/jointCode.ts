import type { Quat } from './vector';

/** Bones whose rotations make a body pose, in the order they are written. Fingers follow the hand. */
export const CODED_BONES = [
  'pelvis',
  'spine',
  'chest',
  'neck',
  'head',
  ...(['L', 'R'] as const).flatMap((side) =>
    ['clav', 'uarm', 'farm', 'hand', 'thigh', 'calf', 'foot', 'toe'].map((bone) => `${bone}.${side}`),
  ),
] as const;

const BYTES = CODED_BONES.length * 4;
/** Letters of a coded pose. */
export const JOINT_CODE_LENGTH = Math.ceil((BYTES * 4) / 3);
const STEPS = 1023;
const LARGEST = Math.SQRT1_2;

/**
 * Local rotations as text that fits into a reference id: each quaternion as its three smaller parts in 10 bits each (within 0.1
 * degrees) and the index of the largest; base64url.
 */
export function encodeJoints(joints: Readonly<Record<string, readonly number[]>>): string {
  const bytes = new Uint8Array(BYTES);
  const view = new DataView(bytes.buffer);
  CODED_BONES.forEach((bone, i) => {
    const q = joints[bone] ?? [0, 0, 0, 1];
    let largest = 0;
    for (let k = 1; k < 4; k++) if (Math.abs(q[k]) > Math.abs(q[largest])) largest = k;
    const sign = q[largest] < 0 ? -1 : 1;
    let word = largest;
    for (let k = 0; k < 4; k++)
      if (k !== largest) word = word * 1024 + Math.round(((sign * q[k] + LARGEST) / (2 * LARGEST)) * STEPS);
    view.setUint32(i * 4, word);
  });
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '');
}

/** The inverse; undefined for anything that is not such a text. */
export function decodeJoints(text: string): Record<string, Quat> | undefined {
  if (!/^[\w-]+$/.test(text) || text.length !== JOINT_CODE_LENGTH) return undefined;
  const binary = atob(text.replaceAll('-', '+').replaceAll('_', '/'));
  const view = new DataView(Uint8Array.from(binary, (c) => c.charCodeAt(0)).buffer);
  return Object.fromEntries(
    CODED_BONES.map((bone, i): [string, Quat] => {
      let word = view.getUint32(i * 4);
      const small: number[] = [];
      for (let k = 0; k < 3; k++) {
        small.unshift(((word % 1024) / STEPS) * 2 * LARGEST - LARGEST);
        word = Math.floor(word / 1024);
      }
      const rest = Math.sqrt(Math.max(0, 1 - small.reduce((sum, v) => sum + v * v, 0)));
      const q = [...small];
      q.splice(word, 0, rest);
      return [bone, q as Quat];
    }),
  );
}
