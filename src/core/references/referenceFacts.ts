import { CATALOGUE, catalogued, knownFacts } from '../figure/catalogue/catalogue';
import { MIRRORED, splitFigureReference } from '../figure/catalogue/referenceId';
import { shapeOf } from '../figure/catalogue/shapes';
import { eyeLevelOf } from '../figure/picture/eyeLevel';
import { isPartFamily } from '../figure/catalogue/families';
import { builtInSet, isInSet } from './builtIn';
import type { ReferenceFacts } from './coverage';
import { effectiveFacts } from './effectiveFacts';
import { type Picture, pictureReferenceId } from './picture';
import { readShape } from './unlike';

/** The pose of a figure, however it is turned, mirrored or played, and who plays it. */
export function poseAndBuild(referenceId: string): Partial<ReferenceFacts> {
  const figure = splitFigureReference(referenceId);
  return figure ? { pose: figure.poseId.replace(MIRRORED, ''), build: figure.build } : {};
}

/** What a figure is chosen by, as far as that needs no computing; of views of the sets also their shape and what they are with. */
export function figureReferenceFacts(referenceId: string): ReferenceFacts {
  const entry = catalogued(referenceId);
  const known = knownFacts(referenceId);
  const figure = splitFigureReference(referenceId);
  return {
    id: referenceId,
    ...poseAndBuild(referenceId),
    ...(known && {
      viewName: known.viewName,
      facing: known.facing,
      family: known.family,
      difficulty: known.difficulty,
    }),
    ...(entry && {
      props: entry.props,
      ...readShape(shapeOf(entry)),
      foreshortened: entry.foreshortened,
      hand: entry.hand,
      holdS: entry.holdS,
      ready: entry.full,
    }),
    eyeLevel: figure && eyeLevelOf(figure.view.elevationDeg),
    extent: known?.family !== undefined && isPartFamily(known.family) ? 'part' : 'whole',
  };
}

/** What a picture is chosen by: as found, or as the learner said. */
export function pictureReferenceFacts(picture: Picture): ReferenceFacts {
  const facts = effectiveFacts(picture);
  return {
    id: pictureReferenceId(picture.id),
    facing: facts.facing as ReferenceFacts['facing'],
    viewName: facts.view,
    family: facts.family,
    eyeLevel: facts.eyeLevel,
    extent: facts.extent,
    subject: facts.subject,
    hand: facts.hand,
    limbs: picture.measures?.limbs,
    foreshortened: facts.foreshortened === undefined ? undefined : facts.foreshortened === 'yes',
    difficulty: facts.difficulty === undefined ? undefined : Number(facts.difficulty),
  };
}

/** Facts of what ships, for one built-in set or all of it. */
export function shippedReferences(setId: string): ReferenceFacts[] | undefined {
  const set = builtInSet(setId);
  if (!set) return undefined;
  const shipped = CATALOGUE.filter((entry) => isInSet(entry, set));
  return shipped.map(({ id }) => figureReferenceFacts(id));
}
