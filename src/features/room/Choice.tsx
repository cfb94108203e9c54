import type { ReactNode } from 'react';

/** One of a few, said in words. */
export function Choice<T extends string>({
  legend,
  name,
  value,
  options,
  onChange,
}: {
  legend: string;
  name: string;
  value: T;
  options: readonly { value: T; words: string; hint?: string }[];
  onChange: (value: T) => void;
}) {
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">{legend}</legend>
      <div className="mt-1 grid gap-1">
        {options.map((o) => (
          <label key={o.value} className="flex min-h-8 items-start gap-3">
            <input
              type="radio"
              name={name}
              className="radio mt-0.5 radio-sm"
              checked={value === o.value}
              onChange={() => onChange(o.value)}
            />
            <span>
              {o.words}
              {o.hint && <span className="block text-[14px] text-quiet">{o.hint}</span>}
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

export function Check({
  on,
  onChange,
  children,
}: {
  on: boolean;
  onChange: (on: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex min-h-8 items-start gap-3">
      <input
        type="checkbox"
        className="checkbox mt-0.5 checkbox-sm"
        checked={on}
        onChange={(event) => onChange(event.target.checked)}
      />
      <span>{children}</span>
    </label>
  );
}
