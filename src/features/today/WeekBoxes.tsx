'use client';
import { counted } from '@/core/words';
import { isSameDay } from 'date-fns';
import { shortWeekday, weekday } from '@/core/dateWords';
import { useMemo } from 'react';
import { weekOf } from '@/core/journal/history';
import type { Whose } from '@/core/journal/whose';
import { brushBand } from '@/ui/brush';

const BOX_W = 50;
const BOX_H = 40;
/** A box is full at this much drawing. */
const FULL_MS = 20 * 60_000;

/** The week as boxes that fill with drawing; an empty one is only empty. */
export function WeekBoxes({ whose, nowMs }: { whose: Whose | undefined; nowMs: number }) {
  const days = useMemo(() => (whose ? weekOf(whose.sessions, nowMs) : []), [whose, nowMs]);
  const totalMs = days.reduce((sum, d) => sum + d.drawingMs, 0);
  const minutes = Math.round(totalMs / 60_000);
  return (
    <section aria-label="This week">
      <div className="flex items-baseline justify-between">
        <h2 className="font-sans text-[15px] font-semibold">
          {whose?.of ? `${whose.of}’s week` : 'This week’s boxes'}
        </h2>
        <span className="text-[14px] text-quiet">{whose ? `${counted(minutes, 'minute')} of drawing so far` : ''}</span>
      </div>
      <ul className="mt-2 grid h-[92px] grid-cols-7 gap-2">
        {days.map((day, i) => {
          const share = Math.min(1, day.drawingMs / FULL_MS);
          const now = isSameDay(day.date, nowMs);
          const drawn = Math.round(day.drawingMs / 60_000);
          return (
            <li key={day.date.getTime()} className="text-center text-[13px]">
              <span className="sr-only">{`${weekday(day.date)}: ${counted(drawn, 'minute')}`}</span>
              <span aria-hidden>
                <svg viewBox={`-4 -4 ${BOX_W + 8} ${BOX_H + 8}`} className="w-full overflow-visible">
                  <rect
                    width={BOX_W}
                    height={BOX_H}
                    fill={now ? 'var(--sheet)' : 'none'}
                    stroke={now ? 'var(--russet)' : 'var(--rule)'}
                    strokeWidth={now ? 2 : 1}
                    strokeDasharray={day.date.getTime() > nowMs ? '4 3' : undefined}
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
                <span className={now ? 'font-semibold' : ''}>{shortWeekday(day.date)}</span>
                <span className="block text-quiet">{drawn > 0 ? `${drawn} min` : '\u00a0'}</span>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
