'use client';
import { useState } from 'react';

/** A line that is kept as soon as the field is left or Enter is pressed. */
export function KeptField({
  label,
  hint,
  value,
  maxLength,
  numeric = false,
  onKeep,
}: {
  label: string;
  hint?: string;
  value: string;
  maxLength: number;
  /** Whole numbers only. */
  numeric?: boolean;
  onKeep: (text: string) => void;
}) {
  const [text, setText] = useState(value);
  const keep = (): void => {
    const kept = text.trim();
    if (kept !== value) onKeep(kept);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <label className="block">
        <span className="block font-semibold">{label}</span>
        {hint && <span className="block text-[14px] text-quiet">{hint}</span>}
        <input
          className={`input mt-1 ${numeric ? 'w-24' : 'w-full max-w-[560px]'}`}
          inputMode={numeric ? 'numeric' : undefined}
          maxLength={maxLength}
          value={text}
          onChange={(event) => setText(numeric ? event.target.value.replace(/\D/g, '') : event.target.value)}
          onBlur={keep}
        />
      </label>
    </form>
  );
}
