import type { Rig } from './kinematics';
import { SIDES } from './skeleton';
import { add, lerp, rotate, scale, type Vec3 } from './vector';

/** A rigid part of the body: its share of the whole mass, where its center of mass is, and the joint it hangs from. */
export interface Segment {
  name: string;
  share: number;
  center: Vec3;
}

/**
 * Segments with their masses and centers.
 * Source: D. A. Winter, Biomechanics and Motor Control of Human Movement, 4th ed. 2009, table 4.1, after Dempster 1955:
 * mass over body mass, and distance of the center from the proximal joint over the segment's length.
 */
export function segments(rig: Rig): Segment[] {
  const { pos, rot } = rig;
  const shoulders = lerp(pos['uarm.L'], pos['uarm.R'], 0.5);
  const hips = lerp(pos['thigh.L'], pos['thigh.R'], 0.5);
  const limbs = SIDES.flatMap((side): Segment[] => {
    const at = (bone: string): Vec3 => pos[`${bone}.${side}`];
    return [
      { name: `uarm.${side}`, share: 0.028, center: lerp(at('uarm'), at('farm'), 0.436) },
      { name: `farm.${side}`, share: 0.016, center: lerp(at('farm'), at('hand'), 0.43) },
      { name: `hand.${side}`, share: 0.006, center: lerp(at('hand'), at('f20'), 0.506) },
      { name: `thigh.${side}`, share: 0.1, center: lerp(at('thigh'), at('calf'), 0.433) },
      { name: `calf.${side}`, share: 0.0465, center: lerp(at('calf'), at('foot'), 0.433) },
      { name: `foot.${side}`, share: 0.0145, center: lerp(at('foot'), at('toe'), 0.5) },
    ];
  });
  return [
    { name: 'pelvis', share: 0.142, center: lerp(hips, pos.spine, 0.35) },
    { name: 'spine', share: 0.139, center: lerp(pos.spine, pos.chest, 0.56) },
    { name: 'chest', share: 0.216, center: lerp(pos.chest, lerp(shoulders, pos.neck, 0.5), 0.6) },
    { name: 'head', share: 0.081, center: add(pos.head, rotate(rot.head, [0, 0.3, -0.06])) },
    ...limbs,
  ];
}

/** Mass-weighted mean of segments' centers. */
export function centerOf(parts: readonly Segment[]): Vec3 {
  const mass = parts.reduce((sum, p) => sum + p.share, 0);
  return parts.reduce<Vec3>((sum, p) => add(sum, scale(p.center, p.share / mass)), [0, 0, 0]);
}

/** Center of mass of a posed body, head heights, by Winter’s segments. */
export const centerOfMass = (rig: Rig): Vec3 => centerOf(segments(rig));
