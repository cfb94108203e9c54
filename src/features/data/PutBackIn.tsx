'use client';
import { fullDate } from '@/core/dateWords';
import { Upload } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { ReadArchive } from '@/core/interchange/archive';
import { countRecords, KIND_WORDS, RECORD_KINDS } from '@/core/interchange/records';
import { counted, listWords, bytesWords } from '@/core/words';
import type { MergeCounts } from '@/core/interchange/merge';
import { putRecords, surveyMerge } from '@/storage/everything';
import { storageProblem } from '@/storage/problems';
import { callback, type Client, startArchiveWorker } from '@/workers/clients';
import type { ArchiveApi, Progress } from '@/workers/archive.worker';
import { Notice } from '@/ui/Notice';
import { ArchiveProgress } from './ArchiveProgress';

type Result = { tone: 'problem' | 'plain'; sentence: string };
const CANCELED: Result = { tone: 'plain', sentence: 'Canceled. Nothing of the ZIP was put in.' };
/** An archive that was read and checked, and how many of its records are here already. */
interface Surveyed {
  archive: ReadArchive;
  merge: MergeCounts;
}
/** Which version stays where both sides have one. */
type Prefer = 'here' | 'archive';

/** A ZIP taken out before, back in: what is in it is shown first. What is already here stays as it is. */
export function PutBackIn() {
  const chooser = useRef<HTMLInputElement>(null);
  const worker = useRef<Client<ArchiveApi>>(undefined);
  const [progress, setProgress] = useState<Progress>();
  const [surveyed, setSurveyed] = useState<Surveyed>();
  const putting = useRef<AbortController>(undefined);
  const [result, setResult] = useState<Result>();
  const end = (): void => {
    worker.current?.stop();
    worker.current = undefined;
    setProgress(undefined);
  };
  // What is being put in goes on when one leaves: it was asked for.
  useEffect(() => () => worker.current?.stop(), []);
  const read = async (file: File): Promise<void> => {
    setResult(undefined);
    setSurveyed(undefined);
    setProgress({ stage: 'reading', done: 0, total: 1 });
    const client = startArchiveWorker();
    worker.current = client;
    try {
      const answer = await client.api.read(
        file,
        callback((next: Progress) => setProgress(next)),
      );
      if (answer.ok) setSurveyed({ archive: answer.archive, merge: await surveyMerge(answer.archive.records) });
      else setResult({ tone: 'problem', sentence: answer.sentence });
    } catch (error) {
      setResult({ tone: 'problem', sentence: `${storageProblem(error)} Nothing of the ZIP was put in.` });
    }
    end();
  };
  const putBack = async ({ archive }: Surveyed, prefer: Prefer): Promise<void> => {
    const { signal } = (putting.current = new AbortController());
    setSurveyed(undefined);
    setProgress({ stage: 'putting', done: 0, total: archive.images.length });
    try {
      const { added, kept, replaced } = await putRecords(archive.records, archive.images, {
        signal,
        prefer,
        onImage: (done, total) => setProgress({ stage: 'putting', done, total }),
      });
      setResult({
        tone: 'plain',
        sentence: `${counted(added, 'record')} put back.${kept > 0 ? ` ${kept} were here already and stayed as they are.` : ''}${replaced > 0 ? ` ${counted(replaced, 'record')} here ${replaced === 1 ? 'was' : 'were'} replaced by the ZIP’s.` : ''}`,
      });
    } catch (error) {
      setResult(
        signal.aborted
          ? CANCELED
          : { tone: 'problem', sentence: `${storageProblem(error)} Nothing of the ZIP was put in.` },
      );
    }
    setProgress(undefined);
  };
  return (
    <section aria-labelledby="in-heading">
      <h2 id="in-heading" className="text-[20px]">
        Put it back in
      </h2>
      <p className="mt-1">
        A ZIP from Fox Minute, in this browser or another. You see what is in it first; what is already here is not
        touched.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        {progress ? (
          <ArchiveProgress
            progress={progress}
            onCancel={() => {
              if (progress.stage === 'putting') {
                putting.current?.abort();
                return;
              }
              end();
              setResult(CANCELED);
            }}
          />
        ) : (
          !surveyed && (
            <button type="button" className="btn" onClick={() => chooser.current?.click()}>
              <Upload size={17} aria-hidden /> Choose a ZIP
            </button>
          )
        )}
      </div>
      <input
        ref={chooser}
        type="file"
        accept=".zip,application/zip"
        hidden
        aria-label="Choose a ZIP"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = '';
          if (file) void read(file);
        }}
      />
      {surveyed && (
        <Survey
          {...surveyed}
          onPut={(prefer) => void putBack(surveyed, prefer)}
          onLeave={() => {
            setSurveyed(undefined);
            setResult({ tone: 'plain', sentence: 'Left as it was. Nothing of the ZIP was put in.' });
          }}
        />
      )}
      {result && (
        <div className="mt-3">
          <Notice tone={result.tone}>{result.sentence}</Notice>
        </div>
      )}
    </section>
  );
}

/** What an archive holds, before anything is touched. */
function Survey({
  archive: { exportedAtMs, records, imageBytes, told },
  merge: { same, different },
  onPut,
  onLeave,
}: Surveyed & { onPut: (prefer: Prefer) => void; onLeave: () => void }) {
  const [prefer, setPrefer] = useState<Prefer>('here');
  const differing = RECORD_KINDS.flatMap((kind) => {
    const n = different[kind] ?? 0;
    return n > 0 ? [counted(n, KIND_WORDS[kind])] : [];
  });
  const here = same + Object.values(different).reduce((sum, n) => sum + n, 0);
  const kinds = RECORD_KINDS.filter((kind) => records[kind].length > 0);
  return (
    <div className="mt-3 border border-rule bg-sheet p-4" role="group" aria-label="What is in the ZIP">
      <p>
        Taken out on {fullDate(exportedAtMs)}, whole:{' '}
        {countRecords(records) === 0
          ? 'no records.'
          : `${listWords(kinds.map((kind) => counted(records[kind].length, KIND_WORDS[kind])))}, ${bytesWords(imageBytes)} of images.`}
        {here > 0 &&
          ` ${String(here)} of these are here already${prefer === 'here' ? ' and will stay as they are' : ''}.`}
      </p>
      {differing.length > 0 && (
        <fieldset className="mt-2">
          <legend>
            {listWords(differing)} {here - same === 1 ? 'differs' : 'differ'} from what you have here. Which version do
            you want?
          </legend>
          {(
            [
              ['here', 'Keep what is here'],
              ['archive', 'Use the version in the ZIP'],
            ] as const
          ).map(([value, words]) => (
            <label key={value} className="mr-5 inline-flex min-h-9 items-center gap-2">
              <input
                type="radio"
                name="prefer"
                className="radio radio-sm"
                checked={prefer === value}
                onChange={() => setPrefer(value)}
              />
              {words}
            </label>
          ))}
        </fieldset>
      )}
      {told.length > 0 && (
        <ul className="mt-2 max-h-[160px] list-disc overflow-auto pl-5 wrap-anywhere">
          {told.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </ul>
      )}
      <div className="mt-3 flex gap-3">
        <button type="button" className="btn" onClick={() => onPut(prefer)}>
          Put it in
        </button>
        <button type="button" className="btn-quiet btn" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </div>
  );
}
