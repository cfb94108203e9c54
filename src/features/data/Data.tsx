'use client';
import { useState } from 'react';
import { toast } from 'sonner';
import { addDemoLearner } from '@/storage/seed';
import { DEMO_LEARNER } from '@/core/demo';
import { readRecords } from '@/storage/everything';
import { storageProblem } from '@/storage/problems';
import { useStored } from '@/storage/useStored';
import { Notice } from '@/ui/Notice';
import { CueVolume } from './CueVolume';
import { PutBackIn } from './PutBackIn';
import { TakeOut } from './TakeOut';
import { WipeAll } from './WipeAll';

async function whatIsKept(): Promise<{
  sessions: number;
  pages: number;
  sets: number;
  pictures: number;
  bytes: number | undefined;
}> {
  const { records } = await readRecords();
  const estimate = await navigator.storage?.estimate?.().catch(() => undefined);
  return {
    sessions: records.sessions.length,
    pages: records.pages.length,
    sets: records.sets.length,
    pictures: records.pictures.length,
    bytes: estimate?.usage,
  };
}

/** Everything kept in this browser: what it is, out of it, back into it, away with it. */
export function Data() {
  const kept = useStored(whatIsKept, ['sessions', 'pages', 'sets', 'pictures'], []);
  const [adding, setAdding] = useState(false);
  const counts = kept.value;
  const empty = counts && counts.sessions + counts.pages + counts.sets + counts.pictures === 0;
  return (
    <>
      <h1 className="text-[30px]">Your data is yours</h1>
      <p className="mt-1 max-w-[70ch]">
        Everything is kept in this browser and nowhere else.{' '}
        {counts &&
          (empty
            ? 'Right now that is nothing.'
            : `Right now: ${counts.sessions} sessions, ${counts.pages} pages, ${counts.pictures} pictures in ${counts.sets} sets of your own${
                counts.bytes === undefined ? '' : `, ${(counts.bytes / 1e6).toFixed(1)} MB`
              }.`)}
      </p>
      {kept.problem && <Notice>{kept.problem}</Notice>}
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <TakeOut />
        <PutBackIn />
        <WipeAll />
        <section aria-labelledby="demo-heading">
          <h2 id="demo-heading" className="text-[20px]">
            The demo learner
          </h2>
          <p className="mt-1">
            {DEMO_LEARNER} is made up, with twelve weeks of sessions, so that there is something to look at.
          </p>
          <button
            type="button"
            className="btn-quiet btn mt-3"
            disabled={adding}
            onClick={() => {
              setAdding(true);
              addDemoLearner(Date.now())
                .then(
                  () => toast('The demo sessions are in the journal.'),
                  (error: unknown) => toast.error(storageProblem(error)),
                )
                .finally(() => setAdding(false));
            }}
          >
            Put the demo sessions in
          </button>
        </section>
        <CueVolume />
      </div>
    </>
  );
}
