'use client';
import { useId } from 'react';
import { type KeptDrawing, NOTE_LENGTH, withAspect } from '@/core/journal/keptDrawing';
import { type Verdict, VERDICTS, verdictWords } from '@/core/journal/reflection';
import { useTypedText } from './useTypedText';
import { durationWords } from '@/core/practice/time/duration';

const STATES = [
  ['finished', 'Finished'],
  ['surprised', 'It surprised me'],
  ['thrownAway', 'Thrown away'],
] as const;

const TEXTS = [
  ['influence', 'Under the influence of'],
  ['usedFor', 'Used for'],
] as const;

/** What a drawing is called by its owner, to be found by: its states, what it was made under, what it was used for. */
export function SaidOfDrawing({
  kept,
  all,
  aspects,
  judgedForMs,
  onChange,
}: {
  kept: KeptDrawing;
  /** What its exercise looks for, to be judged one by one. */
  aspects: readonly string[];
  /** The time it took, for which it may be judged; undefined while judging is shut. */
  judgedForMs: number | undefined;
  /** All that is said of drawings: what was written once is offered again. */
  all: readonly KeptDrawing[];
  onChange: (how: (before: KeptDrawing) => KeptDrawing) => void;
}) {
  const list = useId();
  return (
    <>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {STATES.map(([state, words]) => (
          <label key={state} className="flex min-h-9 items-center gap-2 max-sm:min-h-12">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={kept[state] === true}
              onChange={({ target: { checked } }) =>
                onChange((before) => ({ ...before, [state]: checked || undefined }))
              }
            />
            {words}
          </label>
        ))}
      </div>
      {judgedForMs !== undefined && (
        <div role="group" aria-label="A verdict, if you like" className="flex flex-wrap items-center gap-2">
          <span>For {durationWords(judgedForMs)}, if you like</span>
          <VerdictButtons
            value={kept.verdict}
            onChoose={(verdict) =>
              onChange((before) => ({ ...before, verdict: before.verdict === verdict ? undefined : verdict }))
            }
          />
          {kept.verdict && <span role="status">{verdictWords(kept.verdict, judgedForMs)}</span>}
        </div>
      )}
      {judgedForMs !== undefined && aspects.length > 0 && (
        <details open={(kept.aspects?.length ?? 0) > 0 || undefined}>
          <summary className="cursor-pointer py-1">Judge it point by point</summary>
          <ul className="mt-1 flex flex-col gap-2">
            {aspects.map((aspect) => (
              <li key={aspect} role="group" aria-label={aspect} className="flex flex-wrap items-center gap-2">
                <span className="min-w-[16ch]">{aspect}</span>
                <VerdictButtons
                  value={kept.aspects?.find((one) => one.aspect === aspect)?.verdict}
                  onChoose={(verdict) =>
                    onChange((before) => ({ ...before, aspects: withAspect(before.aspects, aspect, verdict) }))
                  }
                />
              </li>
            ))}
          </ul>
        </details>
      )}
      <label className="flex flex-wrap items-center gap-2" htmlFor={`${list}-note`}>
        In a line
        <TextOfDrawing
          id={`${list}-note`}
          value={kept.note ?? ''}
          maxLength={NOTE_LENGTH}
          onKeep={(text) => onChange((before) => ({ ...before, note: text || undefined }))}
        />
      </label>
      {TEXTS.map(([field, words]) => (
        <label key={field} className="flex flex-wrap items-center gap-2">
          {words}
          <TextOfDrawing
            list={`${list}-${field}`}
            value={kept[field] ?? ''}
            onKeep={(text) => onChange((before) => ({ ...before, [field]: text || undefined }))}
          />
          <datalist id={`${list}-${field}`}>
            {[...new Set(all.flatMap((one) => one[field] ?? []))].sort().map((value) => (
              <option key={value} value={value} />
            ))}
          </datalist>
        </label>
      ))}
    </>
  );
}

/** A verdict out of three; the one given is pressed. */
function VerdictButtons({ value, onChoose }: { value: Verdict | undefined; onChoose: (verdict: Verdict) => void }) {
  return VERDICTS.map((verdict) => (
    <button
      key={verdict}
      type="button"
      aria-pressed={value === verdict}
      className={`btn btn-sm max-sm:h-12 ${value === verdict ? 'bg-ink/10' : 'btn-quiet'}`}
      onClick={() => onChoose(verdict)}
    >
      {verdict}
    </button>
  ));
}

/** A short text about a drawing, kept with every letter. */
function TextOfDrawing({
  id,
  list,
  value,
  maxLength = 80,
  onKeep,
}: {
  id?: string;
  list?: string;
  value: string;
  maxLength?: number;
  onKeep: (text: string) => void;
}) {
  const typed = useTypedText(value, (text) => onKeep(text.trim()));
  return (
    <input className="input min-w-0 flex-1 input-sm max-sm:h-12" id={id} maxLength={maxLength} list={list} {...typed} />
  );
}
