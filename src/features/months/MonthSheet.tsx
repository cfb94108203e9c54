'use client';
import { Printer } from 'lucide-react';
import type { Route } from 'next';
import { Link } from '@/ui/Link';
import { useSearchParams } from 'next/navigation';
import { useMemo } from 'react';
import { monthAndYear, shortWeekday } from '@/core/dateWords';
import { besideMonth, type MonthDay, monthSheet, monthWords, readMonth } from '@/core/growing/month';
import { type Piece, piecesOf } from '@/core/growing/pieces';
import { tallies } from '@/core/growing/tally';
import { FULL_DAY_MS, wholeMinutes } from '@/core/growing/weeks';
import { lookedAt } from '@/core/journal/whose';
import { clockDigits } from '@/core/practice/time/duration';
import { counted } from '@/core/words';
import { seedOnFirstVisit } from '@/storage/seed';
import { listSessions } from '@/storage/sessions/sessions';
import { useStored } from '@/storage/hooks/useStored';
import { brushBand } from '@/ui/brush';
import { Notice } from '@/ui/Notice';
import { useNow } from '@/ui/useNow';

const BAR_W = 92;
const BAR_H = 12;
const DAY_NAMES = [0, 1, 2, 3, 4, 5, 6].map((d) => new Date(2024, 0, 1 + d));

const load = async () => {
  await seedOnFirstVisit(Date.now());
  return lookedAt((await listSessions()).filter(({ status }) => status === 'kept'));
};

/** One month on one page: each day with its minutes and how it was, and what they went into. */
export function MonthSheet() {
  const wanted = useSearchParams().get('m') ?? '';
  const kept = useStored(load, ['sessions'], []);
  const nowMs = useNow(60_000);
  const month = useMemo(() => {
    if (!kept.value) return undefined;
    const { sessions } = kept.value;
    return monthSheet(sessions, sessions.flatMap(piecesOf), readMonth(wanted) ?? new Date(nowMs));
  }, [kept.value, wanted, nowMs]);
  if (kept.problem) return <Notice>{kept.problem}</Notice>;
  if (!month) return <div className="h-60" aria-busy />;
  const { before, after } = besideMonth(month.start);
  const name = monthAndYear(month.start);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1 className="text-[30px]">{kept.value?.of ? `${kept.value.of}’s ${name}` : name}</h1>
        <nav aria-label="Months" className="no-print flex gap-5">
          <Link className="link-quiet py-1" href={`/journal/month?m=${before}` as Route}>
            The one before
          </Link>
          <Link className="link-quiet py-1" href={`/journal/month?m=${after}` as Route}>
            The one after
          </Link>
        </nav>
      </div>
      <p className="mt-1 font-serif text-[19px]">{monthWords(month)}</p>
      <table className="mt-3 w-full table-fixed border-collapse">
        <caption className="sr-only">{name}, day by day</caption>
        <thead>
          <tr className="text-left text-[14px] text-quiet">
            {DAY_NAMES.map((day) => (
              <th key={day.getTime()} scope="col" className="font-normal">
                {shortWeekday(day)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {month.weeks.map((week) => (
            <tr key={week[0].date.getTime()}>
              {week.map((day) => (
                <Day key={day.date.getTime()} day={day} />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-4 grid items-start gap-x-10 gap-y-4 sm:grid-cols-2 print:grid-cols-2">
        <Counted name="Exercise" by="exercise" pieces={month.pieces} />
        <Counted name="Medium" by="medium" pieces={month.pieces} />
      </div>
      <button type="button" className="no-print btn-quiet btn mt-5 max-sm:h-14" onClick={() => print()}>
        <Printer size={17} aria-hidden /> Print this month
      </button>
    </>
  );
}

function Day({ day: { date, within, drawings, spentMs, mood, studyShare } }: { day: MonthDay }) {
  const minutes = wholeMinutes(spentMs);
  return (
    <td
      className={`h-[92px] overflow-hidden border border-hairline px-1.5 py-1 align-top text-[13px] print:h-[88px] ${within ? '' : 'text-quiet'}`}
    >
      <span className={spentMs > 0 ? 'font-semibold' : ''}>{date.getDate()}</span>
      {spentMs > 0 && (
        <>
          <svg aria-hidden viewBox={`-2 -2 ${String(BAR_W + 4)} ${String(BAR_H + 4)}`} className="block w-full">
            <path
              d={brushBand({
                x: 0,
                y: 0,
                width: Math.max(4, BAR_W * Math.min(1, spentMs / FULL_DAY_MS)),
                height: BAR_H,
                seed: date.getDate(),
              })}
              fill="var(--charcoal)"
            />
          </svg>
          <span className="block">
            {minutes} min<span className="max-sm:sr-only">, {counted(drawings, 'drawing')}</span>
          </span>
        </>
      )}
      {studyShare !== undefined && (
        <span className="block text-quiet">{Math.round(100 * studyShare)} % of the day’s study</span>
      )}
      {mood && <span className="block font-serif italic">{mood}</span>}
    </td>
  );
}

function Counted({ name, by, pieces }: { name: string; by: 'exercise' | 'medium'; pieces: readonly Piece[] }) {
  const rows = tallies(pieces, by, () => undefined);
  if (rows.length === 0) return null;
  return (
    <table className="w-full border-collapse text-[15px]">
      <thead className="text-left text-[14px] text-quiet">
        <tr>
          <th scope="col" className="font-normal">
            {name}
          </th>
          <th scope="col" className="text-right font-normal">
            Drawings
          </th>
          <th scope="col" className="text-right font-normal">
            Time drawing
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name} className="border-t border-hairline">
            <th scope="row" className="py-0.5 text-left font-normal">
              {row.name}
            </th>
            <td className="text-right tabular-nums">{row.drawings}</td>
            <td className="text-right tabular-nums">{clockDigits(row.spentMs)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
