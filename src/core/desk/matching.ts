import { polygonArea, polygonCentroid, polygonHull } from 'd3-polygon';
import { assigned } from '../assignment';
import { convexReach } from '../convexReach';
import { readingOrder, type SheetBox } from './readingOrder';

type Corner = readonly [x: number, y: number];

/** Directions in which an envelope is measured: a multiple of four, so that a quarter turn only shifts them. */
const RAYS = 24;

/** How far an envelope reaches from its middle, in even directions clockwise from the right, as a share of the root of its area. */
export type Envelope = readonly number[];

/**
 * An envelope's reach, the same for a figure drawn large or small.
 * @param corners Of a convex outline, in one unit for both axes.
 * @returns undefined for a line or a point.
 */
export function envelopeOf(corners: readonly Corner[]): Envelope | undefined {
  const polygon = corners.map(([x, y]): [number, number] => [x, y]);
  const root = Math.sqrt(Math.abs(polygonArea(polygon)));
  if (corners.length < 3 || root === 0) return undefined;
  return convexReach(corners, polygonCentroid(polygon), RAYS).map((reach) => reach / root);
}

/** The joints that are found in a picture lie inside the body: its edge lies about so far beyond them, of the way from their middle. */
const BEYOND_JOINTS = 0.08;

/** The envelope of a person of whom joints are known, by these. @param joints In one unit for both axes. */
export function jointsEnvelope(joints: readonly Corner[]): Envelope | undefined {
  const hull = joints.length > 2 ? polygonHull(joints.map(([x, y]): [number, number] => [x, y])) : null;
  if (!hull) return undefined;
  const [cx, cy] = polygonCentroid(hull);
  return envelopeOf(hull.map(([x, y]) => [x + (x - cx) * BEYOND_JOINTS, y + (y - cy) * BEYOND_JOINTS]));
}

/** The envelope of the ink in a box. @param ink Not 0 where there is ink, of a sheet so wide and high. */
export function inkEnvelope(
  ink: ArrayLike<number>,
  width: number,
  height: number,
  box: SheetBox,
): Envelope | undefined {
  const [x0, x1] = [Math.max(0, Math.floor(box.x * width)), Math.min(width, Math.ceil((box.x + box.width) * width))];
  const [y0, y1] = [
    Math.max(0, Math.floor(box.y * height)),
    Math.min(height, Math.ceil((box.y + box.height) * height)),
  ];
  const ends: [number, number][] = [];
  for (let y = y0; y < y1; y++) {
    let [left, right] = [-1, -1];
    for (let x = x0; x < x1; x++)
      if (ink[y * width + x]) {
        if (left < 0) left = x;
        right = x;
      }
    if (left >= 0) ends.push([left, y], [right + 1, y + 1]);
  }
  const hull = ends.length > 2 ? polygonHull(ends) : null;
  return hull ? envelopeOf(hull) : undefined;
}

/** How unlike two envelopes are: the root of the mean squared difference of their reaches. */
export const unlikeness = (a: Envelope, b: Envelope): number =>
  Math.sqrt(a.reduce((sum, v, i) => sum + (v - b[i]) ** 2, 0) / a.length);

/** What is not known is about as unlike as one figure from another. */
const UNKNOWN = 0.16;
/** Out of its order by one place costs so much. */
const OUT_OF_ORDER = 0.025;

export interface Drawn {
  key: string;
  /** Of its reference; undefined where that is not known. */
  envelope: Envelope | undefined;
}

/** A sheet's drawings as they are read, each with the drawing of the session that it is, and what that cost on average. */
export interface Matched {
  boxes: { box: SheetBox; key: string | null }[];
  cost: number;
}

/**
 * Which drawing of the session each box is: by the shape of its ink and by the order in which a sheet is read, all at once.
 * Drawings of the session that are not on the sheet are passed over.
 */
export function matched(
  boxes: readonly { box: SheetBox; envelope: Envelope | undefined }[],
  drawn: readonly Drawn[],
): Matched {
  const ofBox = new Map(boxes.map((one) => [one.box, one.envelope]));
  const order = readingOrder(boxes.map(({ box }) => box));
  const rows = order.slice(0, drawn.length);
  const stretch = rows.length > 1 ? (drawn.length - 1) / (rows.length - 1) : 1;
  const costs = rows.map((box, i) =>
    drawn.map(({ envelope }, j) => {
      const own = ofBox.get(box);
      const unlike = own && envelope ? unlikeness(own, envelope) : UNKNOWN;
      return unlike + OUT_OF_ORDER * Math.abs(j - i * stretch);
    }),
  );
  const columns = rows.length > 0 ? assigned(costs) : [];
  const sum = columns.reduce((total, j, i) => total + costs[i][j], 0);
  return {
    boxes: order.map((box, i) => ({ box, key: i < columns.length ? drawn[columns[i]].key : null })),
    cost: columns.length > 0 ? sum / columns.length : 0,
  };
}

/** A sheet is only turned by itself where that fits so much better. */
const CLEARLY = 0.05;

const turnedBox = ({ x, y, width, height }: SheetBox): SheetBox => ({
  x: 1 - y - height,
  y: x,
  width: height,
  height: width,
});
const turnedEnvelope = (envelope: Envelope | undefined): Envelope | undefined =>
  envelope && envelope.map((_, i) => envelope[(i + RAYS - RAYS / 4) % RAYS]);

/** By how many quarters to the right a sheet has to be turned so that its drawings stand as what they are of; 0 where that is not clear. */
export function uprightQuarters(
  boxes: readonly { box: SheetBox; envelope: Envelope | undefined }[],
  drawn: readonly Drawn[],
): number {
  if (!drawn.some(({ envelope }) => envelope) || boxes.length === 0) return 0;
  let turned = [...boxes];
  const costs = [matched(turned, drawn).cost];
  for (let quarters = 1; quarters < 4; quarters++) {
    turned = turned.map(({ box, envelope }) => ({ box: turnedBox(box), envelope: turnedEnvelope(envelope) }));
    costs.push(matched(turned, drawn).cost);
  }
  const best = costs.indexOf(Math.min(...costs));
  return costs[best] < costs[0] - CLEARLY ? best : 0;
}
