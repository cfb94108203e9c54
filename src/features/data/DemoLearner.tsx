'use client';
import { useState } from 'react';
import { toast, toastProblem } from '@/ui/toast/toast';
import { DEMO_LEARNER } from '@/core/demoLearner';
import { storageProblem } from '@/storage/problems';
import { addDemoLearner, countDemoSessions, removeDemoLearner } from '@/storage/seed';
import { useStored } from '@/storage/hooks/useStored';

/** The made-up sessions that a first visit shows: away with them to begin one's own journal, or back for a look. */
export function DemoLearner() {
  const count = useStored(countDemoSessions, ['sessions'], []);
  const [busy, setBusy] = useState(false);
  const change = (job: Promise<void>, told: string): void => {
    setBusy(true);
    job
      .then(
        () => toast(told),
        (error: unknown) => toastProblem(storageProblem(error)),
      )
      .finally(() => setBusy(false));
  };
  return (
    <section aria-labelledby="demo-heading">
      <h2 id="demo-heading" className="text-[20px]">
        The demo learner
      </h2>
      <p className="mt-1">
        {DEMO_LEARNER} is made up, with twelve weeks of sessions, so that there is something to look at. With your first
        own session she steps back by herself; nothing of hers ever counts as yours.
      </p>
      {count.value ? (
        <button
          type="button"
          className="btn-quiet btn mt-3"
          disabled={busy}
          onClick={() => change(removeDemoLearner(), 'The demo sessions are gone. The journal is yours.')}
        >
          Take the demo sessions away
        </button>
      ) : (
        <button
          type="button"
          className="btn-quiet btn mt-3"
          disabled={busy}
          onClick={() => change(addDemoLearner(Date.now()), 'The demo sessions are in the journal.')}
        >
          Put the demo sessions in
        </button>
      )}
    </section>
  );
}
