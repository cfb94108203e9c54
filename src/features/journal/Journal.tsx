'use client';
import { inWholeSeconds } from '@/core/clock/account';
import { counted } from '@/core/words';
import { shortDate, weekdayAndDay } from '@/core/dateWords';
import { Link } from '@/ui/Link';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { useMemo } from 'react';
import { actualRibbon } from '@/core/clock/ribbon';
import { compareToPlan } from '@/core/journal/compare';
import { countFixes } from '@/core/journal/fixes';
import { focalKept } from '@/core/journal/focal';
import type { Session } from '@/core/journal/session';
import { codeWordsOf, sessionNumber } from '@/core/journal/sheetCode';
import { causeWords } from '@/core/journal/causeWords';
import { mainPieceWords } from '@/core/journal/mainPiece';
import { accountSession } from '@/core/journal/sessionAccount';
import { lookedAt } from '@/core/journal/whose';
import { DEMO_LEARNER, isDemoSession } from '@/core/demoLearner';
import { clockDigits } from '@/core/practice/time/duration';
import { allPages } from '@/storage/sessions/pages';
import { demoPagesOnce } from '@/storage/demoPages';
import { seedOnFirstVisit } from '@/storage/seed';
import { listSessions } from '@/storage/sessions/sessions';
import { useStored } from '@/storage/hooks/useStored';
import { wallTime } from '@/core/practice/time/clockTime';
import { Notice } from '@/ui/Notice';
import { Ribbon } from '@/ui/ribbon/Ribbon';
import { useNow } from '@/ui/useNow';
import { closingQuestion } from './After';
import { AsItWent } from './AsItWent';
import { DrawnRow } from './DrawnRow';
import { FindSheet } from './FindSheet';
import { ContinueSession } from './ContinueSession';
import { FirstAndLast } from './FirstAndLast';
import { LoosePages } from './LoosePages';
import { NoteField } from './NoteField';
import { BegunAt } from './BegunAt';
import { PagePhotos } from './PagePhotos';
import { useSheetsAsPages } from './sheetsToPages';
import { TimeSums } from './TimeSums';

const Reflect = dynamic(() => import('./Reflect').then((m) => m.Reflect));

export function Journal() {
  const asked = useSearchParams();
  const wanted = asked.get('session');
  const ofDemo = asked.get('of') === 'demo' || isDemoSession(wanted ?? '');
  const sessions = useStored(
    async () => {
      await seedOnFirstVisit(Date.now());
      const all = await listSessions();
      const kept = all.filter((s) => s.status === 'kept');
      if (kept.some(({ id }) => isDemoSession(id))) demoPagesOnce();
      return { all, kept };
    },
    ['sessions'],
    [],
  );
  if (sessions.problem) return <Notice>{sessions.problem}</Notice>;
  if (!sessions.value) return <div className="h-60" aria-busy />;
  const { all, kept } = sessions.value;
  const demo = kept.filter((s) => isDemoSession(s.id));
  const { sessions: shown, of } = ofDemo && demo.length > 0 ? { sessions: demo, of: DEMO_LEARNER } : lookedAt(kept);
  if (shown.length === 0)
    return (
      <>
        <h1 className="text-[30px]">Nothing in the journal yet</h1>
        <p className="mt-2">
          Every session lands here by itself, however short.{' '}
          <Link className="link-quiet" href="/">
            Begin one on Today
          </Link>
        </p>
        <LoosePages />
      </>
    );
  const index = Math.max(
    0,
    shown.findIndex((s) => s.id === wanted),
  );
  const missing = wanted !== null && shown.every((s) => s.id !== wanted);
  return (
    <>
      {missing && <Notice tone="plain">That session is not kept in this browser. Here is the last one.</Notice>}
      <SessionEntry sessions={shown} index={index} all={all} />
      <Earlier sessions={shown} current={shown[index].id} of={of} all={all} />
      {!of && <LoosePages />}
      {!of && demo.length > 0 && (
        <p className="mt-6 text-quiet">
          {DEMO_LEARNER}’s made-up sessions stand back now that you have your own.{' '}
          <Link className="link-quiet" href="/journal?of=demo">
            Look at hers
          </Link>
        </p>
      )}
    </>
  );
}

/** All sessions there are, also one that still runs: they are numbered together. */
interface Numbered {
  all: readonly Session[];
}

function SessionEntry({ sessions, index, all }: { sessions: readonly Session[]; index: number } & Numbered) {
  const session = sessions[index];
  const older = sessions.at(index + 1);
  const newer = index > 0 ? sessions[index - 1] : undefined;
  const { drawings } = accountSession(session);
  const number = sessionNumber(all, session.id);
  const nowMs = useNow(60_000);
  useSheetsAsPages(session);
  return (
    <article aria-label="Session">
      <div className="flex flex-wrap items-baseline justify-between gap-x-8 gap-y-1">
        <h1 className="text-[30px]">{weekdayAndDay(session.startedAtMs)}</h1>
        <nav aria-label="Sessions" className="flex gap-6">
          {older && (
            <Link className="link-quiet" href={`/journal?session=${older.id}`}>
              The one before
            </Link>
          )}
          {newer && (
            <Link className="link-quiet" href={`/journal?session=${newer.id}`}>
              The one after
            </Link>
          )}
        </nav>
      </div>
      <p className="font-serif text-[19px]">
        {number && `Session ${String(number)}: `}
        {counted(drawings, 'drawing')}, begun at {wallTime(session.startedAtMs)}. {compareToPlan(session)}
      </p>
      {mainPieceWords(session) && <p className="mt-1">{mainPieceWords(session)}</p>}
      <BegunAt key={`begun ${session.id}`} session={session} nowMs={nowMs} />
      {causeWords(session.plan) && <p className="mt-1">{causeWords(session.plan)}</p>}
      <div className="mt-3 empty:hidden">
        <ContinueSession key={session.id} session={session} />
      </div>
      <div className="mt-5">
        <AsItWent session={session} />
      </div>
      <div className="mt-4 border-y border-hairline py-4">
        <TimeSums session={session} />
      </div>
      <DrawnRow session={session} />
      <div className="mt-5 grid gap-x-10 gap-y-6 lg:grid-cols-[auto_minmax(260px,1fr)]">
        <PagePhotos sessionId={session.id} codeOf={(sheet) => codeWordsOf(all, session, sheet)} />
        <NoteField key={session.id} sessionId={session.id} note={session.note} question={closingQuestion(session)} />
      </div>
      <FirstAndLast session={session} />
      <details key={session.id} className="mt-5">
        <summary className="cursor-pointer py-1 font-serif text-[18px]">What you saw</summary>
        <Reflect session={session} sessions={sessions} nowMs={nowMs} />
      </details>
    </article>
  );
}

function Earlier({
  sessions,
  current,
  of,
  all,
}: {
  sessions: readonly Session[];
  current: string;
  /** Whose they are, where they are not the learner's. */
  of: string | undefined;
} & Numbered) {
  return (
    <section aria-label="All sessions" className="mt-8">
      <div className="flex flex-wrap items-baseline justify-between gap-x-8 border-t border-ink pt-4">
        <h2 className="text-[20px]">
          {counted(sessions.length, 'session')}
          {of && ` of ${of}’s`}
        </h2>
      </div>
      <MarkedToFix />
      <FocalKept sessions={sessions} />
      {!of && <FindSheet sessions={all} />}
      <ul className="mt-2">
        {sessions.map((session) => (
          <EarlierRow key={session.id} session={session} current={session.id === current} />
        ))}
      </ul>
    </section>
  );
}

/** In how many drawings the eye still went where it was to go. */
function FocalKept({ sessions }: { sessions: readonly Session[] }) {
  const { kept, of } = useMemo(() => focalKept(sessions), [sessions]);
  if (of === 0) return null;
  return (
    <p className="mt-1">
      The focal area stayed in {kept} of the {counted(of, 'drawing')} it was chosen for.
    </p>
  );
}

const MONTH_MS = 30 * 24 * 3600_000;

/** What was marked on the pages of the last month, by part of the figure. */
function MarkedToFix() {
  const pages = useStored(allPages, ['pages'], []);
  const nowMs = useNow(3600_000);
  const counts = countFixes(pages.value ?? [], nowMs - MONTH_MS);
  if (counts.length === 0) return null;
  return (
    <p className="mt-1">
      Marked to fix in the last 30 days: {counts.map(([part, count]) => `${part} ${String(count)}`).join(', ')}.
    </p>
  );
}

function EarlierRow({ session, current }: { session: Session; current: boolean }) {
  const blocks = useMemo(() => actualRibbon(session.plan, session.log, session.lastSeenMs), [session]);
  const { drawings, drawingMs } = inWholeSeconds(accountSession(session));
  return (
    <li className="border-b border-hairline [contain-intrinsic-size:56px] [content-visibility:auto]">
      <Link
        href={`/journal?session=${session.id}`}
        aria-current={current ? 'true' : undefined}
        className={`grid grid-cols-[150px_120px_200px_1fr] items-center gap-x-5 px-2 py-2 max-lg:grid-cols-[1fr_auto] max-lg:gap-y-1 ${current ? 'bg-sheet font-semibold' : 'hover:bg-sheet'}`}
      >
        <span>{shortDate(session.startedAtMs)}</span>
        <span className="font-normal text-quiet tabular-nums">
          {drawings} in {clockDigits(drawingMs)}
        </span>
        <span className="block max-lg:col-span-2">
          <Ribbon blocks={blocks} size="card" label={blocks.map((b) => b.label).join(', ')} />
        </span>
        <span className="truncate font-serif font-normal italic max-lg:col-span-2" title={session.note}>
          {session.note}
        </span>
      </Link>
    </li>
  );
}
