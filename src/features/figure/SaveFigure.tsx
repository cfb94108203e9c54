'use client';
import { Download, Printer } from 'lucide-react';
import { type RefObject, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { download } from '@/ui/download';
import { startFigureWorker } from '@/workers/clients';

const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'figure';

/** Take the figure out: picture, answer key, model, or on paper. */
export function SaveFigure({
  id,
  name,
  picture,
  covered,
  svg,
  hasLayers,
}: {
  id: string;
  name: string;
  picture: Blob | undefined;
  covered: boolean;
  svg: RefObject<SVGSVGElement | null>;
  hasLayers: boolean;
}) {
  const [making, setMaking] = useState(false);
  const save = (make: () => Promise<void>): void => {
    setMaking(true);
    make()
      .catch(() =>
        toastProblem('That file could not be made here. Nothing else has changed; try again, or another format.'),
      )
      .finally(() => setMaking(false));
  };
  const withWorker = async <T,>(work: (api: ReturnType<typeof startFigureWorker>['api']) => Promise<T>): Promise<T> => {
    const client = startFigureWorker();
    try {
      return await work(client.api);
    } finally {
      client.stop();
    }
  };
  const png = async (): Promise<void> => {
    if (!picture) return;
    const { pngWithPose } = await import('./figureFiles');
    const [figure] = await withWorker((api) => api.describe([id]));
    download(await pngWithPose(picture, JSON.stringify(figure)), `${fileName(name)}.png`);
  };
  const key = async (): Promise<void> => {
    const { svgFile } = await import('./figureFiles');
    if (svg.current) download(await svgFile(svg.current), `${fileName(name)}-answer-key.svg`);
  };
  const model = async (): Promise<void> => {
    download(await withWorker((api) => api.glb(id, covered)), `${fileName(name)}.glb`);
  };
  return (
    <section aria-label="Take it out" className="no-print">
      <h2 className="text-[20px]">Take it out</h2>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn-quiet btn btn-sm max-sm:h-14"
          disabled={!picture || making}
          onClick={() => save(png)}
        >
          <Download size={15} aria-hidden /> Picture (PNG)
        </button>
        <button
          type="button"
          className="btn-quiet btn btn-sm max-sm:h-14"
          disabled={!hasLayers || making}
          title={hasLayers ? undefined : 'Put a layer of the answer key on first'}
          onClick={() => save(key)}
        >
          <Download size={15} aria-hidden /> Answer key (SVG)
        </button>
        <button
          type="button"
          className="btn-quiet btn btn-sm max-sm:h-14"
          disabled={making}
          onClick={() => save(model)}
        >
          <Download size={15} aria-hidden /> Model (glTF)
        </button>
        <button type="button" className="btn-quiet btn btn-sm max-sm:h-14" onClick={() => window.print()}>
          <Printer size={15} aria-hidden /> Print
        </button>
      </div>
      <p role="status" className="min-h-[20px] text-[13px] text-quiet">
        {making ? 'Making the file.' : ''}
      </p>
    </section>
  );
}
