'use client';
import { type ReactNode, useId, useState } from 'react';
import { clockDigits, parseCount, parseDuration } from '@/core/practice/time/duration';

/** A line of the inspector: what it is, and what is chosen. */
export function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div
      role="group"
      aria-label={label}
      className="grid grid-cols-[84px_1fr] items-baseline gap-x-3 border-t border-hairline py-[5px]"
    >
      <span aria-hidden className="text-[14px] text-quiet">
        {label}
      </span>
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">{children}</div>
    </div>
  );
}

interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  options: readonly T[];
  words?: Partial<Record<T, string>>;
  onChange: (value: T) => void;
}
/** One of a few, all in sight. */
export function Choice<T extends string>({ label, value, options, words, onChange }: ChoiceProps<T>) {
  const name = useId();
  return (
    <span role="radiogroup" aria-label={label} className="flex flex-wrap gap-x-3">
      {options.map((option) => (
        <label
          key={option}
          className="cursor-pointer rounded-[2px] border-b-2 border-transparent py-[2px] text-[14px] has-checked:border-charcoal has-checked:font-semibold has-focus-visible:outline-2 has-focus-visible:outline-offset-2"
        >
          <input
            type="radio"
            name={name}
            value={option}
            checked={value === option}
            onChange={() => onChange(option)}
            className="sr-only"
          />
          {words?.[option] ?? option}
        </label>
      ))}
    </span>
  );
}

interface SelectProps {
  label: string;
  value: string;
  options: readonly (readonly [value: string, words: string])[];
  onChange: (value: string) => void;
  large?: boolean;
}
/** One of many. */
/** A choice written into a line, underlined. */
export const SELECT_LINE =
  '[field-sizing:content] max-w-full cursor-pointer border-b-2 border-charcoal bg-transparent py-[2px]';
export function Select({ label, value, options, onChange, large }: SelectProps) {
  const known = options.some(([v]) => v === value);
  return (
    <select
      aria-label={label}
      className={`${SELECT_LINE} ${large ? 'font-serif' : 'text-[14px]'}`}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      {!known && <option value={value}>{value === '' ? 'none' : `${value} (no longer here)`}</option>}
      {options.map(([v, words]) => (
        <option key={v} value={v}>
          {words}
        </option>
      ))}
    </select>
  );
}

export function Tick({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex min-h-6 cursor-pointer items-center gap-2 text-[14px]">
      <input
        type="checkbox"
        className="checkbox checkbox-xs"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}

interface TypedProps<T> {
  label: string;
  /** As it is shown while nothing is typed. */
  shown: string;
  read: (typed: string) => { value: T } | { problem: string };
  onChange: (value: T) => void;
  width?: string;
  large?: boolean;
}
/** A field that keeps what is typed until it can be read, and says beside it why not. The plan changes only by what can be read. */
export function Typed<T>({ label, shown, read, onChange, width = '5.2em', large }: TypedProps<T>) {
  const [typed, setTyped] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const id = useId();
  const take = (): void => {
    if (typed === undefined) return;
    const result = read(typed);
    if ('problem' in result) return setProblem(result.problem);
    setProblem(undefined);
    setTyped(undefined);
    if (typed.trim() !== shown) onChange(result.value);
  };
  return (
    <span className="inline-flex flex-wrap items-baseline gap-x-2">
      <input
        aria-label={label}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? id : undefined}
        className={`rounded-[3px] border bg-sheet px-1 digits ${large ? 'text-[20px]' : 'text-[15px]'} ${problem ? 'border-russet' : 'border-hairline'}`}
        style={{ width }}
        inputMode="text"
        value={typed ?? shown}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            // Keep the value without submitting the form.
            event.preventDefault();
            take();
          }
          if (event.key === 'Escape' && typed !== undefined) {
            setTyped(undefined);
            setProblem(undefined);
            event.stopPropagation();
          }
        }}
      />
      {problem && (
        <span id={id} role="alert" className="max-w-[34ch] text-[13px] text-russet-text">
          {problem}{' '}
          <button
            type="button"
            className="link-quiet"
            onClick={() => {
              setTyped(undefined);
              setProblem(undefined);
            }}
          >
            Back to {shown}
          </button>
        </span>
      )}
    </span>
  );
}

/** A length. `atLeastMs` 0 allows none. */
export function DurationField(props: {
  label: string;
  ms: number;
  onChange: (ms: number) => void;
  atLeastMs?: number;
  atMostMs?: number;
  large?: boolean;
}) {
  const { label, ms, onChange, atLeastMs = 1000, atMostMs, large } = props;
  return (
    <Typed
      label={label}
      shown={clockDigits(ms)}
      large={large ?? false}
      width={large ? '4.3em' : '4.6em'}
      read={(typed) => {
        const read = parseDuration(typed, atLeastMs, atMostMs);
        return 'ms' in read ? { value: read.ms } : read;
      }}
      onChange={onChange}
    />
  );
}

export function CountField({
  label,
  count,
  most,
  onChange,
}: {
  label: string;
  count: number;
  most: number;
  onChange: (count: number) => void;
}) {
  return (
    <Typed
      label={label}
      shown={String(count)}
      width="3.4em"
      read={(typed) => {
        const read = parseCount(typed, most);
        return 'count' in read ? { value: read.count } : read;
      }}
      onChange={onChange}
    />
  );
}
