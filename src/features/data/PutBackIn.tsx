'use client';
import { counted } from '@/core/words';
import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { putRecords } from '@/storage/everything';
import { storageProblem } from '@/storage/problems';
import { startArchiveWorker } from '@/workers/clients';
import { Notice } from '@/ui/Notice';

/** A ZIP taken out before, back in. What is already here stays as it is. */
export function PutBackIn() {
  const chooser = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [result, setResult] = useState<{ tone: 'problem' | 'plain'; sentence: string }>();
  const putBack = async (file: File): Promise<void> => {
    setBusy(true);
    setResult(undefined);
    const worker = startArchiveWorker();
    try {
      const read = await worker.api.read(file);
      if (read.ok) {
        const { added, kept } = await putRecords(read.records, read.images);
        setResult({
          tone: 'plain',
          sentence: `${counted(added, 'record')} put back.${kept > 0 ? ` ${kept} were here already and stayed as they are.` : ''}`,
        });
      } else setResult({ tone: 'problem', sentence: read.sentence });
    } catch (error) {
      setResult({ tone: 'problem', sentence: `${storageProblem(error)} Nothing of the ZIP was put in.` });
    }
    worker.stop();
    setBusy(false);
  };
  return (
    <section aria-labelledby="in-heading">
      <h2 id="in-heading" className="text-[20px]">
        Put it back in
      </h2>
      <p className="mt-1">A ZIP from Fox Minute, in this browser or another. What is already here is not touched.</p>
      <button type="button" className="btn mt-3" disabled={busy} onClick={() => chooser.current?.click()}>
        <Upload size={17} aria-hidden /> {busy ? 'Reading the ZIP' : 'Choose a ZIP'}
      </button>
      <input
        ref={chooser}
        type="file"
        accept=".zip,application/zip"
        hidden
        aria-label="Choose a ZIP"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = '';
          if (file) void putBack(file);
        }}
      />
      {result && (
        <div className="mt-3">
          <Notice tone={result.tone}>{result.sentence}</Notice>
        </div>
      )}
    </section>
  );
}
