import type { Point } from '../figure/facts/actionLine';
import { tiltDeg } from '../figure/facts/measuringLines';
import { apart, middle } from '../plane';
import type { PlaceName } from './places';

type At = (name: PlaceName) => Point;

/** Something that is measured in a picture and in a drawing of it alike. */
export interface Measure {
  id: string;
  /** As it stands in a sentence: "the head". */
  name: string;
  /** `share`: of the figure's length; the two are divided. `deg`: degrees, the two are subtracted. `ratio`: as a plain number. */
  unit: 'share' | 'deg' | 'ratio';
  needs: readonly PlaceName[];
  of: (at: At) => number;
}

/** The direction from one point to another, degrees counterclockwise from the picture's right. */
const direction = (a: Point, b: Point): number => (Math.atan2(a[1] - b[1], b[0] - a[0]) * 180) / Math.PI;

export const FEET = ['left ankle', 'right ankle'] as const;
/** The foot that a figure's length is measured to. */
export type Foot = (typeof FEET)[number];

const SIDES = ['left', 'right'] as const;
type Side = (typeof SIDES)[number];
const LIMBS = [
  ['upper arm', 'shoulder', 'elbow'],
  ['forearm', 'elbow', 'wrist'],
  ['thigh', 'outer hip', 'knee'],
  ['lower leg', 'knee', 'ankle'],
] as const;
const LEG = (side: Side): readonly PlaceName[] => [`${side} outer hip`, `${side} knee`, `${side} ankle`];
const legLength = (at: At, side: Side): number =>
  apart(at(`${side} outer hip`), at(`${side} knee`)) + apart(at(`${side} knee`), at(`${side} ankle`));

/**
 * What can be measured of a figure whose length is taken from the crown to an ankle, which holds in any pose: the lengths, then the
 * tilts, then the directions of limbs.
 */
export function measuresTo(foot: Foot): Measure[] {
  const figureLength = (at: At): number => apart(at('crown'), at(foot));
  const share = (id: string, name: string, needs: readonly PlaceName[], of: (at: At) => number): Measure => ({
    id,
    name,
    unit: 'share',
    needs: [...new Set<PlaceName>([...needs, 'crown', foot])],
    of: (at) => of(at) / figureLength(at),
  });
  const side = foot === 'left ankle' ? 'left' : 'right';
  return [
    share('head', 'the head', ['chin'], (at) => apart(at('crown'), at('chin'))),
    share('legs', 'the legs', LEG(side), (at) => legLength(at, side)),
    share('legs from the middle', 'the legs', ['pubic bone'], (at) => apart(at('pubic bone'), at(foot))),
    share('waist', 'the waist', ['end of the breastbone', 'left hip point', 'right hip point'], (at) =>
      apart(at('end of the breastbone'), middle(at('left hip point'), at('right hip point'))),
    ),
    share('shoulders', 'the width of the shoulders', ['left shoulder', 'right shoulder'], (at) =>
      apart(at('left shoulder'), at('right shoulder')),
    ),
    share('hips', 'the width of the hips', ['left hip point', 'right hip point'], (at) =>
      apart(at('left hip point'), at('right hip point')),
    ),
    ...SIDES.flatMap((limb) =>
      LIMBS.map(([name, from, to]) =>
        share(`${limb} ${name}`, `the ${limb} ${name}`, [`${limb} ${from}`, `${limb} ${to}`], (at) =>
          apart(at(`${limb} ${from}`), at(`${limb} ${to}`)),
        ),
      ),
    ),
    {
      id: 'heads',
      name: 'heads from crown to ankle',
      unit: 'ratio',
      needs: ['crown', 'chin', foot],
      of: (at) => figureLength(at) / apart(at('crown'), at('chin')),
    },
    {
      id: 'half',
      name: 'where the middle of the body lies between crown and ankle',
      unit: 'ratio',
      needs: ['crown', 'pubic bone', foot],
      of: (at) => apart(at('crown'), at('pubic bone')) / figureLength(at),
    },
    {
      id: 'tilt of the shoulders',
      name: 'the tilt of the shoulders',
      unit: 'deg',
      needs: ['left shoulder', 'right shoulder'],
      of: (at) => tiltDeg(at('left shoulder'), at('right shoulder')),
    },
    {
      id: 'tilt of the hips',
      name: 'the tilt of the hips',
      unit: 'deg',
      needs: ['left hip point', 'right hip point'],
      of: (at) => tiltDeg(at('left hip point'), at('right hip point')),
    },
    ...SIDES.flatMap((limb) =>
      LIMBS.map(([name, from, to]): Measure => ({
        id: `direction of the ${limb} ${name}`,
        name: `the turn of the ${limb} ${name}`,
        unit: 'deg',
        needs: [`${limb} ${from}`, `${limb} ${to}`],
        of: (at) => direction(at(`${limb} ${from}`), at(`${limb} ${to}`)),
      })),
    ),
  ];
}

/** Length of one flank, from the shoulder to the hip point. */
export const flank = (at: At, side: Side): number => apart(at(`${side} shoulder`), at(`${side} hip point`));
