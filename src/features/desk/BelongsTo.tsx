'use client';
import type { Route } from 'next';
import { useRouter } from 'next/navigation';
import { fullDate } from '@/core/dateWords';
import { wallTime } from '@/core/practice/time/clockTime';
import { NO_SESSION, type Page } from '@/core/journal/session';
import { isDemoSession } from '@/core/demoLearner';
import { storageProblem } from '@/storage/problems';
import { useStored } from '@/storage/hooks/useStored';
import { movePage } from '@/storage/sessions/pages';
import { listSessions } from '@/storage/sessions/sessions';
import { toastProblem } from '@/ui/toast/toast';

/** Which session a page belongs to, or that it belongs to none. */
export function BelongsTo({ page }: { page: Page }) {
  const router = useRouter();
  const sessions = useStored(listSessions, ['sessions'], []);
  const own = (sessions.value ?? []).filter(({ id }) => !isDemoSession(id));
  if (own.length === 0 || isDemoSession(page.sessionId)) return null;
  return (
    <label className="flex flex-wrap items-center gap-2 text-[14px]">
      Of the session of
      <select
        className="select w-auto max-w-full select-sm max-sm:h-12"
        value={page.sessionId}
        onChange={(event) => {
          const to = event.target.value;
          movePage(page.id, to).then(
            () =>
              router.replace(`/desk?session=${encodeURIComponent(to)}&page=${encodeURIComponent(page.id)}` as Route),
            (error: unknown) => toastProblem(storageProblem(error)),
          );
        }}
      >
        <option value={NO_SESSION}>none</option>
        {own.map((session) => (
          <option key={session.id} value={session.id}>
            {fullDate(session.startedAtMs)}, {wallTime(session.startedAtMs)}
          </option>
        ))}
      </select>
    </label>
  );
}
