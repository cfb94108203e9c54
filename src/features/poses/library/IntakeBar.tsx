'use client';
import { toastProblem } from '@/ui/toast/toast';
import { problemSentence } from '@/core/references/imageFile';
import type { Batch } from '@/storage/stores';
import { batchReport, cancelBatch, changeBatch } from '@/storage/pictures/intake/batches';
import { storageProblem } from '@/storage/problems';
import { counted } from '@/core/words';
import { download } from '@/ui/download';
import { Notice } from '@/ui/Notice';
import { BatchRights } from './BatchRights';
import type { Unpacking } from './useIntake';

/** Told one by one; the saved report has all. */
const SHOWN = 60;

const run = (work: Promise<void>): void => {
  work.catch((error: unknown) => toastProblem(storageProblem(error)));
};

/** What is being taken in, or what became of it. */
export function IntakeBar({ batch, onGoOn }: { batch: Batch; onGoOn: () => void }) {
  return batch.state === 'running' || batch.state === 'paused' ? (
    <Progress batch={batch} onGoOn={onGoOn} />
  ) : (
    <Report batch={batch} />
  );
}

/** A ZIP that is being unpacked: before anything of it is kept. */
export function UnpackingBar({ unpacking: { name, files, cancel } }: { unpacking: Unpacking }) {
  return (
    <div className="mb-4 flex flex-wrap items-center gap-4 border border-rule bg-sheet px-4 py-3">
      <p role="status" className="min-w-[220px] flex-1 wrap-anywhere">
        Unpacking “<bdi>{name}</bdi>”{files > 0 && `: ${counted(files, 'file')} so far`}
      </p>
      <button type="button" className="btn-quiet btn btn-sm" onClick={cancel}>
        Cancel
      </button>
    </div>
  );
}

function Progress({ batch: { id, done, total, added, state }, onGoOn }: { batch: Batch; onGoOn: () => void }) {
  const paused = state === 'paused';
  return (
    <div className="mb-4 flex flex-wrap items-center gap-4 border border-rule bg-sheet px-4 py-3">
      <p role="status" className="min-w-[220px]">
        {done} of {total} looked at, {added} added{paused ? '; paused' : ''}
      </p>
      <progress className="progress flex-1" max={total} value={done} aria-label="Adding pictures" />
      <button
        type="button"
        className="btn-quiet btn btn-sm"
        onClick={() => {
          run(changeBatch(id, () => ({ state: paused ? 'running' : 'paused' })).then(onGoOn));
        }}
      >
        {paused ? 'Go on' : 'Pause'}
      </button>
      <button type="button" className="btn-quiet btn btn-sm" onClick={() => run(cancelBatch(id))}>
        Cancel
      </button>
    </div>
  );
}

function Report({ batch }: { batch: Batch }) {
  const { id, added, state, problems, notes } = batch;
  const bad = problems.filter(({ problem }) => problem.kind !== 'already there');
  const sentences = [...problems.map(({ name, problem }) => problemSentence(name, problem)), ...notes];
  return (
    <div className="mb-4">
      <Notice tone={bad.length > 0 ? 'problem' : 'plain'}>
        <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
          <div className="min-w-0 flex-1 basis-[320px]">
            <p className="font-semibold">
              {added === 0 ? 'No picture was added.' : `${counted(added, 'picture')} added.`}
              {state === 'canceled' && ' You canceled the rest; what was added stays.'}
            </p>
            {sentences.length > 0 && (
              <ul className="mt-1 max-h-[150px] list-disc overflow-auto pl-5 wrap-anywhere">
                {sentences.slice(0, SHOWN).map((sentence, i) => (
                  <li key={i}>{sentence}</li>
                ))}
                {sentences.length > SHOWN && <li>{sentences.length - SHOWN} more in the report.</li>}
              </ul>
            )}
            {added > 0 && <BatchRights batch={batch} />}
          </div>
          <div className="flex gap-2">
            {sentences.length > 0 && (
              <button
                type="button"
                className="btn-quiet btn btn-sm"
                onClick={() =>
                  download(new Blob([batchReport(batch)], { type: 'text/plain' }), 'fox-minute-pictures-report.txt')
                }
              >
                Save the report
              </button>
            )}
            <button
              type="button"
              className="btn-quiet btn btn-sm"
              onClick={() => run(changeBatch(id, () => ({ seen: true })))}
            >
              Good
            </button>
          </div>
        </div>
      </Notice>
    </div>
  );
}
