import { inWholeSeconds } from '@/core/clock/account';
import { ratioWords } from '@/core/words';
import type { Session } from '@/core/journal/session';
import { accountSession, namedHolds } from '@/core/journal/sessionAccount';
import { clockDigits } from '@/core/practice/time/duration';
import { sumPlan } from '@/core/practice/time/sums';

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
      {choosingMs >= 1000 && (
        <p className="mt-3 text-quiet">
          Choosing pictures before it: {clockDigits(choosingMs)}
          {account.drawingMs > 0 && `, ${ratioWords(choosingMs, account.drawingMs)} the drawing`}.
        </p>
      )}
    </>
  );
}
