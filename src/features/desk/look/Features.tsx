'use client';
import { useState } from 'react';
import type { Drawing } from '@/core/journal/drawings';
import {
  FEATURE_STATES,
  featureCounts,
  type FeatureState,
  freshKeptDrawing,
  type KeptDrawing,
} from '@/core/journal/keptDrawing';
import { hidesReference } from '@/core/practice/exercises/exercise';
import { lookAtFor } from '@/core/practice/rules/lookAtFor';
import { storageProblem } from '@/storage/problems';
import { changeKeptDrawing, keptDrawingsOf } from '@/storage/sessions/keptDrawings';
import { useStored } from '@/storage/hooks/useStored';
import { useTraits } from '@/storage/hooks/useTraits';
import { toastProblem } from '@/ui/toast/toast';

const WORDS: Record<FeatureState, string> = {
  kept: 'there',
  missed: 'missing',
  'left out': 'left out on purpose',
  invented: 'not in the reference',
};
const LONGEST = 80;

type Feature = NonNullable<KeptDrawing['features']>[number];

/** What of the reference is in the drawing, feature by feature: after drawing from memory, or from version to version. */
export function Features({ sessionId, pose }: { sessionId: string; pose: Drawing }) {
  const stored = useStored(() => keptDrawingsOf(sessionId), ['drawings'], [sessionId]);
  const [name, setName] = useState('');
  const kept = stored.value?.find((one) => one.drawing === pose.drawing) ?? freshKeptDrawing(sessionId, pose.drawing);
  const features = kept.features ?? [];
  const counts = featureCounts(kept);
  const change = (next: Feature[]): void => {
    changeKeptDrawing(sessionId, pose.drawing, (before) => ({ ...before, features: next })).catch((error: unknown) =>
      toastProblem(storageProblem(error)),
    );
  };
  const add = (names: readonly string[]): void => {
    const fresh = names.filter((one) => features.every((f) => f.name !== one));
    change([...features, ...fresh.map((one): Feature => ({ name: one.slice(0, LONGEST), state: 'kept' }))]);
  };
  const lookAt = lookAtFor(pose.exercise, useTraits(pose.referenceId, false));
  const recalled = hidesReference(pose.exercise) ? 'recalled' : 'kept';
  return (
    <details className="border-t border-hairline pt-2" open={features.length > 0 || undefined}>
      <summary className="cursor-pointer py-1 font-serif text-[18px]">Feature by feature</summary>
      {counts.share !== undefined && (
        <p role="status">
          {counts.kept} of {counts.listed} {recalled} ({(counts.share * 100).toFixed(1).replace(/\.0$/, '')} %)
          {counts.invented > 0 && `, ${String(counts.invented)} not in the reference`}.
        </p>
      )}
      <ul aria-label="Features of the reference" className="mt-1">
        {features.map((feature, i) => (
          <li key={feature.name} className="flex items-center gap-2 py-0.5">
            <span className="min-w-0 flex-1">{feature.name}</span>
            <select
              className="select w-auto select-xs max-sm:h-12"
              aria-label={`${feature.name} is`}
              value={feature.state}
              onChange={(event) => {
                const state = event.target.value as FeatureState;
                change(features.with(i, { ...feature, state }));
              }}
            >
              {FEATURE_STATES.map((state) => (
                <option key={state} value={state}>
                  {WORDS[state]}
                </option>
              ))}
            </select>
            <button
              type="button"
              className="btn-quiet btn btn-xs max-sm:h-12"
              aria-label={`Take ${feature.name} off`}
              onClick={() => change(features.filter((_, k) => k !== i))}
            >
              Off
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-1 flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '') return;
          add([name.trim()]);
          setName('');
        }}
      >
        <input
          className="input min-w-0 flex-1 input-sm max-sm:h-12"
          aria-label="A feature of the reference"
          placeholder="the far heel"
          maxLength={LONGEST}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <button type="submit" className="btn-quiet btn btn-sm max-sm:h-12" disabled={name.trim() === ''}>
          Add
        </button>
      </form>
      {features.length === 0 && lookAt.length > 0 && (
        <button type="button" className="mt-1 link text-[14px]" onClick={() => add(lookAt)}>
          Begin with what this exercise looks at
        </button>
      )}
    </details>
  );
}
