'use client';
import { Plus, X } from 'lucide-react';
import { type ReactNode, useId, useState } from 'react';
import type { ReadLine } from '@/core/practice/line/readLine';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { clockDigits } from '@/core/practice/time/duration';
import { sumPlan } from '@/core/practice/time/sums';
import { listPhrases } from '@/core/words';

const COUNTS = [1, 2, 3, 5, 10, 20] as const;
const LENGTHS = ['30 s', '1 min', '2 min', '5 min', '10 min', '20 min'] as const;
/** Parts that are added in one tap. */
const PARTS = ['warm-up 5 min', 'break 5 min', 'look back 1 min'] as const;

interface SessionLineProps {
  line: string;
  onLine: (line: string) => void;
  /** What the line says; undefined while it is empty. */
  read: ReadLine | { problem: string } | undefined;
  remembered: readonly string[];
  /** Enter in the field, when it can be read. */
  onEnter: () => void;
  /** What can be done with what was read. */
  children?: ReactNode;
}

/** A session said in a line, or tapped together: how many, how long, add. What was understood is said back as it is typed. */
export function SessionLine({ line, onLine, read, remembered, onEnter, children }: SessionLineProps) {
  const id = useId();
  const [tapping, setTapping] = useState(false);
  const understood = read && !('problem' in read) ? read : undefined;
  const add = (part: string): void => onLine(line.trim() === '' ? part : `${line.trim().replace(/,$/, '')}, ${part}`);
  return (
    <section aria-label="Say it in a line">
      <div className="flex flex-wrap items-center gap-2">
        <label className="flex min-w-0 flex-1 items-center gap-3">
          <span className="shrink-0 text-[14px] text-quiet max-sm:sr-only">Or say it</span>
          <input
            className="input w-full input-sm max-sm:h-12"
            value={line}
            list={`${id}-before`}
            maxLength={400}
            placeholder="10 x 30 s, 5 x 1, break 5, 2 x 10"
            autoComplete="off"
            spellCheck={false}
            aria-describedby={`${id}-said`}
            onChange={(event) => onLine(event.target.value)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter') return;
              event.preventDefault();
              event.stopPropagation();
              if (understood) onEnter();
            }}
          />
          <datalist id={`${id}-before`}>
            {remembered.map((one) => (
              <option key={one} value={one} />
            ))}
          </datalist>
        </label>
        <button
          type="button"
          className="btn-quiet btn btn-sm max-sm:h-12"
          aria-expanded={tapping}
          onClick={() => setTapping(!tapping)}
        >
          Tap it
        </button>
        {line !== '' && (
          <button
            type="button"
            className="btn btn-square btn-ghost btn-sm max-sm:h-12 max-sm:w-12"
            aria-label="Clear the line"
            onClick={() => onLine('')}
          >
            <X size={16} aria-hidden />
          </button>
        )}
        {understood && children}
      </div>
      {tapping && <Taps onAdd={add} />}
      <p id={`${id}-said`} role="status" className={`text-[14px] ${read ? 'mt-1' : ''}`}>
        {read && <Understood read={read} />}
      </p>
    </section>
  );
}

/** What was understood and how long it takes, and what was not. */
function Understood({ read }: { read: ReadLine | { problem: string } }) {
  if ('problem' in read) return <span className="text-russet-text">{read.problem}</span>;
  const { totalMs } = sumPlan(layOutRecipe(read.recipe, {}).plan);
  return (
    <>
      {read.understood}. <b className="tabular-nums">{clockDigits(totalMs)}</b> in all.
      {read.unknown.length > 0 && (
        <span className="text-russet-text">
          {' '}
          I didn’t understand {listPhrases(read.unknown.slice(0, 5).map((word) => `“${word}”`))}.
        </span>
      )}
    </>
  );
}

/** Number, length, add: three taps for a block. */
function Taps({ onAdd }: { onAdd: (part: string) => void }) {
  const [count, setCount] = useState<number>(5);
  const [length, setLength] = useState<string>('1 min');
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      <Row label="How many" values={COUNTS.map(String)} chosen={String(count)} onChoose={(n) => setCount(Number(n))} />
      <Row label="How long" values={LENGTHS} chosen={length} onChoose={setLength} />
      <button type="button" className="btn btn-sm max-sm:h-12" onClick={() => onAdd(`${count} x ${length}`)}>
        <Plus size={15} aria-hidden /> Add {count} × {length}
      </button>
      {PARTS.map((part) => (
        <button key={part} type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={() => onAdd(part)}>
          {part}
        </button>
      ))}
    </div>
  );
}

function Row({
  label,
  values,
  chosen,
  onChoose,
}: {
  label: string;
  values: readonly string[];
  chosen: string;
  onChoose: (value: string) => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-1">
      <span className="text-[14px] text-quiet">{label}</span>
      {values.map((value) => (
        <button
          key={value}
          type="button"
          aria-pressed={value === chosen}
          className={`btn px-2 btn-sm max-sm:h-12 ${value === chosen ? 'border-ink bg-base-300 font-semibold' : 'btn-quiet'}`}
          onClick={() => onChoose(value)}
        >
          {value}
        </button>
      ))}
    </div>
  );
}
