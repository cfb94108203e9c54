'use client';
import { useState } from 'react';
import { exerciseSchema, type Exercise, type ExerciseRule, VIEWS } from '@/core/practice/exercises/exercise';
import { Choice, DurationField, Row, Select } from './fields';
import { RuleRows } from './RuleRows';

interface OwnExerciseProps {
  from: Exercise;
  onMake: (exercise: Exercise) => void;
  onCancel: () => void;
}

/** An exercise of the learner's own, by combining rule fields. */
export function OwnExercise({ from, onMake, onCancel }: OwnExerciseProps) {
  const [draft, setDraft] = useState<Exercise>(() => ({ ...from, name: '', purpose: '', cues: [] }));
  const [cues, setCues] = useState('');
  const [lookAt, setLookAt] = useState(from.lookAt.join('\n'));
  const [problem, setProblem] = useState<string>();
  const { rule } = draft;
  const set = (part: Partial<Exercise>): void => setDraft({ ...draft, ...part });
  const setRule = (part: Partial<ExerciseRule>): void => set({ rule: { ...rule, ...part } });
  const make = (): void => {
    const name = draft.name.trim();
    if (name === '') return setProblem('Give it a name. Nothing is lost meanwhile.');
    const lines = linesOf(cues);
    const parsed = exerciseSchema.safeParse({
      ...draft,
      lookAt: linesOf(lookAt),
      id: `own-${crypto.randomUUID()}`,
      name,
      cues: lines.length > 0 ? lines : [name],
      shortestMs: Math.min(draft.shortestMs, draft.usualMs),
      longestMs: Math.max(draft.longestMs, draft.usualMs),
    });
    if (parsed.success) onMake(parsed.data);
    else setProblem(`Something is too long: ${parsed.error.issues[0]?.path.join(' ') ?? ''}.`);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        make();
      }}
    >
      <p className="mb-2 text-quiet">It begins as {from.name.toLowerCase()}; change what is different.</p>
      <label className="block">
        <span className="text-[14px]">Name</span>
        <input
          className="input w-full"
          maxLength={60}
          value={draft.name}
          onChange={(event) => set({ name: event.target.value })}
        />
      </label>
      <label className="mt-2 block">
        <span className="text-[14px]">What it is for</span>
        <input
          className="input w-full"
          maxLength={300}
          value={draft.purpose}
          onChange={(event) => set({ purpose: event.target.value })}
        />
      </label>
      <label className="mt-2 mb-3 block">
        <span className="text-[14px]">Cues, one a line, shown before each pose</span>
        <textarea className="textarea w-full" rows={2} value={cues} onChange={(event) => setCues(event.target.value)} />
      </label>
      <label className="mb-3 block">
        <span className="text-[14px]">What to look for afterward, one a line, at most twelve</span>
        <textarea
          className="textarea w-full"
          rows={3}
          value={lookAt}
          onChange={(event) => setLookAt(event.target.value)}
        />
      </label>
      <Row label="Reference">
        <Choice
          label="Reference"
          value={rule.reference}
          options={['shown', 'look then hidden', 'shown then hidden', 'none']}
          onChange={(reference) =>
            setDraft({
              ...draft,
              rule: { ...rule, reference },
              lookMs: reference === 'look then hidden' ? draft.lookMs || 30_000 : 0,
            })
          }
        />
      </Row>
      <RuleRows rule={rule} onChange={setRule} />
      <Row label="Hand">
        <Choice label="Hand" value={rule.hand} options={['usual', 'other']} onChange={(hand) => setRule({ hand })} />
        <Choice
          label="Grip"
          value={rule.grip}
          options={['free', 'from the shoulder']}
          onChange={(grip) => setRule({ grip })}
        />
      </Row>
      <Row label="Picture">
        <Select
          label="View"
          value={rule.view}
          options={VIEWS.map((v) => [v, v] as const)}
          onChange={(v) => setRule({ view: v as ExerciseRule['view'] })}
        />
        <Choice
          label="Repeat"
          value={rule.repeat}
          options={['new picture', 'same picture again']}
          onChange={(repeat) => setRule({ repeat })}
        />
      </Row>
      <Row label="Pace">
        <Choice
          label="Pace"
          value={rule.pace}
          options={['free', 'quick', 'slow']}
          onChange={(pace) => setRule({ pace })}
        />
      </Row>
      <Row label="Judging">
        <Choice
          label="Judging"
          value={rule.review}
          options={['kind', 'measured', 'pair']}
          onChange={(review) => setRule({ review })}
        />
      </Row>
      <Row label="Usual length">
        <DurationField label="Usual length" ms={draft.usualMs} onChange={(usualMs) => set({ usualMs })} />
        {rule.reference === 'look then hidden' && (
          <>
            <span className="text-[14px]">after looking for</span>
            <DurationField label="Looking" ms={draft.lookMs} onChange={(lookMs) => set({ lookMs })} />
          </>
        )}
      </Row>
      {problem && (
        <p role="alert" className="mt-2 text-russet-text">
          {problem}
        </p>
      )}
      <div className="mt-4 flex gap-3">
        <button type="submit" className="btn">
          Keep it
        </button>
        <button type="button" className="btn-quiet btn" onClick={onCancel}>
          Back
        </button>
      </div>
    </form>
  );
}

/** Lines of a text, without empty ones. */
const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
