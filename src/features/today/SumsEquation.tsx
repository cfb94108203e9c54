import { clockDigits } from '@/core/practice/duration';
import type { PlanSums } from '@/core/practice/sums';

/** Where the time goes, as a sum that adds up. */
export function SumsEquation({
  sums,
  availableMs,
  hasOpen,
}: {
  sums: PlanSums;
  availableMs: number;
  hasOpen: boolean;
}) {
  const terms: [number, string][] = [
    [sums.drawingMs, 'drawing'],
    [sums.lookingMs, 'looking'],
    [sums.leadInMs + sums.changingMs, 'lead-ins and changes'],
    [sums.restingMs, 'rests'],
    [sums.preparingMs, 'body'],
  ];
  const spareMs = availableMs - sums.totalMs;
  return (
    <p className="mt-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 border-y border-ink border-b-hairline py-2">
      {terms
        .filter(([ms]) => ms > 0)
        .map(([ms, name], i) => (
          <span key={name} className="whitespace-nowrap">
            {i > 0 && <span className="mr-3 digits text-quiet">+</span>}
            <span className="digits text-[21px]">{clockDigits(ms)}</span> {name}
          </span>
        ))}
      <span className="whitespace-nowrap">
        <span className="mr-3 digits text-quiet">=</span>
        <span className="digits text-[21px]">{clockDigits(sums.totalMs)}</span>
      </span>
      <span className="ml-auto text-quiet max-sm:ml-0">
        {hasOpen ? 'Pages of lines take as long as they take. ' : ''}
        {spareMs >= 1000
          ? `${clockDigits(spareMs)} to spare.`
          : `${Math.round((100 * sums.drawingMs) / sums.totalMs)} % of it drawing.`}
      </span>
    </p>
  );
}
