'use client';
import { inWholeSeconds } from '@/core/clock/account';
import { counted } from '@/core/words';
import { weekdayAndDay } from '@/core/dateWords';
import Link from 'next/link';
import { clockDigits } from '@/core/practice/time/duration';
import { nextTimeNote } from '@/core/journal/reflect';
import type { Session } from '@/core/journal/session';
import { accountSession } from '@/core/journal/sessionAccount';
import type { Whose } from '@/core/journal/whose';

/** The last session in a sentence, with its note. */
export function LastTime({ whose }: { whose: Whose | undefined }) {
  if (!whose) return <section aria-label="Last time" />;
  const { sessions, of } = whose;
  const last = sessions.at(0);
  const wanted = nextTimeNote(sessions);
  return (
    <section aria-label="Last time">
      <h2 className="font-sans text-[15px] font-semibold">{of ? `${of}’s last time` : 'Last time'}</h2>
      {last ? (
        <>
          <p className="mt-2">
            {weekdayAndDay(last.startedAtMs)}: {describe(last)}
          </p>
          {wanted && (
            <p className="mt-1 font-serif text-[17px]">
              <b className="font-semibold">Next time:</b> {wanted}
            </p>
          )}
          {last.note && <p className="mt-1 font-serif text-[17px] italic">“{last.note}”</p>}
          <Link href={`/journal?session=${last.id}`} className="link-quiet mt-2 inline-block">
            Look back at it
          </Link>
        </>
      ) : (
        <p className="mt-2 text-quiet">No session yet. The first one can be a minute long.</p>
      )}
    </section>
  );
}

function describe(session: Session): string {
  const { drawings, drawingMs } = inWholeSeconds(accountSession(session));
  return `${counted(drawings, 'drawing')} in ${clockDigits(drawingMs)} of drawing.`;
}
