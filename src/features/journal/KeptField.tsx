'use client';
import { useWriting } from '@/storage/hooks/useWriting';
import { useTypedText } from '@/ui/useTypedText';

/** A line of text that is kept as it is typed. */
export function KeptField({
  label,
  hint,
  value,
  maxLength,
  numeric = false,
  keptFor,
  onKeep,
}: {
  label: string;
  hint?: string;
  value: string;
  maxLength: number;
  /** Whole numbers only. */
  numeric?: boolean;
  /** The record the text belongs to. */
  keptFor: string;
  onKeep: (text: string) => void;
}) {
  const keep = useWriting(`${keptFor} ${label}`, (text: string) => onKeep(text.trim()));
  const typed = useTypedText(value, keep, numeric ? (text) => text.replace(/\D/g, '') : undefined);
  return (
    <label className="block">
      <span className="block font-semibold">{label}</span>
      {hint && <span className="block text-[14px] text-quiet">{hint}</span>}
      <input
        className={`input mt-1 ${numeric ? 'w-24' : 'w-full max-w-[560px]'}`}
        inputMode={numeric ? 'numeric' : undefined}
        maxLength={maxLength}
        {...typed}
      />
    </label>
  );
}
