import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import { fullDate } from '@/core/dateWords';
import { dotsOf, SERIES, seriesWords } from '@/core/growing/overTime';
import { explained } from '@/core/handbook/explained';
import type { Session } from '@/core/journal/session';
import { AsTable } from '@/ui/AsTable';
import { Dabs } from '@/ui/Dabs';
import { ExplainedPieces } from '@/ui/Explained';

const HEIGHT = 90;

/** What was counted week by week: the line, peeks, lifts, marks. */
export function OverTime({ sessions }: { sessions: readonly Session[] }) {
  const all = useMemo(() => {
    const counted = SERIES.map((series) => ({ series, dots: dotsOf(series, sessions) }));
    const words = explained(counted.map(({ series, dots }) => seriesWords(series, dots)));
    return counted.map((one, i) => ({ ...one, words: words[i] }));
  }, [sessions]);
  return (
    <section aria-labelledby="over-time" className="mt-6 border-t border-ink pt-4">
      <h2 id="over-time" className="text-[20px]">
        Week by week
      </h2>
      <ul className="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-6 lg:grid-cols-2">
        {all.map(({ series, dots, words }) => {
          const values = dots.map(({ value }) => value);
          const [low, high] = [Math.min(0, ...values), Math.max(1, ...values)];
          const y = scaleLinear([low, high], [HEIGHT - 8, 8]);
          return (
            <li key={series.id}>
              <p>
                <ExplainedPieces pieces={words} />
              </p>
              {dots.length > 1 && (
                <>
                  <Dabs
                    label={`${series.name}, oldest week first`}
                    dabs={values.map((value) => ({ value, full: true }))}
                    y={y}
                    height={HEIGHT}
                    lines={[...new Set([low, 0, high])].map((value) => ({
                      value,
                      words: value.toFixed(series.decimals).replace(/\.0$/, ''),
                    }))}
                  />
                  <AsTable
                    head={['Week of', series.unit]}
                    rows={() =>
                      dots.toReversed().map(({ atMs, value }) => [fullDate(atMs), value.toFixed(series.decimals)])
                    }
                  />
                </>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
