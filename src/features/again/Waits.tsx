'use client';
import { useState } from 'react';
import { writeWaits } from '@/core/growing/waits';
import { useKeeping } from '@/storage/hooks/useKeeping';
import { storageProblem } from '@/storage/problems';
import { toastProblem } from '@/ui/toast/toast';

/** After how many days a picture comes back, once, twice, a third time. */
export function Waits({ waits }: { waits: readonly number[] }) {
  const keep = useKeeping('againWaits', (error) => toastProblem(storageProblem(error)));
  const [typed, setTyped] = useState(() => waits.map(String));
  const days = typed.map(Number);
  const rising = days.every(
    (one, i) => Number.isInteger(one) && one >= 1 && one <= 3650 && (i === 0 || one > days[i - 1]),
  );
  return (
    <fieldset className="no-print mt-6 border-t border-hairline pt-3">
      <legend className="sr-only">When pictures come back</legend>
      <div className="flex flex-wrap items-center gap-2">
        A picture comes back after
        {typed.map((value, i) => (
          <input
            key={i}
            type="number"
            inputMode="numeric"
            min={1}
            max={3650}
            className="input w-[76px] input-sm max-sm:h-12"
            aria-label={`Days until it comes back, ${['first', 'second', 'third', 'fourth', 'fifth', 'sixth'][i]} time`}
            value={value}
            onChange={({ target }) => {
              const next = typed.with(i, target.value);
              setTyped(next);
              const numbers = next.map(Number);
              if (
                numbers.every((n, k) => Number.isInteger(n) && n >= 1 && n <= 3650 && (k === 0 || n > numbers[k - 1]))
              )
                keep(writeWaits(numbers));
            }}
          />
        ))}
        days.
      </div>
      {!rising && (
        <p role="alert" className="mt-1 text-[14px] text-russet-text">
          Each must be a whole number of days, more than the one before. What was set before still holds.
        </p>
      )}
    </fieldset>
  );
}
