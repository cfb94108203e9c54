import * as Comlink from 'comlink';
import { encodeJoints } from '@/core/figure/skeleton/jointCode';
import { type Motion, parseBvh } from '@/core/figure/motion/bvh';
import { guessJoints, type JointTable } from '@/core/figure/motion/jointNames';
import { drawableMoments } from '@/core/figure/motion/moments';
import { retarget } from '@/core/figure/motion/retarget';

let motion: Motion | undefined;

export interface MotionSummary {
  jointNames: string[];
  table: JointTable;
  frames: number;
  seconds: number;
}
export interface MotionMoment {
  poseId: string;
  atSeconds: number;
  kind: 'still' | 'extreme';
}

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
  /** Poses worth drawing in the file read last, by a table of its joints. */
  moments(table: JointTable): MotionMoment[] {
    const clip = motion;
    if (!clip) throw new Error('no motion was read');
    return drawableMoments(clip, table).map(({ frame, kind }) => ({
      poseId: `joints.${encodeJoints(retarget(clip, table, frame))}`,
      atSeconds: frame * clip.frameSeconds,
      kind,
    }));
  },
};
export type MotionApi = typeof api;
Comlink.expose(api);
