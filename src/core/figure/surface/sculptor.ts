import type { Vec3 } from '../skeleton/vector';

/**
 * A place on the body: a bone (or a half frame `A~B@t`, which sits at joint B and turns t of the way from A to B)
 * and a point in rest space.
 */
export type Anchor = [frame: string, point: Vec3];

/** The parts between which flesh never melts, except around the joint that ties a part to its parent. */
export const PARTS = [
  'torso',
  'head',
  'uarm.L',
  'farm.L',
  'hand.L',
  'uarm.R',
  'farm.R',
  'hand.R',
  'thigh.L',
  'calf.L',
  'foot.L',
  'thigh.R',
  'calf.R',
  'foot.R',
] as const;
export type Part = (typeof PARTS)[number];

interface Options {
  /** Blend radius with the rest of its part, head heights. */
  k?: number;
  /** Order of application in a part: 0 masses, 1 relief, 2 masses on top (hair, eyes), 3 relief on those. */
  stage?: number;
}
export interface TubeOptions extends Options {
  /** Radius at both ends, and at the fraction tm between them where a muscle is thickest. */
  r0: number;
  r1: number;
  rm?: number;
  tm?: number;
  /** Section flattened: factor across, factor along n. */
  flat?: [number, number];
  n?: Vec3;
  /** The middle pushed aside. */
  bow?: Vec3;
  /** How much of the bow is lost when the muscle is stretched. */
  bowLim?: number;
  /** Exponent of volume conservation: 0 rigid, 0.5 keeps the volume. */
  vol?: number;
}
interface EllipsoidOptions extends Options {
  rot?: Vec3;
  /** Keep only the side of a plane that n points away from. */
  clip?: { n: Vec3; p: Vec3 };
}
interface LoftOptions extends Options {
  /** Lengths of the rounded ends. */
  cap0: number;
  cap1: number;
  /** 0 round to 1 square section. */
  sq?: number;
  /** Bone whose turn about this one is spread along the loft. */
  twist?: string;
  /** Factor on all radii. */
  g?: number;
}
interface GrooveOptions extends Options {
  /** Share of each end over which it fades. */
  fade?: number;
}

interface Common {
  part: Part;
  k: number;
  stage: number;
}
export type Primitive = Common &
  (
    | ({ shape: 'tube'; a: Anchor; b: Anchor } & TubeOptions)
    | ({ shape: 'ellipsoid'; frame: string; c: Vec3; r: Vec3 } & EllipsoidOptions)
    /** Stations along a bone: [y, center x, center z, radius +x, -x, +z, -z]. */
    | ({ shape: 'loft'; frame: string; stations: number[][] } & LoftOptions)
    | { shape: 'bump'; frame: string; c: Vec3; r: Vec3; amp: number }
    | ({ shape: 'groove'; a: Anchor; b: Anchor; w: number; amp: number } & GrooveOptions)
  );
export type Relief = Extract<Primitive, { shape: 'bump' | 'groove' }>;
/** Whether a primitive shapes the surface of others instead of adding to them. */
export const isRelief = (p: Primitive): p is Relief => p.shape === 'bump' || p.shape === 'groove';

const mirrorPoint = (p: Vec3): Vec3 => [-p[0], p[1], p[2]];
const mirrorName = (name: string): string => name.replace(/\.L/g, '.R');
const mirrorAnchor = ([frame, p]: Anchor): Anchor => [mirrorName(frame), mirrorPoint(p)];

function mirrored(p: Primitive): Primitive {
  const part = mirrorName(p.part) as Part;
  switch (p.shape) {
    case 'tube':
      return {
        ...p,
        part,
        a: mirrorAnchor(p.a),
        b: mirrorAnchor(p.b),
        ...(p.n && { n: mirrorPoint(p.n) }),
        ...(p.bow && { bow: mirrorPoint(p.bow) }),
      };
    case 'groove':
      return { ...p, part, a: mirrorAnchor(p.a), b: mirrorAnchor(p.b) };
    case 'loft':
      return {
        ...p,
        part,
        frame: mirrorName(p.frame),
        stations: p.stations.map(([y, cx, cz, px, nx, pz, nz]) => [y, -cx, cz, nx, px, pz, nz]),
        ...(p.twist && { twist: mirrorName(p.twist) }),
      };
    case 'bump':
      return { ...p, part, frame: mirrorName(p.frame), c: mirrorPoint(p.c) };
    case 'ellipsoid':
      return {
        ...p,
        part,
        frame: mirrorName(p.frame),
        c: mirrorPoint(p.c),
        ...(p.rot && { rot: [p.rot[0], -p.rot[1], -p.rot[2]] as Vec3 }),
      };
  }
}

/** Collects the primitives of a body; what is sculpted inside `pair` appears on both sides. */
export class Sculptor {
  readonly primitives: Primitive[] = [];
  private paired = false;

  private push(p: Primitive): void {
    this.primitives.push(p);
    if (this.paired) this.primitives.push(mirrored(p));
  }
  pair(sculptLeft: () => void): void {
    this.paired = true;
    sculptLeft();
    this.paired = false;
  }
  /** A muscle or bone between two anchors. */
  tube(part: Part, a: Anchor, b: Anchor, o: TubeOptions): void {
    this.push({ shape: 'tube', part, a, b, k: 0.06, stage: 0, ...o });
  }
  ellipsoid(part: Part, frame: string, c: Vec3, r: Vec3, o: EllipsoidOptions): void {
    this.push({ shape: 'ellipsoid', part, frame, c, r, k: 0.06, stage: 0, ...o });
  }
  /** A silhouette of elliptical sections along a bone. */
  loft(part: Part, frame: string, stations: number[][], o: LoftOptions): void {
    this.push({ shape: 'loft', part, frame, stations, k: 0.06, stage: 0, ...o });
  }
  /** Local relief: amp > 0 raises, amp < 0 hollows. */
  bump(part: Part, frame: string, c: Vec3, r: Vec3, amp: number): void {
    this.push({ shape: 'bump', part, frame, c, r, amp, k: 0.01, stage: 1 });
  }
  groove(part: Part, a: Anchor, b: Anchor, w: number, amp: number, o: GrooveOptions = {}): void {
    this.push({ shape: 'groove', part, a, b, w, amp, k: 0.01, stage: 1, ...o });
  }
}
