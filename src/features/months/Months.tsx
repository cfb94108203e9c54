'use client';
import { CalendarDays, Download, Printer } from 'lucide-react';
import dynamic from 'next/dynamic';
import { Link } from '@/ui/Link';
import { piecesCsv } from '@/core/growing/csv';
import { lifetimeWords } from '@/core/growing/lifetime';
import { type Piece, piecesOf } from '@/core/growing/pieces';
import { NO_PROMISE, type WeekPromise } from '@/core/growing/promise';
import { weeksOf } from '@/core/growing/weeks';
import { type WholeAnswer, wholeAnswers } from '@/core/growing/workingTime';
import type { Session } from '@/core/journal/session';
import { lookedAt } from '@/core/journal/whose';
import { factsOf } from '@/storage/references/choices';
import { seedOnFirstVisit } from '@/storage/seed';
import { listSessions } from '@/storage/sessions/sessions';
import { loadPromise } from '@/storage/sessions/promise';
import { useStored } from '@/storage/hooks/useStored';
import { download } from '@/ui/download';
import { Notice } from '@/ui/Notice';
import { useNow } from '@/ui/useNow';
import { CountedRows } from './CountedRows';
import { PromiseFields } from './PromiseFields';
import { WeekColumns } from './WeekColumns';

const WorkingTimes = dynamic(() => import('./WorkingTimes').then((m) => m.WorkingTimes));
// Only who has sessions of their own has plans on weekdays.
const PlannedDays = dynamic(() => import('./PlannedDays').then((m) => m.PlannedDays), { ssr: false });

interface Kept {
  /** Whose they are, where they are not the learner's. */
  of: string | undefined;
  sessions: Session[];
  pieces: Piece[];
  /** What was said of whole figures, by exercise. */
  answers: ReadonlyMap<string, { name: string; answers: WholeAnswer[] }>;
  /** Pose family of a reference drawn from, where it is known. */
  familyOf: (referenceId: string) => string | undefined;
}
async function load(): Promise<Kept> {
  await seedOnFirstVisit(Date.now());
  const { sessions, of } = lookedAt((await listSessions()).filter(({ status }) => status === 'kept'));
  const pieces = sessions.flatMap(piecesOf);
  const references = [...new Set(pieces.flatMap(({ referenceId }) => referenceId ?? []))];
  const families = new Map((await factsOf(references)).map(({ id, family }) => [id, family]));
  return { of, sessions, pieces, answers: wholeAnswers(pieces), familyOf: (id) => families.get(id) };
}

/** Everything drawn, over weeks and months: plain facts, added up. */
export function Months() {
  const kept = useStored(load, ['sessions', 'pictures'], []);
  const promise = useStored(loadPromise, ['settings'], []);
  const problem = kept.problem ?? promise.problem;
  if (problem) return <Notice>{problem}</Notice>;
  if (!kept.value || !promise.value) return <div className="h-60" aria-busy />;
  if (kept.value.sessions.length === 0)
    return (
      <>
        <h1 className="text-[30px]">Nothing drawn yet</h1>
        <p className="mt-2">
          Weeks and months are added up here from your sessions.{' '}
          <Link className="link-quiet" href="/">
            Begin one on Today
          </Link>
        </p>
      </>
    );
  return <Counted {...kept.value} promise={promise.value} />;
}

function Counted({ of, sessions, pieces, answers, familyOf, promise }: Kept & { promise: WeekPromise }) {
  const nowMs = useNow(60_000);
  return (
    <>
      <h1 className="text-[30px]">{of ? `All that ${of} has drawn` : 'All you have drawn'}</h1>
      <p className="mt-1 font-serif text-[19px]">{lifetimeWords(pieces, sessions)}</p>
      <section aria-labelledby="weeks" className="mt-6 border-t border-ink pt-4">
        <h2 id="weeks" className="text-[20px]">
          Weeks
        </h2>
        <div className="flex flex-wrap items-start justify-between gap-x-10 gap-y-3">
          <WeekColumns weeks={weeksOf(pieces, nowMs)} promise={of ? NO_PROMISE : promise} nowMs={nowMs} />
          <PromiseFields promise={promise} />
        </div>
        {!of && <PlannedDays sessions={sessions} nowMs={nowMs} />}
      </section>
      <section aria-labelledby="working" className="mt-6 border-t border-ink pt-4">
        <h2 id="working" className="text-[20px]">
          Working time
        </h2>
        <WorkingTimes byExercise={answers} of={of} />
      </section>
      <section aria-labelledby="counted" className="mt-6 border-t border-ink pt-4">
        <CountedRows pieces={pieces} familyOf={familyOf} />
      </section>
      <div className="no-print mt-6 flex flex-wrap gap-3">
        <button
          type="button"
          className="btn-quiet btn max-sm:h-14"
          onClick={() =>
            download(new Blob([piecesCsv(pieces, familyOf)], { type: 'text/csv' }), 'fox-minute drawings.csv')
          }
        >
          <Download size={17} aria-hidden /> Take it out as a table (CSV)
        </button>
        <button type="button" className="btn-quiet btn max-sm:h-14" onClick={() => print()}>
          <Printer size={17} aria-hidden /> Print
        </button>
        <Link className="btn-quiet btn max-sm:h-14" href={'/journal/month'}>
          <CalendarDays size={17} aria-hidden /> A month on one page
        </Link>
      </div>
    </>
  );
}
