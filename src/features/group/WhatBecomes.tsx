'use client';
import type { ComponentProps } from 'react';
import { type Group, MOST_SHOWN, withShown } from '@/core/group/group';
import { groupPlan } from '@/core/group/groupPlan';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { useStart } from '@/storage/hooks/useStart';
import { storageProblem } from '@/storage/problems';
import { TakeOut } from '@/ui/TakeOut';
import { toast, toastProblem } from '@/ui/toast/toast';

/** What a group becomes: a session now, a plan for later, another draft, a picture, one of the few to show. */
export function WhatBecomes({
  group,
  all,
  onChange,
  onAnother,
  onRemove,
  onTakeOut,
}: {
  group: Group;
  /** Every draft there is. */
  all: readonly Group[];
  onChange: (group: Group) => void;
  onAnother: () => void;
  onRemove: () => void;
  /** Missing while nobody stands on the sheet. */
  onTakeOut: ComponentProps<typeof TakeOut>['onTake'] | undefined;
}) {
  const { start, starting } = useStart(toastProblem);
  const plan = groupPlan(group, 1);
  const keepAsPlan = (): void => {
    if (!plan) return;
    // What a plan is kept as comes with the planner, and is fetched when it is wanted.
    Promise.all([import('@/core/practice/plan/recipeOf'), import('@/storage/sessions/savedPlans')])
      .then(([{ recipeOf }, { savePlan }]) =>
        savePlan({
          id: crypto.randomUUID(),
          recipe: recipeOf(plan, BUILT_IN_SET_ID, true),
          savedAtMs: Date.now(),
          schedule: null,
          binnedAtMs: null,
        }),
      )
      .then(
        () => toast(`“${plan.title}” is kept, with its figures. It is under “Begin from…” on Plan.`),
        (error: unknown) => toastProblem(storageProblem(error)),
      );
  };
  return (
    <section aria-label="What becomes of it" className="mt-4 border-t border-hairline pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-2">
          <span className="text-quiet">Each</span>
          <select
            className="select w-auto"
            value={group.drawMs}
            onChange={(event) => onChange({ ...group, drawMs: Number(event.target.value) })}
          >
            {[60, 120, 180, 300, 600].map((s) => (
              <option key={s} value={s * 1000}>
                {s / 60} min
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          <span className="text-quiet">then after the bell</span>
          <select
            className="select w-auto"
            value={group.finishMs}
            onChange={(event) => onChange({ ...group, finishMs: Number(event.target.value) })}
          >
            {[0, 120, 300, 600, 1200].map((s) => (
              <option key={s} value={s * 1000}>
                {s === 0 ? 'nothing' : `${String(s / 60)} min`}
              </option>
            ))}
          </select>
        </label>
      </div>
      <div className="mt-3 flex flex-wrap gap-2">
        <button type="button" className="btn min-h-11" disabled={!plan || starting} onClick={() => plan && start(plan)}>
          Draw this group
        </button>
        <button type="button" className="btn-quiet btn min-h-11" disabled={!plan} onClick={keepAsPlan}>
          Keep it as a plan
        </button>
        <button type="button" className="btn-quiet btn min-h-11" onClick={onAnother}>
          Another draft after it
        </button>
        <button type="button" className="btn-quiet btn min-h-11" onClick={onRemove}>
          Take the draft away
        </button>
      </div>
      {onTakeOut && (
        <div className="mt-3">
          <TakeOut problemOf={storageProblem} onTake={onTakeOut}>
            <p className="text-[14px] text-quiet">As a picture of the whole sheet, without what was found.</p>
          </TakeOut>
        </div>
      )}
      <label className="mt-3 flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={group.shown === true}
          onChange={(event) => {
            const next = withShown(group, event.target.checked, all);
            if (next) onChange(next);
            else toast(`${String(MOST_SHOWN)} are shown already: take one of them back first.`);
          }}
        />
        Among the {MOST_SHOWN} to show
      </label>
    </section>
  );
}
