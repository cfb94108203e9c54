'use client';
import { useId, useState } from 'react';
import { NO_PROMISE, type WeekPromise } from '@/core/growing/promise';
import { storageProblem } from '@/storage/problems';
import { useKeeping } from '@/storage/hooks/useKeeping';
import { toastProblem } from '@/ui/toast/toast';

/** What a week is meant to have, in days and in minutes; nothing is asked where both are empty. */
export function PromiseFields({ promise }: { promise: WeekPromise }) {
  const say = (error: unknown): void => toastProblem(storageProblem(error));
  const keepDays = useKeeping('promisedDays', say);
  const keepMinutes = useKeeping('promisedMinutes', say);
  const [typed, setTyped] = useState(promise);
  const set = (change: Partial<WeekPromise>): void => {
    setTyped({ ...typed, ...change });
    if (change.days !== undefined) keepDays(change.days);
    if (change.minutes !== undefined) keepMinutes(change.minutes);
  };
  return (
    <fieldset className="no-print flex max-w-[420px] flex-col items-start gap-2">
      <legend className="mb-1 font-semibold">A promise for a week</legend>
      <Field label="days" most={7} value={typed.days} onChange={(days) => set({ days })} before="I mean to draw on" />
      <Field
        label="minutes a week"
        most={10_080}
        value={typed.minutes}
        onChange={(minutes) => set({ minutes })}
        before="and for"
      />
      {(typed.days > 0 || typed.minutes > 0) && (
        <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={() => set(NO_PROMISE)}>
          No promise
        </button>
      )}
      <p className="text-[14px] text-quiet">A week with less breaks nothing; one with more is counted as it is.</p>
    </fieldset>
  );
}

function Field({
  before,
  label,
  most,
  value,
  onChange,
}: {
  before: string;
  label: string;
  most: number;
  value: number;
  onChange: (value: number) => void;
}) {
  const id = useId();
  return (
    <span className="flex items-center gap-2">
      <span id={`${id}-before`}>{before}</span>
      <input
        type="number"
        inputMode="numeric"
        className="input w-[84px] input-sm max-sm:h-12"
        min={0}
        max={most}
        placeholder="–"
        value={value === 0 ? '' : value}
        aria-labelledby={`${id}-before ${id}-unit`}
        onChange={({ target }) => onChange(Math.min(most, Math.max(0, Math.round(Number(target.value)))))}
      />
      <span id={`${id}-unit`}>{label}</span>
    </span>
  );
}
