import { inWholeSeconds } from '@/core/clock/account';
import { ratioWords } from '@/core/words';
import type { Session } from '@/core/journal/session';
import { doubtfulHolds, withoutHold } from '@/core/clock/withoutHold';
import { accountSession, holdsOf, namedHolds } from '@/core/journal/sessionAccount';
import { clockDigits } from '@/core/practice/time/duration';
import { sumPlan } from '@/core/practice/time/sums';
import { storageProblem } from '@/storage/problems';
import { correctLog } from '@/storage/sessions/sessions';
import { toast, toastProblem } from '@/ui/toast/toast';

/** "10 s less", "as planned". */
function against(actualMs: number, plannedMs: number): string {
  const s = Math.round((actualMs - plannedMs) / 1000);
  if (s === 0) return 'as planned';
  const words = Math.abs(s) < 60 ? `${Math.abs(s)} s` : clockDigits(Math.abs(s) * 1000);
  return `${words} ${s > 0 ? 'more' : 'less'}`;
}

/** Where the time went: six sums that add up to the wall time. */
export function TimeSums({ session }: { session: Session }) {
  const account = inWholeSeconds(accountSession(session));
  const plan = sumPlan(session.plan);
  const rows: [name: string, ms: number, note: string][] = [
    ['Preparing', account.preparingMs, against(account.preparingMs, plan.preparingMs)],
    ['Looking', account.lookingMs, against(account.lookingMs, plan.lookingMs)],
    ['Drawing', account.drawingMs, against(account.drawingMs, plan.drawingMs)],
    ['Changing', account.changingMs, against(account.changingMs, plan.changingMs + plan.leadInMs)],
    ['Resting', account.restingMs, against(account.restingMs, plan.restingMs)],
    ['Held', account.heldMs, account.heldMs === 0 ? 'never' : 'on hold'],
  ];
  const totalMs = account.wallMs;
  const { choosingMs = 0 } = session;
  const holds = namedHolds(session);
  return (
    <>
      <dl className="grid grid-cols-2 gap-y-4 sm:grid-cols-4 lg:grid-cols-7">
        {rows.map(([name, ms, note]) => (
          <div key={name} className="flex flex-col border-l border-hairline pl-3 lg:first:border-l-0 lg:first:pl-0">
            <dt className="order-2 font-semibold">{name}</dt>
            <dd className="order-1 digits text-[25px] leading-tight" data-sum={name.toLowerCase()}>
              {clockDigits(ms)}
            </dd>
            <dd className="order-3 text-[14px] text-quiet">{note}</dd>
          </div>
        ))}
        <div className="flex flex-col border-l border-ink pl-3">
          <dt className="order-2 font-semibold">Together</dt>
          <dd className="order-1 digits text-[25px] leading-tight" data-sum="together">
            {clockDigits(totalMs)}
          </dd>
          <dd className="order-3 text-[14px] text-quiet">
            {totalMs > 0 ? `${Math.round((100 * account.drawingMs) / totalMs)} % of it drawing` : ''}
          </dd>
        </div>
      </dl>
      {holds.length > 0 && (
        <p className="mt-3 text-quiet">
          Held, with a reason: {holds.map((h) => `${clockDigits(h.toMs - h.fromMs)} ${h.why ?? ''}`).join('; ')}.
        </p>
      )}
      <LongHolds session={session} />
      {choosingMs >= 1000 && (
        <p className="mt-3 text-quiet">
          Choosing pictures before it: {clockDigits(choosingMs)}
          {account.drawingMs > 0 && `, ${ratioWords(choosingMs, account.drawingMs)} the drawing`}.
        </p>
      )}
    </>
  );
}

const HELD_WORDS = {
  paused: 'paused',
  asleep: 'while the machine was asleep',
  closed: 'while Fox Minute was closed',
  moved: 'while it moved to another tab',
  picture: 'waiting for a picture',
} as const;

/** Holds so long that the machine's clock may have been wrong: they can be left out of the session. */
function LongHolds({ session }: { session: Session }) {
  const fail = (error: unknown): void => {
    toastProblem(storageProblem(error));
  };
  const leaveOut = (hold: { fromMs: number; toMs: number }): void => {
    correctLog(session.id, withoutHold(session, hold)).then(
      () =>
        toast('Left out of the session.', {
          action: { label: 'Undo', onClick: () => void correctLog(session.id, session).catch(fail) },
        }),
      fail,
    );
  };
  return doubtfulHolds(holdsOf(session)).map((hold) => (
    <p key={hold.fromMs} className="mt-3">
      {clockDigits(hold.toMs - hold.fromMs)} on hold, {HELD_WORDS[hold.reason]}. Wrong clock, or too long to count?{' '}
      <button type="button" className="link-quiet py-1" onClick={() => leaveOut(hold)}>
        Leave it out
      </button>
    </p>
  ));
}
