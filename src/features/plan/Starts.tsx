'use client';
import { shortDay, weekdayAndDay } from '@/core/dateWords';
import { toast, toastProblem } from '@/ui/toast/toast';
import { drawingHistory } from '@/core/journal/history';
import type { Session } from '@/core/journal/session';
import { followAnswers } from '@/core/growing/followAnswers';
import { piecesOf } from '@/core/growing/pieces';
import { wholeAnswers } from '@/core/growing/workingTime';
import { lengthsThatWork } from '@/core/growing/lengthsThatWork';
import { clockDigits, durationWords } from '@/core/practice/time/duration';
import { insertBlocks, placeForNew } from '@/core/practice/edit/edit';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { recipeOf } from '@/core/practice/plan/recipeOf';
import type { Recipe } from '@/core/practice/plan/recipe';
import { REMEDIES, type Remedy } from '@/core/practice/start/remedies';
import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import { sumPlan } from '@/core/practice/time/sums';
import { TEMPLATES, type Template } from '@/core/practice/start/templates';
import { storageProblem } from '@/storage/problems';
import { listSavedPlans, savePlan } from '@/storage/sessions/savedPlans';
import { useStored } from '@/storage/hooks/useStored';
import { Dialog } from '@/ui/Dialog';
import { OpenPlanFile } from './OpenPlanFile';
import { ANOTHER_PLAN, type PlanEditor } from './usePlanEditor';

interface StartsProps {
  editor: PlanEditor;
  sessions: readonly Session[];
  nowMs: number;
  onTold: (words: string) => void;
  onAvailable: (ms: number) => void;
  onClose: () => void;
}

/** Where a plan can begin from: what one is after, what is bothering, plans of one's own, a session as it was, a file. */
export function Starts({ editor, sessions, nowMs, onTold, onAvailable, onClose }: StartsProps) {
  const { recipe, change } = editor;
  const saved = useStored(listSavedPlans, ['plans'], []);
  const take = (given: Recipe, words: string): void => {
    const next = followAnswers(given, wholeAnswers(sessions.flatMap(piecesOf)));
    change(ANOTHER_PLAN, () => next);
    editor.select([]);
    onAvailable(next.availableMs);
    onTold(words);
    onClose();
  };
  const fromTemplate = (template: Template): void => {
    const { daysSinceLast } = drawingHistory(sessions, nowMs);
    const minutes = template.minutes * 60_000;
    const built = template.build({
      availableMs: minutes,
      setId: recipe.setId,
      seed: recipe.seed + 1,
      medium: recipe.medium,
      sheet: recipe.sheet,
      workingMs: lengthsThatWork(sessions),
      ...(daysSinceLast !== undefined && { daysSinceLast }),
    });
    take({ ...built, title: template.name, why: template.words }, `${template.name}: ${template.words}`);
  };
  const remedy = ({ id, blocks, reason, complaint }: Remedy): void => {
    const some = blocks(editor.newId);
    change('A remedy', (r) => ({
      ...insertBlocks(r, some, placeForNew(r, editor.selected)),
      cause: { ...r.cause, remedy: id },
    }));
    editor.select(some.map((b) => b.id));
    onTold(`“${complaint}”: ${reason}`);
    onClose();
  };
  const toBin = (plan: SavedPlan): void => {
    savePlan({ ...plan, binnedAtMs: nowMs }).then(
      () =>
        toast(`“${plan.recipe.title}” is in the bin for 30 days.`, {
          action: {
            label: 'Put back',
            onClick: () => void savePlan(plan).catch((e: unknown) => toastProblem(storageProblem(e))),
          },
        }),
      (error: unknown) => toastProblem(storageProblem(error)),
    );
  };
  const recent = sessions.filter((s) => s.status === 'kept').slice(0, 6);
  return (
    <Dialog title="Begin from" onClose={onClose} wide>
      <div className="grid gap-x-10 gap-y-6 md:grid-cols-3">
        <section>
          <h3 className="text-[18px]">What you are after</h3>
          <ul className="mt-1">
            {TEMPLATES.map((t) => (
              <li key={t.id} className="border-t border-hairline">
                <button type="button" className="w-full py-[6px] text-left" onClick={() => fromTemplate(t)}>
                  <b>{t.name}</b> <span className="text-quiet">{durationWords(t.minutes * 60_000)}</span>
                  <span className="block text-[14px] text-quiet">{t.words}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h3 className="text-[18px]">What is bothering you?</h3>
          <p className="text-[14px] text-quiet">Adds blocks to this plan, with the reason.</p>
          <ul className="mt-1">
            {REMEDIES.map((r) => (
              <li key={r.id} className="border-t border-hairline">
                <button type="button" className="w-full py-[6px] text-left" onClick={() => remedy(r)}>
                  {r.complaint}
                </button>
              </li>
            ))}
          </ul>
        </section>
        <section>
          <button
            type="button"
            className="btn-quiet btn mb-4 btn-sm"
            onClick={() =>
              take(
                { ...recipe, blocks: [], title: 'A new plan', why: 'Empty so far.' },
                'An empty plan. Add poses, or say it in a line.',
              )
            }
          >
            An empty plan
          </button>
          <h3 className="text-[18px]">Plans you keep</h3>
          {saved.value?.length === 0 && (
            <p className="mt-1 text-[14px] text-quiet">None yet. “Keep, print, share…” keeps this one.</p>
          )}
          <ul className="mt-1">
            {saved.value?.map((plan) => (
              <li key={plan.id} className="flex items-baseline gap-2 border-t border-hairline">
                <button
                  type="button"
                  className="min-w-0 flex-1 py-[6px] text-left"
                  onClick={() =>
                    take(
                      { ...plan.recipe, seed: plan.recipe.seed + 1, savedId: plan.id },
                      `“${plan.recipe.title}”: its structure with new pictures; pinned ones stay.`,
                    )
                  }
                >
                  <b>{plan.recipe.title}</b>{' '}
                  <span className="text-[14px] text-quiet">
                    {clockDigits(sumPlan(layOutRecipe(plan.recipe, {}).plan).totalMs)}
                  </span>
                </button>
                <button
                  type="button"
                  className="link-quiet text-[13px]"
                  aria-label={`Put ${plan.recipe.title} into the bin`}
                  onClick={() => toBin(plan)}
                >
                  to the bin
                </button>
              </li>
            ))}
          </ul>
          <h3 className="mt-5 text-[18px]">A session as it was</h3>
          <ul className="mt-1">
            {recent.map((s) => (
              <li key={s.id} className="border-t border-hairline">
                <button
                  type="button"
                  className="w-full py-[6px] text-left text-[14px]"
                  onClick={() =>
                    take(
                      recipeOf(s.plan, recipe.setId, false),
                      `The plan of ${weekdayAndDay(s.startedAtMs)}, with new pictures.`,
                    )
                  }
                >
                  {shortDay(s.startedAtMs)}, {s.plan.title}
                </button>
              </li>
            ))}
            {recent.length === 0 && <li className="text-[14px] text-quiet">No session yet.</li>}
          </ul>
          <OpenPlanFile onOpened={take} />
        </section>
      </div>
    </Dialog>
  );
}
