import * as Comlink from 'comlink';
import { BUILDS } from '@/core/figure/builds';
import { buildFigure, COARSE, type Figure, FINE } from '@/core/figure/figure';
import { POSES } from '@/core/figure/poses';
import { parseFigureReference } from '@/core/figure/reference';
import { renderFigure } from './figureRenderer';

/** The last figure meshed: turning it only renders again. */
let last: { key: string; figure: Figure } | undefined;

const api = {
  /**
   * A picture of a figure, WebP with a transparent ground.
   * @param coarse A rough one at once, to be replaced.
   */
  async render(referenceId: string, coarse: boolean): Promise<Blob> {
    const reference = parseFigureReference(referenceId);
    if (!reference) throw new Error(`not a figure: ${referenceId}`);
    const { poseId, build, view } = reference;
    const key = `${poseId}/${build}/${String(coarse)}`;
    if (last?.key !== key)
      last = { key, figure: buildFigure(POSES[poseId].pose, BUILDS[build], coarse ? COARSE : FINE) };
    const size = coarse ? { longSidePx: 500, passes: 1 } : { longSidePx: 1200, passes: 8 };
    return renderFigure(last.figure, view, { ...size, ground: true }).convertToBlob({
      type: 'image/webp',
      quality: 0.86,
    });
  },
};
export type FigureApi = typeof api;
Comlink.expose(api);
