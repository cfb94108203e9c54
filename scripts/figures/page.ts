import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { figureFileName } from '@/core/figure/catalogue/catalogue';
import { FINE } from '@/core/figure/forms';
import { FIRST_FIGURES, parseFigureReference } from '@/core/figure/catalogue/reference';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import { loadBody } from '@/workers/bodyFile';
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
  const figure = referenceFigure(await loadBody(), reference, FINE);
  const out = [];
  for (const option of options) {
    const canvas = renderFigure(figure, reference.view, option);
    const blob = await canvas.convertToBlob({ type: 'image/webp', quality: 0.86 });
    out.push({ width: canvas.width, height: canvas.height, url: await dataUrl(blob) });
  }
  return out;
}
const first = (): { id: string; file: string }[] =>
  FIRST_FIGURES.map((reference) => ({
    id: figureReferenceId(reference),
    file: figureFileName(reference.poseId, reference.build, reference.view.azimuthDeg),
  }));
Object.assign(globalThis, { pictures, first });
