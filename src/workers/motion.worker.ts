import * as Comlink from 'comlink';
import { encodeJoints } from '@/core/figure/skeleton/jointCode';
import { type Motion, parseBvh } from '@/core/figure/motion/bvh';
import { guessJoints, type JointTable, missingPlaces } from '@/core/figure/motion/jointNames';
import { drawableMoments, moves } from '@/core/figure/motion/moments';
import { frameIn } from '@/core/figure/motion/retarget';
import { findUp, unitOf, type UpAxis } from '@/core/figure/motion/upright';

let motion: Motion | undefined;

export interface MotionSummary {
  jointNames: string[];
  table: JointTable;
  frames: number;
  seconds: number;
}
/** What is found out about a clip once its joints are known. */
export interface MotionReading {
  up: UpAxis;
  /** How tall the person is, and in which unit the file has it; undefined where it makes no adult. */
  unit: { name: string; tallM: number } | undefined;
  moves: boolean;
}
export interface MotionMoment {
  poseId: string;
  /** Which way it faces, degrees from the world's front. */
  headingDeg: number;
  atSeconds: number;
  kind: 'still' | 'extreme' | 'chosen';
}

const clipRead = (): Motion => {
  if (!motion) throw new Error('no motion was read');
  return motion;
};
const momentAt = (
  clip: Motion,
  table: JointTable,
  up: UpAxis,
  { frame, kind }: { frame: number; kind: MotionMoment['kind'] },
): MotionMoment => {
  const { joints, headingDeg } = frameIn(clip, table, frame, up);
  return { poseId: `joints.${encodeJoints(joints)}`, headingDeg, atSeconds: frame * clip.frameSeconds, kind };
};

const api = {
  /** Read a motion file; a fault is thrown with the line it is on. */
  read(text: string): MotionSummary {
    motion = parseBvh(text);
    return {
      jointNames: motion.joints.map(({ name }) => name),
      table: guessJoints(motion),
      frames: motion.frames.length,
      seconds: motion.frames.length * motion.frameSeconds,
    };
  },
  /** What can be told of the file read last, by a table of its joints; undefined while some are missing. */
  reading(table: JointTable): MotionReading | undefined {
    if (missingPlaces(table).length > 0) return undefined;
    const clip = clipRead();
    return { up: findUp(clip, table), unit: unitOf(clip, table), moves: moves(clip, table) };
  },
  /** Poses worth drawing in the file read last. */
  moments(table: JointTable, up: UpAxis): MotionMoment[] {
    const clip = clipRead();
    return drawableMoments(clip, table).map((moment) => momentAt(clip, table, up, moment));
  },
  /** The pose of any moment of it. */
  poseAt(table: JointTable, up: UpAxis, atSeconds: number): MotionMoment {
    const clip = clipRead();
    const frame = Math.max(0, Math.min(clip.frames.length - 1, Math.round(atSeconds / clip.frameSeconds)));
    return momentAt(clip, table, up, { frame, kind: 'chosen' });
  },
};
export type MotionApi = typeof api;
Comlink.expose(api);
