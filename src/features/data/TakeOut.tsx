'use client';
import { format } from 'date-fns';
import { Download } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { loadImage } from '@/storage/images';
import { readRecords } from '@/storage/everything';
import { callback, type Client, startArchiveWorker } from '@/workers/clients';
import type { ArchiveApi } from '@/workers/archive.worker';
import { download } from '@/ui/download';

/** Everything as one ZIP: JSON records and images. */
export function TakeOut() {
  const [progress, setProgress] = useState<{ done: number; total: number }>();
  const [told, setTold] = useState('');
  const worker = useRef<Client<ArchiveApi>>(undefined);
  useEffect(() => () => worker.current?.stop(), []);
  const take = async (): Promise<void> => {
    setTold('');
    try {
      const { records, imageKeys } = await readRecords();
      setProgress({ done: 0, total: Math.max(1, imageKeys.length) });
      const client = startArchiveWorker();
      worker.current = client;
      const zip = await client.api.write(
        records,
        imageKeys,
        Date.now(),
        callback(loadImage),
        callback((done: number) => setProgress({ done, total: imageKeys.length })),
      );
      download(zip, `fox-minute-${format(Date.now(), 'yyyy-MM-dd')}.zip`);
      setTold(`Taken out: ${(zip.size / 1e6).toFixed(1)} MB.`);
    } catch {
      setTold('The ZIP could not be made. Everything here is safe; try again.');
    }
    worker.current?.stop();
    worker.current = undefined;
    setProgress(undefined);
  };
  return (
    <section aria-labelledby="out-heading">
      <h2 id="out-heading" className="text-[20px]">
        Take everything out
      </h2>
      <p className="mt-1">One ZIP with your sessions, sets and settings as JSON and every image as it is.</p>
      <div className="mt-3 flex items-center gap-4">
        {progress ? (
          <>
            <progress className="progress w-[220px]" max={progress.total} value={progress.done} aria-label="Packing" />
            <button
              type="button"
              className="btn-quiet btn btn-sm"
              onClick={() => {
                worker.current?.stop();
                worker.current = undefined;
                setProgress(undefined);
                setTold('Cancelled. Nothing was changed.');
              }}
            >
              Cancel
            </button>
          </>
        ) : (
          <button type="button" className="btn" onClick={() => void take()}>
            <Download size={17} aria-hidden /> Take out as ZIP
          </button>
        )}
      </div>
      <p role="status" className="mt-1 min-h-[20px] text-quiet">
        {told}
      </p>
    </section>
  );
}
