import type { LimbTarget, Place, Pose, Prop } from './pose';
import type { Quat, Vec3 } from './vector';

const flip = ([x, y, z]: Vec3): Vec3 => [-x, y, z];
const other = (name: string): string =>
  name.endsWith('L') ? `${name.slice(0, -1)}R` : name.endsWith('R') ? `${name.slice(0, -1)}L` : name;
const sideways = ([bend, side, twist]: Vec3): Vec3 => [bend, -side, -twist];
const flipTurn = ([x, y, z, w]: readonly [number, number, number, number]): Quat => [x, -y, -z, w];

function mirrorTarget(target: LimbTarget): LimbTarget {
  const out = { ...target, pos: flip(target.pos) };
  if (target.rel) out.rel = other(target.rel);
  for (const key of ['pole', 'palm', 'fing', 'axis'] as const) {
    const direction = target[key];
    if (direction) out[key] = flip(direction);
  }
  if (target.rot) out.rot = [target.rot[0], -target.rot[1], -target.rot[2]];
  if (target.kneel) out.kneel = { ...target.kneel, heading: -target.kneel.heading, shin: -target.kneel.shin };
  return out;
}

const mirrorPlace = (place: Place): Place =>
  Array.isArray(place) ? flip(place) : { of: other(place.of), p: flip(place.p) };
const otherSide = (side: 'L' | 'R'): 'L' | 'R' => (side === 'L' ? 'R' : 'L');

function mirrorProp(prop: Prop): Prop {
  switch (prop.kind) {
    case 'box':
      return { ...prop, c: flip(prop.c), ...(prop.yaw !== undefined && { yaw: -prop.yaw }) };
    case 'stool':
      return { ...prop, at: [-prop.at[0], prop.at[1]] };
    case 'pole':
    case 'lantern':
      return { ...prop, hand: otherSide(prop.hand) };
    case 'bow':
      return { ...prop, hand: otherSide(prop.hand), ...(prop.draw && { draw: otherSide(prop.draw) }) };
    case 'bar':
      return { ...prop, from: mirrorPlace(prop.from), to: mirrorPlace(prop.to) };
    case 'rope':
      return { ...prop, through: prop.through.map(mirrorPlace) };
    case 'drum':
      return { ...prop, at: mirrorPlace(prop.at), axis: flip(prop.axis) };
    case 'tray':
    case 'basket':
      return { ...prop, at: mirrorPlace(prop.at) };
  }
}

/** A pose seen in a mirror: left and right exchanged. Mirroring twice gives the pose back. */
export function mirrorPose(pose: Pose): Pose {
  const out: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(pose)) {
    if (key === 'root') {
      const { pos, rot } = value as NonNullable<Pose['root']>;
      out.root = { ...(pos && { pos: flip(pos) }), ...(rot && { rot: [rot[0], -rot[1], -rot[2]] }) };
    } else if (['spine', 'chest', 'neck', 'head'].includes(key)) out[key] = sideways(value as Vec3);
    else if (key === 'ik')
      out.ik = Object.fromEntries(
        Object.entries(value as NonNullable<Pose['ik']>).map(([limb, target]) => [other(limb), mirrorTarget(target)]),
      );
    else if (key === 'over') out.over = otherSide(value as 'L' | 'R');
    else if (key === 'props') out.props = (value as Prop[]).map(mirrorProp);
    else if (key === 'joints')
      out.joints = Object.fromEntries(
        Object.entries(value as NonNullable<Pose['joints']>).map(([bone, turn]) => [other(bone), flipTurn(turn)]),
      );
    else out[/[LR]$/.test(key) ? other(key) : key] = value;
  }
  return out;
}
