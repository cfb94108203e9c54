'use client';
import { weekday } from '@/core/dateWords';
import { wallTime } from '@/core/practice/time/clockTime';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { runStateAt } from '@/core/clock/run';
import { planSpentMs } from '@/core/clock/sessionLeft';
import type { Session } from '@/core/journal/session';
import { clockDigits } from '@/core/practice/time/duration';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { expandPlan } from '@/core/practice/time/timeline';
import { storageProblem } from '@/storage/problems';
import { isSessionRunning } from '@/storage/sessions/runLock';
import { stopAndKeep } from '@/storage/sessions/startSession';
import { Ribbon } from '@/ui/ribbon/Ribbon';
import { unlockSound } from '@/ui/sound/cuePlayer';

/** A tab that runs a session, or has just left it, is asked for this often. */
const ASK_EVERY_MS = 500;

/** Whether another tab runs a session now. */
function useElsewhere(): boolean {
  const [elsewhere, setElsewhere] = useState(false);
  useEffect(() => {
    const ask = (): void => {
      isSessionRunning().then(setElsewhere, () => setElsewhere(false));
    };
    ask();
    const handle = setInterval(ask, ASK_EVERY_MS);
    return () => clearInterval(handle);
  }, []);
  return elsewhere;
}

/** A session that was cut off: continue where it was, or stop and keep it. One that runs in another tab can only be opened there or taken over. */
export function CutOff({ session }: { session: Session }) {
  const router = useRouter();
  const { segments, totalMs } = expandPlan(session.plan);
  const elsewhere = useElsewhere();
  const state = runStateAt(session.plan, session.log, session.lastSeenMs);
  const spentMs = planSpentMs(segments, state);
  return (
    <section aria-label="Cut off">
      <h2 className="font-sans text-[15px] font-semibold">{elsewhere ? 'Running in another tab' : 'Still open'}</h2>
      <p className="mt-2">
        {elsewhere ? 'The session you started' : 'A session you started'} {weekday(session.startedAtMs)} at{' '}
        {wallTime(session.startedAtMs)}{' '}
        {elsewhere
          ? 'is running in another tab or window.'
          : `is waiting with ${clockDigits(totalMs - spentMs)} to go.`}
      </p>
      <div className="mt-2">
        <Ribbon blocks={plannedRibbon(session.plan)} size="card" label="How far it went" playheadMs={spentMs} />
      </div>
      <div className="mt-3 flex gap-3">
        <button
          type="button"
          className="btn"
          onClick={() => {
            unlockSound();
            router.push('/run');
          }}
        >
          {elsewhere ? 'Open it here' : 'Go on'}
        </button>
        {!elsewhere && (
          <button
            type="button"
            className="btn-quiet btn"
            onClick={() => {
              stopAndKeep(session).catch((error: unknown) => toastProblem(storageProblem(error)));
            }}
          >
            Stop and keep
          </button>
        )}
      </div>
    </section>
  );
}
