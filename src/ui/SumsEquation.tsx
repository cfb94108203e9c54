import type { ReactNode } from 'react';
import { clockDigits } from '@/core/practice/time/duration';
import type { PlanSums } from '@/core/practice/time/sums';
import { Word } from './Word';

/** Where the time goes, as a sum that adds up; `aside` at its end. */
export function SumsEquation({ sums, aside }: { sums: PlanSums; aside: ReactNode }) {
  const terms: [number, string, ReactNode?][] = [
    [sums.drawingMs, 'drawing'],
    [sums.lookingMs, 'looking'],
    [
      sums.leadInMs + sums.changingMs,
      'lead-ins and changes',
      <>
        <Word of="lead-in">lead-ins</Word> and changes
      </>,
    ],
    [sums.restingMs, 'rests'],
    [sums.preparingMs, 'body'],
  ];
  return (
    <p className="mt-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 border-y border-ink border-b-hairline py-2">
      {terms
        .filter(([ms]) => ms > 0)
        .map(([ms, name, words = name], i) => (
          <span key={name} className="whitespace-nowrap">
            {i > 0 && <span className="mr-3 digits text-quiet">+</span>}
            <span className="digits text-[21px]">{clockDigits(ms)}</span> {words}
          </span>
        ))}
      <span className="whitespace-nowrap">
        <span className="mr-3 digits text-quiet">=</span>
        <span className="digits text-[21px]">{clockDigits(sums.totalMs)}</span>
      </span>
      <span className="ml-auto text-quiet max-sm:ml-0">{aside}</span>
    </p>
  );
}
