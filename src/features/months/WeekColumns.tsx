'use client';
import { scaleLinear } from 'd3-scale';
import { promiseWords, type WeekPromise } from '@/core/growing/promise';
import { daysOf, FULL_DAY_MS, type Week, wholeMinutes } from '@/core/growing/weeks';
import { fullDate, shortMonth, shortWeekday } from '@/core/dateWords';
import { clockDigits } from '@/core/practice/time/duration';
import { counted } from '@/core/words';
import { brushBand } from '@/ui/brush';
import { AsTable } from '@/ui/AsTable';
import { Sideways } from '@/ui/Sideways';

const BOX_W = 34;
const BOX_H = 15;
const GAP = 4;
const COLUMN = BOX_W + 10;
/** The names of the days stay where they are. */
const NAMES_W = 40;
const TOP = 22;
const HEIGHT = TOP + 7 * (BOX_H + GAP) + 20;

/** How wide a day's box is filled: all of it when the box is full. */
const filled = scaleLinear([0, FULL_DAY_MS], [0, BOX_W - 2]).clamp(true);

/** What the columns say, in words. */
function weekWords(weeks: readonly Week[], promise: WeekPromise): string {
  const now = weeks[weeks.length - 1];
  const withSome = weeks.filter(({ spentMs }) => spentMs > 0).length;
  const before =
    weeks.length === 1 ? '' : ` Something was drawn in ${String(withSome)} of ${counted(weeks.length, 'week')}.`;
  return `This week: ${promiseWords(now, promise)}.${before}`;
}

const xOf = (week: number): number => 1 + week * COLUMN;
const yOf = (day: number): number => TOP + day * (BOX_H + GAP);

/** Of some years there are thousands of boxes: those of one kind are one path, and the strokes of a week are one. */
const boxes = (weeks: readonly Week[], wanted: (day: Date) => boolean): string =>
  weeks
    .flatMap((week, i) =>
      daysOf(week).map((day, d) => (wanted(day) ? `M${xOf(i)},${yOf(d)}h${BOX_W}v${BOX_H}h${-BOX_W}z` : '')),
    )
    .join('');
const drawnIn = ({ dayMs }: Week, i: number): string =>
  dayMs
    .map((ms, d) =>
      ms > 0
        ? brushBand({
            x: xOf(i) + 1,
            y: yOf(d) + 2,
            width: Math.max(3, filled(ms)),
            height: BOX_H - 4,
            seed: i * 7 + d,
            edge: 1,
            end: 1,
          })
        : '',
    )
    .join('');

/** Every week a column of seven boxes that fill with drawing; an empty one is only empty. */
export function WeekColumns({
  weeks,
  promise,
  nowMs,
}: {
  weeks: readonly Week[];
  promise: WeekPromise;
  nowMs: number;
}) {
  const width = weeks.length * COLUMN;
  return (
    <figure className="mt-1 max-w-full min-w-0">
      <figcaption>
        {weekWords(weeks, promise)}
        <span className="block text-[14px] text-quiet">A box is a day, and full at twenty minutes.</span>
      </figcaption>
      <Sideways
        label="Weeks, oldest first"
        width={width}
        scale={
          <svg aria-hidden width={NAMES_W} height={HEIGHT} className="shrink-0">
            {daysOf(weeks[0]).map((day, d) => (
              <text key={d} x={NAMES_W - 10} y={yOf(d) + BOX_H - 3} textAnchor="end" className="fill-quiet text-[12px]">
                {shortWeekday(day)}
              </text>
            ))}
            <text x={NAMES_W - 10} y={HEIGHT - 5} textAnchor="end" className="fill-quiet text-[12px]">
              min
            </text>
          </svg>
        }
      >
        <svg aria-hidden width={width} height={HEIGHT} className="print:max-w-full">
          <path d={boxes(weeks, (day) => day.getTime() <= nowMs)} fill="none" stroke="var(--rule)" />
          <path
            d={boxes(weeks, (day) => day.getTime() > nowMs)}
            fill="none"
            stroke="var(--rule)"
            strokeDasharray="3 3"
          />
          {weeks.map((week, i) => {
            const x = xOf(i);
            const days = daysOf(week);
            const newMonth = i === 0 || days[6].getMonth() !== daysOf(weeks[i - 1])[6].getMonth();
            return (
              <g key={week.start.getTime()}>
                {newMonth && (
                  <text x={x} y={13} className="fill-ink text-[13px] font-semibold">
                    {shortMonth(days[6])}
                  </text>
                )}
                {week.spentMs > 0 && <path d={drawnIn(week, i)} fill="var(--charcoal)" />}
                <text
                  x={x + BOX_W / 2}
                  y={HEIGHT - 5}
                  textAnchor="middle"
                  className="fill-quiet text-[12px] tabular-nums"
                >
                  {week.spentMs > 0 ? wholeMinutes(week.spentMs) : '–'}
                </text>
              </g>
            );
          })}
        </svg>
      </Sideways>
      <AsTable
        head={['Week from', 'Days', 'Drawings', 'Time drawing']}
        rows={() =>
          weeks.toReversed().map((week) => [fullDate(week.start), week.days, week.drawings, clockDigits(week.spentMs)])
        }
      />
    </figure>
  );
}
