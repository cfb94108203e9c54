'use client';
import { counted } from '@/core/words';
import { isSameDay } from 'date-fns';
import { Link } from '@/ui/Link';
import { NO_PROMISE, promiseWords, type WeekPromise } from '@/core/growing/promise';
import { daysOf, FULL_DAY_MS, weekOf, wholeMinutes } from '@/core/growing/weeks';
import { shortWeekday, weekday } from '@/core/dateWords';
import { useMemo } from 'react';
import type { Whose } from '@/core/journal/whose';
import { wholeMinutesOf } from '@/core/practice/time/duration';
import { brushBand } from '@/ui/brush';

const BOX_W = 50;
const BOX_H = 40;

/** The week as boxes that fill with drawing; an empty one is only empty. */
export function WeekBoxes({
  whose,
  nowMs,
  promise = NO_PROMISE,
}: {
  whose: Whose | undefined;
  nowMs: number;
  promise?: WeekPromise | undefined;
}) {
  const week = useMemo(() => whose && weekOf(whose.sessions, nowMs), [whose, nowMs]);
  const minutes = useMemo(() => wholeMinutesOf(week?.dayMs ?? []), [week]);
  const promised = !whose?.of && (promise.days > 0 || promise.minutes > 0);
  return (
    <section aria-label="This week">
      <div className="flex items-baseline justify-between">
        <h2 className="font-sans text-[15px] font-semibold">
          {whose?.of ? `${whose.of}’s week` : 'This week’s boxes'}
        </h2>
        {week && (
          <Link className="link-quiet text-[14px] text-quiet" href="/journal/months">
            {promised
              ? promiseWords(week, promise)
              : `${counted(wholeMinutes(week.spentMs), 'minute')} of drawing so far`}
          </Link>
        )}
      </div>
      <ul className="mt-2 grid h-[92px] grid-cols-7 gap-2">
        {(week ? daysOf(week) : []).map((day, i) => {
          const drawnMs = week?.dayMs[i] ?? 0;
          const share = Math.min(1, drawnMs / FULL_DAY_MS);
          const now = isSameDay(day, nowMs);
          const drawn = minutes[i];
          return (
            <li key={day.getTime()} className="text-center text-[13px]">
              <span className="sr-only">{`${weekday(day)}: ${counted(drawn, 'minute')}`}</span>
              <span aria-hidden>
                <svg viewBox={`-4 -4 ${BOX_W + 8} ${BOX_H + 8}`} className="w-full overflow-visible">
                  <rect
                    width={BOX_W}
                    height={BOX_H}
                    fill={now ? 'var(--sheet)' : 'none'}
                    stroke={now ? 'var(--russet)' : 'var(--rule)'}
                    strokeWidth={now ? 2 : 1}
                    strokeDasharray={day.getTime() > nowMs ? '4 3' : undefined}
                  />
                  {share > 0 && (
                    <path
                      d={brushBand({
                        x: 1,
                        y: BOX_H * (1 - share) + 1,
                        width: BOX_W - 2,
                        height: BOX_H * share - 1,
                        seed: i + 11,
                      })}
                      fill="var(--charcoal)"
                    />
                  )}
                </svg>
                <span className={now ? 'font-semibold' : ''}>{shortWeekday(day)}</span>
                <span className="block text-quiet">{drawn > 0 ? `${drawn} min` : '\u00a0'}</span>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
