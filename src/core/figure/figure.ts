import { type PartPlaces, partPlaces, trunkPlaces } from './facts/partPlaces';
import { type Fineness, type Form, type Made, planesSurface, skinSurface, solidsSurface, type Surface } from './forms';
import type { BodyKit, Cover } from './mesh/kit';
import type { ShownPart } from './mesh/region';
import { skinAt, type SkinPoint } from './mesh/skinPoint';
import { poseBody } from './posedBody';
import type { Solid } from './props/solids';
import type { Build } from './skeleton/builds';
import type { Rig } from './skeleton/kinematics';
import type { Pose } from './skeleton/pose';
import { add, rotate, type Vec3 } from './skeleton/vector';

/** A figure ready to be rendered, standing on y = 0, head heights. */
export interface Figure extends Surface {
  solids: Solid[];
  /** The skeleton under it, in the same place. */
  rig: Rig;
  /** What of the body it shows; all of it when missing. */
  part: ShownPart | undefined;
  /** The places on the skin that a draftsman measures between. */
  landmarks: Landmark[];
  /** Lines over the face, and the middle of the head that they go round. */
  face: { lines: Vec3[][]; middle: Vec3 };
  /** Of a part that is shown alone: the lines it is built on, the pairs whose tilts are told, and the way through it. */
  structure?: { lines: Vec3[][] } & Pick<PartPlaces, 'tilts' | 'way'>;
}

/** A place on the body that draftsmen find and name. */
interface Landmark {
  name: string;
  at: Vec3;
}

/** What of a figure is shown and how; all of it, in its skin, with bones as they usually show, in shorts and top, unless told. */
export interface Shown {
  part?: ShownPart | undefined;
  form?: Form;
  /** How much bones show: 0 not at all, 1 as much as usual on this body. */
  bones?: number;
  /** What it wears where it is shown covered. */
  cover?: Cover;
}

const SURFACES: Readonly<Record<Form, (made: Made) => Surface>> = {
  skin: skinSurface,
  planes: planesSurface,
  solids: solidsSurface,
};

/** Pose a build, make its surface as fine as wanted, and work out how its forms shade each other and the ground. */
export function buildFigure(
  kit: BodyKit,
  pose: Pose,
  build: Build,
  fineness: Fineness,
  { part, form = 'skin', bones = 1, cover = 'shorts' }: Shown = {},
): Figure {
  const posed = poseBody(kit, pose, build);
  const { rig, positions: body, solids } = posed;
  const sitter = kit.sitter(build.name);
  const places = kit.places();
  const own = partPlaces(places, part);
  const landmarks = own?.landmarks ?? (part === 'torso' ? trunkPlaces(places) : places.landmarks);
  const along = (lines: readonly (readonly SkinPoint[])[]): Vec3[][] =>
    lines.map((line) => line.map((point) => skinAt(body, point)));
  return {
    ...SURFACES[form]({ kit, posed, sitter, name: build.name, fineness, part, bones, cover }),
    solids,
    rig,
    part,
    landmarks: Object.entries(landmarks).map(([name, point]) => ({ name, at: skinAt(body, point) })),
    face: { lines: along(places.face), middle: middleOfHead(rig) },
    ...(own && { structure: { lines: along(own.lines), tilts: own.tilts, way: own.way } }),
  };
}

/** Where a head turns about and its lattice goes round. */
const middleOfHead = (rig: Rig): Vec3 => add(rig.pos.head, rotate(rig.rot.head, [0, 0.27, -0.04]));
