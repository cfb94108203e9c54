import type { Point } from '../figure/facts/actionLine';
import { SHEET_SIZES } from '../practice/paper/sheet';
import type { Group, Member } from './group';

/** A figure as it is known: in the pixels of its picture. */
export interface Shape {
  width: number;
  height: number;
  top: number;
  bottom: number;
  left: number;
  right: number;
  /** How many of its heads it is high as it is seen. */
  heads: number;
  /** Its outline; empty where only its points are known. */
  rings: readonly (readonly Point[])[];
  /** Places of it, by name, and those of them that its own body hides. */
  marks: ReadonlyMap<string, Point>;
  hidden: ReadonlySet<string>;
}

/** A member on the sheet, millimeters from its upper left corner. */
export interface Placed {
  member: Member;
  /** Millimeters for a pixel of its picture, and where the picture's upper left corner lies. */
  k: number;
  left: number;
  top: number;
  /** Where its middle and its lowest place are, and how high it is. */
  middleX: number;
  footY: number;
  heightMm: number;
  /** A head of it. */
  headMm: number;
  rings: Point[][];
  marks: Map<string, Point>;
  hidden: Set<string>;
}

/** A grown person upright is so many heads tall: the chin is at 0.870 of the height (Winter, Biomechanics and Motor Control of Human Movement, figure 4.1). */
const HEADS_TALL = 1 / 0.13;

export function sheetMm({ size, upright }: Pick<Group, 'size' | 'upright'>): { widthMm: number; heightMm: number } {
  const [long, short] = SHEET_SIZES[size];
  return upright ? { widthMm: short, heightMm: long } : { widthMm: long, heightMm: short };
}

/**
 * Millimeters on the sheet for a centimeter of somebody who stands there: with one eye level for all, the ground's distance below it
 * is the height of the eyes. 0 at the eye level and above.
 */
export const scaleAt = (group: Pick<Group, 'size' | 'upright' | 'eyeLevel' | 'eyeCm'>, foot: number): number =>
  (Math.max(0, foot - group.eyeLevel) * sheetMm(group).heightMm) / group.eyeCm;

const OTHER_SIDE: Readonly<Record<string, string>> = { left: 'right', right: 'left' };
/** The name of the same place on the other side of a body. */
export const otherSide = (name: string): string => name.replace(/^(left|right)\b/, (side) => OTHER_SIDE[side]);

/** A member put where it stands, as large as it is there. */
export function placeMember(group: Group, member: Member, shape: Shape): Placed {
  const { widthMm, heightMm } = sheetMm(group);
  const headMm = scaleAt(group, member.foot) * (member.standsCm / HEADS_TALL) * (member.giant ?? 1);
  const tall = headMm * shape.heads;
  const k = tall / Math.max(1, shape.bottom - shape.top);
  const [middleX, footY] = [member.x * widthMm, member.foot * heightMm];
  const center = (shape.left + shape.right) / 2;
  const named = (name: string): string => (member.mirrored ? otherSide(name) : name);
  const put = ([x, y]: Point): Point => [
    middleX + (x - center) * k * (member.mirrored ? -1 : 1),
    footY + (y - shape.bottom) * k,
  ];
  return {
    member,
    k,
    left: middleX - center * k,
    top: footY - shape.bottom * k,
    middleX,
    footY,
    heightMm: tall,
    headMm,
    rings: shape.rings.map((ring) => ring.map(put)),
    marks: new Map([...shape.marks].map(([name, at]): [string, Point] => [named(name), put(at)])),
    hidden: new Set([...shape.hidden].map(named)),
  };
}

/** How a shadow lies on the ground: as long as this to the side and toward the front, for a height of one. */
const SHADOW = { side: 0.7, front: 0.22 };

/** The shadow that a member casts: its outline laid down on the ground, to the same side for all. */
export const castShadow = (
  { rings, footY }: Pick<Placed, 'rings' | 'footY'>,
  lightFrom: Group['lightFrom'],
): Point[][] =>
  rings.map((ring) =>
    ring.map(([x, y]): Point => {
      const up = footY - y;
      return [x + (lightFrom === 'left' ? 1 : -1) * SHADOW.side * up, footY - SHADOW.front * up];
    }),
  );
