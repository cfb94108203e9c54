import type { ReactNode } from 'react';

/** One of a few taps; the same one again takes it back. */
export function Taps<T extends string>({
  legend,
  shown = legend,
  value,
  options,
  onChange,
}: {
  legend: string;
  /** The legend with a word of it explained. */
  shown?: ReactNode;
  value: T | undefined;
  options: readonly T[];
  onChange: (value: T | undefined) => void;
}) {
  return (
    <div role="group" aria-label={legend}>
      <p className="font-semibold">{shown}</p>
      <div className="mt-1 flex flex-wrap gap-2">
        {options.map((option) => (
          <button
            key={option}
            type="button"
            aria-pressed={value === option}
            className={`btn min-h-11 px-4 ${value === option ? 'bg-ink/10' : 'btn-quiet'}`}
            onClick={() => onChange(value === option ? undefined : option)}
          >
            {option}
          </button>
        ))}
      </div>
    </div>
  );
}
