'use client';
import { useState } from 'react';
import { correctedStart } from '@/core/journal/correctedStart';
import type { Session } from '@/core/journal/session';
import { wallSeconds, wallTime } from '@/core/practice/time/clockTime';
import { storageProblem } from '@/storage/problems';
import { correctStart } from '@/storage/sessions/sessions';
import { toastProblem } from '@/ui/toast/toast';

/** When a session began: as it was noted, or as the learner says, with what was noted beside it. */
export function BegunAt({ session, nowMs }: { session: Session; nowMs: number }) {
  const { id, startedAtMs, notedAtMs } = session;
  const [typed, setTyped] = useState<string>();
  const at = typed === undefined ? undefined : correctedStart(typed, notedAtMs ?? startedAtMs, nowMs);
  const write = (ms: number): void => {
    setTyped(undefined);
    correctStart(id, ms).catch((error: unknown) => toastProblem(storageProblem(error)));
  };
  return (
    <div className="mt-1 text-[15px] text-quiet">
      {notedAtMs !== undefined && (
        <p>
          The start was corrected: noted was {wallSeconds(notedAtMs)}.{' '}
          <button type="button" className="link-quiet py-1" onClick={() => write(notedAtMs)}>
            As it was noted
          </button>
        </p>
      )}
      {typed === undefined ? (
        <button type="button" className="link-quiet py-1" onClick={() => setTyped(wallTime(startedAtMs))}>
          It began at another time
        </button>
      ) : (
        <form
          className="flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (at !== undefined) write(at);
          }}
        >
          <label className="flex items-center gap-2">
            It began at
            <input
              className="input w-28"
              value={typed}
              placeholder="19:05"
              aria-invalid={at === undefined}
              aria-describedby={`${id}-start`}
              onChange={(event) => setTyped(event.target.value)}
            />
          </label>
          <button type="submit" className="btn-quiet btn min-h-11" disabled={at === undefined}>
            Correct it
          </button>
          <button type="button" className="btn-quiet btn min-h-11" onClick={() => setTyped(undefined)}>
            Leave it
          </button>
          <span id={`${id}-start`}>
            {at === undefined
              ? 'A time of day as 19:05, within twelve hours of what was noted and not in the future.'
              : ''}
          </span>
        </form>
      )}
    </div>
  );
}
