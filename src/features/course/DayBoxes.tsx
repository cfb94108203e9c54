import { brushBand } from '@/ui/brush';

const BOX = 22;
const GAP = 4;
const ACROSS = 10;

/** Days as boxes, ten in a row, brushed full where there was a session; one may stand out as the next. */
export function DayBoxes({ done, next }: { done: readonly boolean[]; next?: number }) {
  const [width, height] = [Math.min(ACROSS, done.length), Math.ceil(done.length / ACROSS)].map((n) => n * (BOX + GAP));
  return (
    <svg aria-hidden className="mt-2" width={width} height={height} viewBox={`0 0 ${String(width)} ${String(height)}`}>
      {done.map((filled, i) => {
        const [x, y] = [(i % ACROSS) * (BOX + GAP) + 1, Math.floor(i / ACROSS) * (BOX + GAP) + 1];
        return (
          <g key={i}>
            <rect
              x={x}
              y={y}
              width={BOX - 2}
              height={BOX - 2}
              fill="none"
              stroke={i === next ? 'var(--russet)' : 'var(--rule)'}
              strokeWidth={i === next ? 2 : 1}
            />
            {filled && (
              <path
                d={brushBand({ x: x + 2, y: y + 3, width: BOX - 6, height: BOX - 8, seed: i + 3, edge: 1, end: 1 })}
                fill="var(--charcoal)"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}
