import { brushBand } from './brush';
import { Sideways } from './Sideways';

const DAB = 12;
const SCALE_W = 56;

export interface Dab {
  value: number;
  /** A ring where not. */
  full: boolean;
}

/** Numbers in their order as dabs, newest on the right, with lines to read them by and a wash where they are said to lie. */
export function Dabs({
  label,
  dabs,
  y,
  height,
  lines,
  wash,
}: {
  label: string;
  dabs: readonly Dab[];
  /** Where a value stands, pixels from the top. */
  y: (value: number) => number;
  height: number;
  lines: readonly { value: number; words: string }[];
  /** Over the last so many of them. */
  wash?: { low: number; high: number; last: number } | undefined;
}) {
  const width = Math.max(1, dabs.length) * DAB;
  const from = wash ? Math.max(0, dabs.length - wash.last) * DAB : 0;
  return (
    <Sideways
      label={label}
      width={width}
      scale={
        <svg aria-hidden width={SCALE_W} height={height} className="shrink-0">
          {lines.map(({ value, words }) => (
            <text key={value} x={SCALE_W - 8} y={y(value) + 4} textAnchor="end" className="fill-quiet text-[12px]">
              {words}
            </text>
          ))}
        </svg>
      }
    >
      <svg aria-hidden width={width} height={height}>
        {lines.map(({ value }) => (
          <line key={value} x1={0} x2={width} y1={y(value)} y2={y(value)} stroke="var(--hairline)" />
        ))}
        {wash && (
          <path
            d={brushBand({
              x: from + 2,
              y: Math.min(y(wash.high), y(wash.low)),
              width: width - from - 4,
              height: Math.max(4, Math.abs(y(wash.low) - y(wash.high))),
              seed: 5,
            })}
            fill="var(--charcoal)"
            opacity={0.14}
          />
        )}
        {dabs.map(({ value, full }, i) => (
          <circle
            key={i}
            cx={(i + 0.5) * DAB}
            cy={y(value)}
            r={4}
            fill={full ? 'var(--charcoal)' : 'none'}
            stroke="var(--charcoal)"
            strokeWidth={1.4}
          />
        ))}
      </svg>
    </Sideways>
  );
}
