import { scaleLinear } from 'd3-scale';
import { fullDate, monthDay } from '@/core/dateWords';
import {
  type Bias,
  BIASES,
  biasWords,
  type MeasuredDrawing,
  readingsOf,
  REMEDY_NAMES,
  type RemedyEffect,
  sizeWords,
} from '@/core/growing/biases';
import { counted as countedWords } from '@/core/words';
import { AsTable } from '@/ui/AsTable';
import { Dabs } from '@/ui/Dabs';

const HEIGHT = 110;

/** What became of a remedy, in a sentence. */
function effectWords(id: Bias['id'], { remedy, sinceMs, drawings, helped, before, after }: RemedyEffect): string {
  const name = REMEDY_NAMES[remedy] ?? remedy;
  const since = `“${name}” was first taken on ${monthDay(sinceMs)}`;
  if (helped === undefined || before === undefined || after === undefined)
    return `${since}: too soon to tell, ${countedWords(drawings, 'drawing')} measured since.`;
  const what = `${sizeWords(id, before)} before, ${sizeWords(id, after)} since`;
  return helped ? `${since}: it helped, ${what}.` : `${since}: it has not helped, ${what}. Another one is offered.`;
}

/** One bias: as a sentence, drawing by drawing, and as a table. */
export function BiasRow({
  bias,
  drawings,
  effects,
}: {
  bias: Bias;
  drawings: readonly MeasuredDrawing[];
  effects: readonly RemedyEffect[];
}) {
  const { id, now } = bias;
  const readings = readingsOf(id, drawings).toSorted((a, b) => a.atMs - b.atMs);
  const none = BIASES[id].kind === 'tilts' ? 1 : 0;
  const reach = Math.max(0.2, ...readings.map(({ value }) => Math.abs(value - none)));
  const y = scaleLinear(BIASES[id].kind === 'edge' ? [0, 1] : [none - reach, none + reach], [HEIGHT - 8, 8]);
  const percent = (value: number): string => `${String(Math.round(value * 100))} %`;
  const edge = BIASES[id].kind === 'edge';
  // To be read by: a round number on either side.
  const step = Math.floor(reach * 10) / 20;
  const ends = edge ? [0, 1] : [none - step, none, none + step];
  const counted = readingsOf(id, drawings.toSorted((a, b) => a.atMs - b.atMs).slice(-bias.drawings)).length;
  return (
    <li>
      <h3 className="font-sans text-[15px] font-semibold">
        {BIASES[id].name.replace(/^./, (first) => first.toUpperCase())}
      </h3>
      <p>{biasWords(bias)}</p>
      {effects.map((effect) => (
        <p key={effect.remedy}>{effectWords(id, effect)}</p>
      ))}
      {readings.some(({ value }) => value !== 0) && (
        <>
          <Dabs
            label={`Measured drawings, oldest first: ${BIASES[id].name}`}
            dabs={readings.map(({ value }) => ({ value, full: true }))}
            y={y}
            height={HEIGHT}
            lines={ends.map((value) => ({ value, words: percent(value) }))}
            wash={now && { ...now, last: counted }}
          />
          <AsTable
            head={['Drawn on', 'Off by']}
            rows={() =>
              readings
                .toReversed()
                .map(({ atMs, value, sigma }) => [
                  fullDate(atMs),
                  BIASES[id].kind === 'edge'
                    ? value > 0
                      ? 'squeezed'
                      : 'not squeezed'
                    : `${percent(value)} ± ${percent(1.96 * sigma)}`,
                ])
            }
          />
        </>
      )}
    </li>
  );
}
