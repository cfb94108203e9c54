'use client';
import { LONGEST_SESSION_MINUTES, SHORTEST_SESSION_MINUTES } from '@/core/practice/start/minutes';
import { useWidth } from './useWidth';
import { brushBand, brushStroke } from './brush';

const MIN = SHORTEST_SESSION_MINUTES;
const MAX = LONGEST_SESSION_MINUTES;
/** Room at both ends, pixels. */
const PAD = 8;
const MARKS = [1, 2, 3, 5, 7, 10, 15, 20, 30, 45, 60, 90, 120, 180];
const STEPS = [
  1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 15, 18, 20, 22, 25, 30, 35, 40, 45, 50, 55, 60, 70, 75, 80, 90, 100, 105, 120, 135,
  150, 165, 180,
];

/** "25 minutes", "1 hour 30 minutes". */
function minutesWords(minutes: number): string {
  if (minutes < 60) return minutes === 1 ? '1 minute' : `${minutes} minutes`;
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  const hourWords = hours === 1 ? '1 hour' : `${hours} hours`;
  return rest === 0 ? hourWords : `${hourWords} ${rest} minutes`;
}

const markLabel = (m: number): string =>
  m < 60 ? String(m) : m === 60 ? '1 h' : m === 90 ? '1½' : m === 120 ? '2' : '3 h';

/** A ruler of minutes, logarithmic because lengths people use are: a native slider over the index of steps, drawn by hand. */
export function MinutesRuler({ minutes, onChange }: { minutes: number; onChange: (minutes: number) => void }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const lengthPx = Math.max(1, width - 2 * PAD);
  const scale = (m: number): number => PAD + (lengthPx * Math.log(m / MIN)) / Math.log(MAX / MIN);
  const nearest = STEPS.reduce((a, b) => (Math.abs(Math.log(b / minutes)) < Math.abs(Math.log(a / minutes)) ? b : a));
  const index = STEPS.indexOf(nearest);
  // Measured as it stands: the ruler can be pressed before its width has been told.
  const choose = (clientX: number, element: Element): void => {
    const box = element.getBoundingClientRect();
    const share = Math.max(0, Math.min(1, (clientX - box.left - PAD) / Math.max(1, box.width - 2 * PAD)));
    const wanted = MIN * (MAX / MIN) ** share;
    onChange(STEPS.reduce((a, b) => (Math.abs(Math.log(b / wanted)) < Math.abs(Math.log(a / wanted)) ? b : a)));
  };
  const x = scale(Math.max(MIN, Math.min(MAX, minutes)));
  const shown = width < 420 ? MARKS.filter((m) => [1, 2, 5, 10, 20, 45, 90, 180].includes(m)) : MARKS;
  return (
    <div ref={ref} className="relative h-[62px] w-full touch-none select-none">
      <input
        type="range"
        aria-label="How long have you got?"
        aria-valuetext={minutesWords(minutes)}
        min={0}
        max={STEPS.length - 1}
        step={1}
        value={index}
        onChange={(event) => onChange(STEPS[Number(event.target.value)])}
        className="peer absolute inset-0 h-full w-full cursor-pointer opacity-0"
        onPointerDown={(event) => {
          event.preventDefault();
          event.currentTarget.focus();
          event.currentTarget.setPointerCapture(event.pointerId);
          choose(event.clientX, event.currentTarget);
        }}
        onPointerMove={(event) => {
          if (event.currentTarget.hasPointerCapture(event.pointerId)) choose(event.clientX, event.currentTarget);
        }}
      />
      {width > 0 && (
        <svg
          aria-hidden
          width={width}
          height={62}
          className="pointer-events-none absolute inset-0 overflow-visible rounded-[4px] outline-offset-4 peer-focus-visible:outline-2 peer-focus-visible:outline-solid"
        >
          <path d={`M8 26H${width - 8}`} stroke="var(--ink)" />
          {STEPS.map((m) => (
            <path
              key={m}
              d={`M${scale(m)} ${MARKS.includes(m) ? 11 : 18}V26`}
              stroke="var(--ink)"
              strokeWidth={MARKS.includes(m) ? 1.4 : 0.7}
            />
          ))}
          <path
            d={brushBand({ x: 8, y: 23, width: Math.max(2, x - 8), height: 6, seed: 4, edge: 1.4, end: 1 })}
            fill="var(--charcoal)"
          />
          <path
            d={brushStroke([x, 4], [x + 0.6, 37], 9, 9)}
            fill="var(--russet)"
            stroke="var(--ground)"
            strokeWidth={3}
            paintOrder="stroke"
          />
          {shown
            .filter((m) => Math.abs(scale(m) - x) > 16 || m === minutes)
            .map((m) => (
              <text
                key={m}
                x={scale(m)}
                y={54}
                textAnchor={m === MIN ? 'start' : m === MAX ? 'end' : 'middle'}
                dx={m === MIN ? -4 : m === MAX ? 4 : 0}
                fontSize={14}
                fontWeight={m === minutes ? 650 : 400}
                fill={m === minutes ? 'var(--ink)' : 'var(--quiet)'}
              >
                {markLabel(m)}
              </text>
            ))}
        </svg>
      )}
    </div>
  );
}
