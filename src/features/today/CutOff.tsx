'use client';
import { weekday } from '@/core/dateWords';
import { wallTime } from '@/core/practice/time/clockTime';
import { useRouter } from 'next/navigation';
import { toastProblem } from '@/ui/toast/toast';
import { runStateAt } from '@/core/clock/run';
import { planSpentMs } from '@/core/clock/sessionLeft';
import type { Session } from '@/core/journal/session';
import { clockDigits } from '@/core/practice/time/duration';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { expandPlan } from '@/core/practice/time/timeline';
import { storageProblem } from '@/storage/problems';
import { stopAndKeep } from '@/storage/sessions/startSession';
import { Ribbon } from '@/ui/ribbon/Ribbon';
import { unlockSound } from '@/ui/sound/cuePlayer';

/** A session that was cut off: go on where it was, or stop and keep it. */
export function CutOff({ session }: { session: Session }) {
  const router = useRouter();
  const { segments, totalMs } = expandPlan(session.plan);
  const state = runStateAt(session.plan, session.log, session.lastSeenMs);
  const spentMs = planSpentMs(segments, state);
  return (
    <section aria-label="Cut off">
      <h2 className="font-sans text-[15px] font-semibold">Still open</h2>
      <p className="mt-2">
        A session begun {weekday(session.startedAtMs)} at {wallTime(session.startedAtMs)} is waiting with{' '}
        {clockDigits(totalMs - spentMs)} to go.
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
          Go on
        </button>
        <button
          type="button"
          className="btn-quiet btn"
          onClick={() => {
            stopAndKeep(session).catch((error: unknown) => toastProblem(storageProblem(error)));
          }}
        >
          Stop and keep
        </button>
      </div>
    </section>
  );
}
