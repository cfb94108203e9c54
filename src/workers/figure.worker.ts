import * as Comlink from 'comlink';
import type { Appearance } from '@/core/figure/picture/appearance';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { draftPicture, type Pixels } from '@/core/figure/picture/draft';
import { type AnswerKey, answerKey } from '@/core/figure/facts/answerKey';
import { factSentences } from '@/core/figure/facts/sentences';
import { buildFigure, COARSE, type Figure, FINE, type Fineness } from '@/core/figure/figure';
import { type FigureFacts, figureFacts, parseFigureReference, poseOf } from '@/core/figure/catalogue/reference';
import type { FigureReference } from '@/core/figure/catalogue/referenceId';
import { loadBody } from './bodyFile';
import { renderFigure } from './figureRenderer';

function referenceOf(id: string): FigureReference {
  const reference = parseFigureReference(id);
  if (!reference) throw new Error(`not a figure: ${id}`);
  return reference;
}

/** The last figure meshed at each fineness: turning it only draws again. */
const last = new Map<Fineness, { key: string; figure: Figure }>();
async function meshed({ poseId, build }: FigureReference, fineness: Fineness): Promise<Figure> {
  const key = `${poseId}/${build}`;
  const known = last.get(fineness);
  if (known?.key === key) return known.figure;
  const figure = buildFigure(await loadBody(), poseOf(poseId).pose, BUILDS[build], fineness);
  last.set(fineness, { key, figure });
  return figure;
}

async function webp({ width, height, data }: Pixels): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')?.putImageData(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  return canvas.convertToBlob({ type: 'image/webp', quality: 0.86 });
}

const FINISHED = { longSidePx: 1200, passes: 8, ground: true } as const;

const api = {
  /** A first look, drawn without a graphics card: WebP with a transparent ground. */
  async draft(id: string, appearance: Appearance, size: { longSidePx: number; ground: boolean }): Promise<Blob> {
    const reference = referenceOf(id);
    return webp(draftPicture(await meshed(reference, COARSE), reference.view, { ...appearance, ...size }));
  },
  /** The finished picture of a figure, WebP with a transparent ground; without WebGL, a careful draft. */
  async render(id: string, appearance: Appearance): Promise<Blob> {
    const reference = referenceOf(id);
    const figure = await meshed(reference, FINE);
    try {
      return await renderFigure(figure, reference.view, { ...FINISHED, ...appearance }).convertToBlob({
        type: 'image/webp',
        quality: 0.86,
      });
    } catch {
      return webp(draftPicture(figure, reference.view, { ...FINISHED, ...appearance }));
    }
  },
  /** What a teacher would draw over a figure, and what is known of it in sentences. */
  async read(
    id: string,
    { light, covered }: Appearance,
  ): Promise<{ key: AnswerKey; sentences: string[]; facts: FigureFacts }> {
    const reference = referenceOf(id);
    const { pose } = poseOf(reference.poseId);
    const key = answerKey(await meshed(reference, COARSE), pose, BUILDS[reference.build], reference.view, light, { covered });
    return { key, sentences: factSentences(key), facts: figureFacts(reference) };
  },
  /** What figures are chosen by. */
  facts: (ids: readonly string[]): FigureFacts[] => ids.map((id) => figureFacts(referenceOf(id))),
  /** Figures with their poses' own data, as they are written into files. */
  describe: (ids: readonly string[]) =>
    ids.map((id) => {
      const { poseId, build, view } = referenceOf(id);
      const { name, family, pose } = poseOf(poseId);
      return { reference: id, name, family, build, view, pose };
    }),
  /** A figure's surface as a glTF binary. */
  async glb(id: string, covered: boolean): Promise<Blob> {
    const { glbOf } = await import('./glb');
    return glbOf(await meshed(referenceOf(id), FINE), id, covered);
  },
};
export type FigureApi = typeof api;
Comlink.expose(api);
