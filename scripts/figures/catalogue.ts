// Facts of the sets' views, the sizes of their small pictures, and their shapes, as the catalogue keeps them: tsx catalogue.ts SMALL_DIR
import sharp from 'sharp';
import { type CatalogueFile, figureFileName } from '@/core/figure/catalogue/catalogue';
import { FIRST_FIGURES, figureFacts, poseHeadingDeg, poseOf, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { limbDirectionsOf } from '@/core/figure/picture/view';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { settlePose } from '@/core/figure/skeleton/support';
import { outlineOf, writeShape } from '@/core/references/unlike';
import envelopes from '@/core/figure/catalogue/envelopes.json';
import type { EnvelopeFile } from '@/core/figure/catalogue/envelopes';

const [dir] = process.argv.slice(2);
const catalogue: CatalogueFile = { poses: {}, views: [] };
/** In the order of the views. */
const shapes: string[] = [];
for (const reference of SET_FIGURES) {
  const { poseId, build, view } = reference;
  const { name, family, difficulty, foreshortened } = figureFacts(reference);
  const { width, height } = await sharp(`${dir}/${figureFileName(poseId, build, view.azimuthDeg)}.webp`).metadata();
  const { pose } = poseOf(poseId);
  const props = [...new Set((pose.props ?? []).map(({ kind }) => kind))].sort().join(' ');
  catalogue.poses[poseId] ??= [name, family, poseHeadingDeg(poseId, build), props];
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
  shapes.push(
    writeShape({ limbs: limbDirectionsOf(settlePose(pose, BUILDS[build]).rig, view), outline: outlineOf(corners) }),
  );
}
console.log(JSON.stringify({ catalogue, shapes }));
