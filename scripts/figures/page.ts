import { BUILDS } from '@/core/figure/builds';
import { buildFigure, FINE } from '@/core/figure/figure';
import { POSES } from '@/core/figure/poses';
import { figureFileName, figureReferenceId, parseFigureReference, SHIPPED_FIGURES } from '@/core/figure/reference';
import { type PictureOptions, renderFigure } from '@/workers/figureRenderer';

async function dataUrl(blob: Blob): Promise<string> {
  return new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.readAsDataURL(blob);
  });
}

/** Called by scripts/figures.mjs in a headless browser: the pictures of one figure, as data URLs. */
async function pictures(
  id: string,
  options: PictureOptions[],
): Promise<{ width: number; height: number; url: string }[]> {
  const reference = parseFigureReference(id);
  if (!reference) throw new Error(`not a figure: ${id}`);
  const figure = buildFigure(POSES[reference.poseId].pose, BUILDS[reference.build], FINE);
  const out = [];
  for (const option of options) {
    const canvas = renderFigure(figure, reference.view, option);
    const blob = await canvas.convertToBlob({ type: 'image/webp', quality: 0.86 });
    out.push({ width: canvas.width, height: canvas.height, url: await dataUrl(blob) });
  }
  return out;
}
const shipped = (): { id: string; file: string }[] =>
  SHIPPED_FIGURES.map((reference) => ({ id: figureReferenceId(reference), file: figureFileName(reference) }));
Object.assign(globalThis, { pictures, shipped });
