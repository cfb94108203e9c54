'use client';
import { inWholeSeconds } from '@/core/clock/account';
import { counted } from '@/core/words';
import { Link } from '@/ui/Link';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useRef } from 'react';
import { compareToPlan } from '@/core/journal/compare';
import type { Session } from '@/core/journal/session';
import { codeWordsOf } from '@/core/journal/sheetCode';
import { mainPieceWords } from '@/core/journal/mainPiece';
import { accountSession } from '@/core/journal/sessionAccount';
import { sameLearner } from '@/core/journal/whose';
import { clockDigits } from '@/core/practice/time/duration';
import { exerciseById } from '@/core/practice/exercises';
import { listSessions, loadSession } from '@/storage/sessions/sessions';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { useNow } from '@/ui/useNow';
import { AsItWent } from './AsItWent';
import { ContinueSession } from './ContinueSession';
import { FirstAndLast } from './FirstAndLast';
import { NoteField } from './NoteField';
import { PagePhotos } from './PagePhotos';
import { useSheetsAsPages } from './sheetsToPages';

const Reflect = dynamic(() => import('./Reflect').then((m) => m.Reflect));

/** The end of a session: what was made, the page, one line. */
export function After() {
  const id = useSearchParams().get('session') ?? '';
  const session = useStored(async () => (await loadSession(id)) ?? null, ['sessions'], [id]);
  if (session.problem) return <Notice>{session.problem}</Notice>;
  if (session.value === undefined) return <div className="h-40" aria-busy />;
  if (session.value === null)
    return (
      <Notice tone="plain">
        That session is not kept in this browser.{' '}
        <Link className="link-quiet" href="/journal">
          See the journal
        </Link>
      </Notice>
    );
  if (session.value.status === 'running')
    return (
      <Notice tone="plain">
        This session is still going on. Its pages are put away when it is over.{' '}
        <Link className="link-quiet" href="/run">
          Go on with it
        </Link>
      </Notice>
    );
  return <Made session={session.value} />;
}

function Made({ session }: { session: Session }) {
  const all = useStored(listSessions, ['sessions'], []);
  const sessions = useMemo(() => sameLearner(all.value ?? [], session), [all.value, session]);
  const nowMs = useNow(60_000);
  useSheetsAsPages(session);
  // The session's screen has gone, and the focus with it.
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (document.activeElement === document.body) heading.current?.focus({ preventScroll: true });
  }, []);
  const { drawings, drawingMs, linePages, linesMs, peeks } = inWholeSeconds(accountSession(session));
  const asides = [
    linePages > 0 && `${counted(linePages, 'page')} of lines, ${clockDigits(linesMs)} of it`,
    peeks > 0 && counted(peeks, 'peek'),
  ].filter((a) => a !== false);
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="text-[clamp(30px,4.6vw,52px)] leading-tight outline-none">
        <span className="digits">{drawings}</span> {drawings === 1 ? 'drawing' : 'drawings'},{' '}
        <span className="digits">{clockDigits(drawingMs)}</span> of drawing
      </h1>
      <p className="mt-2 font-serif text-[19px]">
        {asides.length > 0 && `${asides.join('; ')}. `}
        {compareToPlan(session)} {mainPieceWords(session)}
      </p>
      <div className="mt-6">
        <AsItWent session={session} />
      </div>
      <h2 className="mt-7 border-t border-hairline pt-5 text-[20px]">Put the page away</h2>
      <div className="mt-3">
        <PagePhotos sessionId={session.id} codeOf={(sheet) => codeWordsOf(sessions, session, sheet)} />
        <FirstAndLast session={session} />
      </div>
      <div className="mt-6">
        <NoteField key={session.id} sessionId={session.id} note={session.note} question={closingQuestion(session)} />
      </div>
      <div className="mt-6 flex flex-wrap gap-3">
        <Link href={`/journal?session=${session.id}`} className="btn max-sm:h-14">
          To the journal
        </Link>
        <ContinueSession session={session} />
        <Link href="/" className="btn-quiet btn max-sm:h-14">
          Once more
        </Link>
      </div>
      <h2 className="mt-7 border-t border-hairline pt-5 text-[20px]">What you saw</h2>
      <div>
        <Reflect session={session} sessions={sessions} nowMs={nowMs} />
      </div>
    </>
  );
}

/** Asked after the last exercise of the session. */
export function closingQuestion({ plan }: Session): string {
  const last = plan.blocks.findLast((b) => b.kind === 'poses');
  return last ? exerciseById(last.exercise, plan.exercises).closingQuestion : 'What will you try next time?';
}
