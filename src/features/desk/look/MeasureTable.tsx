import { type Compared, SURE, type Verdict } from '@/core/measure/compare';
import type { Spread } from '@/core/measure/spread';

const VERDICT_WORDS: Record<Verdict, string> = {
  none: 'no difference',
  within: 'within',
  'wrong side': 'wrong side',
  'too far': 'too far',
};

function valueWords(unit: Compared['measure']['unit'], { value, sigma }: Spread): string {
  const reach = SURE * sigma;
  if (unit === 'deg') return `${value.toFixed(0).replace('-', '−')}°${reach >= 0.5 ? ` ± ${reach.toFixed(0)}` : ''}`;
  if (unit === 'share') return `${(value * 100).toFixed(1)} %`;
  return value.toFixed(2);
}
const offWords = ({ measure: { unit }, off }: Compared): string => {
  const sign = off.value > 0 ? '+' : '−';
  const reach = SURE * off.sigma;
  if (unit === 'deg') return `${sign}${Math.abs(off.value).toFixed(0)}° ± ${Math.max(1, Math.round(reach)).toFixed(0)}`;
  return `${sign}${Math.abs(off.value * 100).toFixed(1)} % ± ${(reach * 100).toFixed(1)}`;
};

/** Half the width of the bar, in its own unit: 30 % or 30 degrees to each side. */
const BAR = { share: 0.3, ratio: 0.3, deg: 30 } as const;

/** What was measured, number by number, each with its error bar. */
export function MeasureTable({ compared }: { compared: readonly Compared[] }) {
  if (compared.length === 0) return null;
  return (
    <div className="max-h-[42dvh] overflow-auto">
      <table className="table w-full table-xs max-sm:[&_:is(th,td)]:px-1">
        <caption className="sr-only">What was measured, in the reference and in the drawing</caption>
        <thead>
          <tr>
            <th scope="col">Of the figure’s length</th>
            <th scope="col">Seen</th>
            <th scope="col">Drawn</th>
            <th scope="col">Off by</th>
          </tr>
        </thead>
        <tbody>
          {compared.map((one) => (
            <tr key={one.measure.id}>
              <th scope="row" className="font-normal">
                {one.measure.name.replace(/^the /, '')}
              </th>
              <td className="whitespace-nowrap tabular-nums">{valueWords(one.measure.unit, one.seen)}</td>
              <td className="whitespace-nowrap tabular-nums">{valueWords(one.measure.unit, one.drawn)}</td>
              <td className="whitespace-nowrap tabular-nums sm:min-w-[120px]">
                <Bar one={one} />
                {offWords(one)}
                <span className="block text-quiet">{VERDICT_WORDS[one.verdict]}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Bar({ one: { measure, off, verdict } }: { one: Compared }) {
  const half = BAR[measure.unit];
  const x = (value: number): number => 60 + 58 * Math.max(-1, Math.min(1, value / half));
  const reach = SURE * off.sigma;
  const color = verdict === 'wrong side' || verdict === 'too far' ? 'var(--ink)' : 'var(--quiet)';
  return (
    <svg viewBox="0 0 120 12" width="120" height="12" aria-hidden className="block max-sm:w-[92px]">
      <path d="M60 1V11" stroke="var(--rule)" strokeWidth={1} />
      <path d={`M${String(x(off.value - reach))} 6H${String(x(off.value + reach))}`} stroke={color} strokeWidth={1.5} />
      <circle cx={x(off.value)} cy={6} r={3} fill={color} />
    </svg>
  );
}
