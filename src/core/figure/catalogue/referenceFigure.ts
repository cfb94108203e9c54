import { buildFigure, type Figure, type Shown } from '../figure';
import type { Fineness } from '../forms';
import type { BodyKit } from '../mesh/kit';
import { BUILDS } from '../skeleton/builds';
import { poseOf } from './reference';
import type { FigureReference } from './referenceId';

/** A part fills the picture: it is made one step finer than a whole figure. */
const closer = ({ levels, directions }: Fineness): Fineness => ({ levels: levels === 0 ? 1 : 2, directions });

/**
 * The figure a reference stands for, whole or the part that its pose shows.
 * @throws for a pose that is not known.
 */
export function referenceFigure(
  kit: BodyKit,
  { poseId, build }: Pick<FigureReference, 'poseId' | 'build'>,
  fineness: Fineness,
  shown: Omit<Shown, 'part'> = {},
): Figure {
  const { pose, part } = poseOf(poseId);
  return buildFigure(kit, pose, BUILDS[build], part ? closer(fineness) : fineness, { ...shown, part });
}
