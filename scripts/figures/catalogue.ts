// Facts of the sets' views and the sizes of their small pictures, as the catalogue keeps them: tsx catalogue.ts SMALL_DIR
import sharp from 'sharp';
import { type CatalogueFile, figureFileName } from '@/core/figure/catalogue/catalogue';
import { FIRST_FIGURES, figureFacts, poseHeadingDeg, SET_FIGURES } from '@/core/figure/catalogue/reference';

const [dir] = process.argv.slice(2);
const catalogue: CatalogueFile = { poses: {}, views: [] };
for (const reference of SET_FIGURES) {
  const { poseId, build, view } = reference;
  const { name, family, difficulty } = figureFacts(reference);
  const { width, height } = await sharp(`${dir}/${figureFileName(poseId, build, view.azimuthDeg)}.webp`).metadata();
  catalogue.poses[poseId] ??= [name, family, poseHeadingDeg(poseId, build)];
  const { azimuthDeg, elevationDeg, lensDeg } = view;
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
  ]);
}
console.log(JSON.stringify(catalogue));
