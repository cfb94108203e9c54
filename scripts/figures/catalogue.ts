// Facts of the sets' views, the sizes of their small pictures, and their shapes, as the catalogue keeps them: tsx catalogue.ts SMALL_DIR
import sharp from 'sharp';
import { type CatalogueFile, figureFileName } from '@/core/figure/catalogue/catalogue';
import { FIRST_FIGURES, figureFacts, poseHeadingDeg, poseOf, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { limbDirectionsOf } from '@/core/figure/picture/view';
import { isPartFamily } from '@/core/figure/catalogue/families';
import { effort, HOLD_CAP_S } from '@/core/figure/facts/effort';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { settlePose } from '@/core/figure/skeleton/support';
import { HAND_SHAPES } from '@/core/references/facts';
import type { HandShape } from '@/core/figure/skeleton/pose';
import { outlineOf, writeShape } from '@/core/references/unlike';
import envelopes from '@/core/figure/catalogue/envelopes.json';
import type { EnvelopeFile } from '@/core/figure/catalogue/envelopes';

/** How far a hand is open, in the words pictures are found by. */
function handShapeOf({ curl = 0, curls = [curl] }: HandShape): (typeof HAND_SHAPES)[number] {
  const mean = curls.reduce((sum, c) => sum + c, 0) / curls.length;
  return HAND_SHAPES[mean > 0.7 ? 0 : mean > 0.2 ? 1 : 2];
}

const [dir] = process.argv.slice(2);
const catalogue: CatalogueFile = { poses: {}, holds: {}, views: [] };
/** In the order of the views. */
const shapes: string[] = [];
for (const reference of SET_FIGURES) {
  const { poseId, build, view } = reference;
  const { name, family, difficulty, foreshortened } = figureFacts(reference);
  const { width, height } = await sharp(`${dir}/${figureFileName(poseId, build, view.azimuthDeg)}.webp`).metadata();
  const { pose } = poseOf(poseId);
  const props = [...new Set((pose.props ?? []).map(({ kind }) => kind))].sort().join(' ');
  const about: CatalogueFile['poses'][string] = [name, family, poseHeadingDeg(poseId, build), props];
  catalogue.poses[poseId] ??=
    family === 'hands' ? [name, family, about[2], props, handShapeOf(pose.handL ?? pose.handR ?? {})] : about;
  const { rig } = settlePose(pose, BUILDS[build]);
  // The careful estimate of the weakest of those who play it.
  const { holdS } = effort(pose, rig);
  if (!isPartFamily(family) && holdS < HOLD_CAP_S)
    catalogue.holds[poseId] = Math.min(holdS, catalogue.holds[poseId] ?? HOLD_CAP_S);
  const { azimuthDeg, elevationDeg, lensDeg } = view;
  const [, ...permille] = (envelopes as EnvelopeFile)[figureFileName(poseId, build, azimuthDeg)];
  const corners = Array.from({ length: permille.length / 2 }, (_, i): [number, number] => [
    permille[2 * i] * width,
    permille[2 * i + 1] * height,
  ]);
  const full = FIRST_FIGURES.includes(reference) ? 1 : 0;
  catalogue.views.push([
    poseId,
    build,
    azimuthDeg,
    elevationDeg,
    lensDeg,
    difficulty,
    width,
    height,
    full,
    poseHeadingDeg(poseId, build),
    foreshortened ? 1 : 0,
  ]);
  shapes.push(writeShape({ limbs: limbDirectionsOf(rig, view), outline: outlineOf(corners) }));
}
console.log(JSON.stringify({ catalogue, shapes }));
