import { type AnswerKey, answerKey } from '../facts/answerKey';
import { COARSE } from '../forms';
import type { BodyKit } from '../mesh/kit';
import { STUDIO_LIGHT } from '../picture/light';
import { BUILDS } from '../skeleton/builds';
import { poseOf } from './reference';
import { referenceFigure } from './referenceFigure';
import type { FigureReference } from './referenceId';

/**
 * The answer key of a reference as it comes: bare, in the studio's light.
 * @throws for a pose that is not known.
 */
export function referenceKey(kit: BodyKit, reference: FigureReference): AnswerKey {
  const { poseId, build, view } = reference;
  return answerKey(referenceFigure(kit, reference, COARSE), poseOf(poseId).pose, BUILDS[build], view, STUDIO_LIGHT);
}
