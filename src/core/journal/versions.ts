import { picturesOf } from '../practice/plan/planPoses';
import { mirroredReference } from '../references/mirrorReference';
import { posesDrawn, type Drawing } from './drawings';
import { replayOf } from './replay';
import type { Session } from './session';

/** One drawing of a picture that was drawn before or since. */
export interface Version {
  session: Session;
  drawing: Drawing;
}

/**
 * Every drawing of a picture or of a view of a figure, mirrored or not, in the order they were made.
 * @param references The picture, and parts of it studied by themselves.
 */
export function versionsOf(sessions: readonly Session[], references: readonly string[]): Version[] {
  const wanted = new Set(references.flatMap((id) => [id, mirroredReference(id)]));
  const mentions = (session: Session): boolean => picturesOf(replayOf(session).plan).some((id) => wanted.has(id));
  return [...sessions]
    .sort((a, b) => a.startedAtMs - b.startedAtMs)
    .filter(mentions)
    .flatMap((session) =>
      posesDrawn(session).flatMap((drawing) =>
        drawing.referenceId !== null && wanted.has(drawing.referenceId) ? [{ session, drawing }] : [],
      ),
    );
}
