'use client';
import { lightFormat } from 'date-fns';
import { bytesWords } from '@/core/words';
import { Download } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { loadImage } from '@/storage/images';
import { readRecords } from '@/storage/everything';
import { callback, type Client, startArchiveWorker } from '@/workers/clients';
import type { ArchiveApi, Progress } from '@/workers/archive.worker';
import { download } from '@/ui/download';
import { ArchiveProgress } from './ArchiveProgress';

/** Everything as one ZIP: JSON records and images. */
export function TakeOut() {
  const [progress, setProgress] = useState<Progress>();
  const [told, setTold] = useState('');
  const worker = useRef<Client<ArchiveApi>>(undefined);
  const end = (): void => {
    worker.current?.stop();
    worker.current = undefined;
    setProgress(undefined);
  };
  useEffect(() => () => worker.current?.stop(), []);
  const take = async (): Promise<void> => {
    setTold('');
    setProgress({ stage: 'writing', done: 0, total: 1 });
    try {
      const { records, imageKeys } = await readRecords();
      const client = startArchiveWorker();
      worker.current = client;
      const zip = await client.api.write(
        records,
        imageKeys,
        Date.now(),
        callback(loadImage),
        callback((next: Progress) => setProgress(next)),
      );
      download(zip, `fox-minute-${lightFormat(Date.now(), 'yyyy-MM-dd')}.zip`);
      setTold(`Taken out: ${bytesWords(zip.size)}, read back and found whole.`);
    } catch {
      setTold(
        'The ZIP could not be made whole. Everything here is safe; free some space on this machine and try again.',
      );
    }
    end();
  };
  return (
    <section aria-labelledby="out-heading">
      <h2 id="out-heading" className="text-[20px]">
        Take everything out
      </h2>
      <p className="mt-1">
        One ZIP with your sessions, sets and settings as JSON and every image as it is, each with its checksum.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        {progress ? (
          <ArchiveProgress
            progress={progress}
            onCancel={() => {
              end();
              setTold('Canceled. Nothing was changed.');
            }}
          />
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
