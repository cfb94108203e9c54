'use client';
import { inWholeSeconds } from '@/core/clock/account';
import { counted } from '@/core/words';
import { weekdayAndDay } from '@/core/dateWords';
import { Link } from '@/ui/Link';
import { clockDigits } from '@/core/practice/time/duration';
import { nextTimeNote } from '@/core/journal/reflect';
import type { Session } from '@/core/journal/session';
import { accountSession } from '@/core/journal/sessionAccount';
import type { Whose } from '@/core/journal/whose';

/** The last session in a sentence, with its note. */
export function LastTime({
  whose,
  soFar,
  course,
}: {
  whose: Whose | undefined;
  /** All that was drawn until now, in words, once it is known. */
  soFar: string;
  /** Today’s plan is a course’s day. */ course: boolean;
}) {
  if (!whose) return <section aria-label="Last time" />;
  const { sessions, of } = whose;
  const last = sessions.at(0);
  const wanted = nextTimeNote(sessions);
  // Beside the heading where there is room; else last, so that nothing moves when it comes.
  const all = soFar === '' ? '' : `In all: ${soFar}`;
  return (
    <section aria-label="Last time">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 className="font-sans text-[15px] font-semibold">{of ? `${of}’s last time` : 'Last time'}</h2>
        <p className="text-[14px] text-quiet max-lg:hidden">{all}</p>
      </div>
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
          <p className="mt-2 flex flex-wrap gap-x-5">
            <Link href={`/journal?session=${last.id}`} className="link-quiet">
              Look back at it
            </Link>
            <Ways course={course} />
          </p>
          <p className="mt-2 text-[14px] text-quiet lg:hidden">{all}</p>
        </>
      ) : (
        <>
          <p className="mt-2 text-quiet">No session yet. The first one can be a minute long.</p>
          <p className="mt-2 flex flex-wrap gap-x-5">
            <Ways course={course} />
          </p>
        </>
      )}
    </section>
  );
}

const Ways = ({ course }: { course: boolean }) => (
  <>
    <Link className="link-quiet" href={'/course'}>
      {course ? 'Your course' : 'Courses'}
    </Link>
    <Link className="link-quiet" href={'/journal/again'}>
      Then and now
    </Link>
  </>
);

function describe(session: Session): string {
  const { drawings, drawingMs } = inWholeSeconds(accountSession(session));
  return `${counted(drawings, 'drawing')} in ${clockDigits(drawingMs)} of drawing.`;
}
