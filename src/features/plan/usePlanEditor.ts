'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { chooseReferences, poolOf } from '@/core/practice/start/chooseReferences';
import { type Chosen, layOutRecipe, type Origin } from '@/core/practice/plan/layOut';
import { sayLine } from '@/core/practice/line/sayLine';
import { counted } from '@/core/words';
import { findProblems } from '@/core/practice/edit/problems';
import type { Problem } from '@/core/practice/edit/problem';
import { blockIds, overTheMost, type Recipe, type PosesRecipe } from '@/core/practice/plan/recipe';
import type { Plan } from '@/core/practice/plan/schema';
import { afterDoing, afterRedoing, afterUndoing, goesOn, NO_STEPS, type Steps } from '@/core/undo';
import { commonKind, type SubjectKind } from '@/core/references/subjectKind';
import { storageProblem } from '@/storage/problems';
import { useKeeping } from '@/storage/hooks/useKeeping';
import type { Session } from '@/core/journal/session';
import { setsOfBlock } from '@/core/practice/plan/setsOfBlock';
import { useDraftElsewhere } from './useDraftElsewhere';
import { usePools } from './usePools';

interface Step {
  /** What was done: said when it is undone. */
  words: string;
  recipe: Recipe;
}
interface History extends Steps<Step> {
  recipe: Recipe;
  /** Ids of the blocks that the title and the reason are about; undefined where the learner named the plan. */
  titled: readonly string[] | undefined;
}
/** So many steps can be undone. */
const MOST = 200;

export interface PlanEditor {
  recipe: Recipe;
  chosen: Chosen;
  plan: Plan;
  origins: readonly Origin[];
  problems: readonly Problem[];
  /** Everything it draws from has been read. */
  ready: boolean;
  /** Pictures there are to choose from, in all its blocks together. */
  available: number;
  /** What the plan's set mostly shows; undefined where that is mixed or not known. */
  kind: SubjectKind | undefined;
  /** What a block may be drawn from, and what of its sets its wishes leave out. */
  poolOfBlock: (block: PosesRecipe) => { pool: readonly string[]; leftOut: readonly string[] };
  selected: readonly string[];
  select: (ids: readonly string[]) => void;
  /** One step that can be undone; the same words within a moment of each other are one step, such as a drag. */
  change: (words: string, update: (recipe: Recipe) => Recipe) => void;
  undo: () => void;
  redo: () => void;
  undoWords: string | undefined;
  redoWords: string | undefined;
  newId: () => string;
  /** The recipe was saved as this plan, and stays so when a change is undone. */
  savedAs: (id: string) => void;
  /** The draft as another tab changed it since; undefined where none did. Nothing is written here until one is chosen. */
  elsewhere: Recipe | undefined;
  /** Takes the other tab's draft, as a step that can be undone, or keeps this one. */
  settle: (take: 'theirs' | 'ours') => void;
}

/** A change that begins another plan. */
export const ANOTHER_PLAN = 'Another plan';

/** The longest title said in full. */
const LONG_TITLE = 60;

/** The changed recipe with a title and a reason that are about it: once every block they were about is gone, it is called what it is. */
function withTitleOf({ titled }: History, words: string, next: Recipe): Pick<History, 'recipe' | 'titled'> {
  const ids = next.blocks.map(({ id }) => id);
  if (words === 'Name') return { recipe: next, titled: undefined };
  if (words === ANOTHER_PLAN || words === 'Planned') return { recipe: next, titled: ids };
  if (titled === undefined || ids.length === 0 || titled.some((id) => ids.includes(id)))
    return { recipe: next, titled };
  const line = sayLine(next);
  const title = line.length <= LONG_TITLE ? line : `${counted(ids.length, 'block')} of your own`;
  return { recipe: { ...next, title, why: 'Put together block by block.' }, titled: ids };
}

/** Marks a recipe and the versions of the same plan before it as one saved plan. */
function markSaved(history: History, savedId: string): History {
  const from = history.past.findLastIndex(({ words }) => words === ANOTHER_PLAN) + 1;
  return {
    ...history,
    past: history.past.map((step, i) => (i < from ? step : { ...step, recipe: { ...step.recipe, savedId } })),
    recipe: { ...history.recipe, savedId },
  };
}

/** Done many times in one go: a drag, typing. */
const MERGED: readonly string[] = ['Length', 'Name'];
const sameStep = (a: Step | undefined, words: string, since: number): boolean =>
  MERGED.includes(words) && goesOn({ what: a?.words, atMs: since }, { what: words, atMs: Date.now() });

/** The plan being built, with what follows from it, undo, and a draft that survives leaving. */
export function usePlanEditor(first: Recipe, sessions: readonly Session[], nowMs: number): PlanEditor {
  const [history, setHistory] = useState<History>({
    ...NO_STEPS,
    recipe: first,
    titled: first.blocks.map(({ id }) => id),
  });
  const [selected, setSelected] = useState<readonly string[]>([]);
  const lastChange = useRef(0);
  const [newId] = useState(() => blockIds(Math.floor(Math.random() * 2 ** 31)));
  const { recipe, past, future } = history;
  const { pools, ready } = usePools(recipe, sessions, nowMs);

  const keep = useKeeping('planDraft', (error) => toastProblem(storageProblem(error)));
  const { elsewhere, written, ignore } = useDraftElsewhere();
  useEffect(() => {
    if (elsewhere) return;
    const json = JSON.stringify(recipe);
    written(json);
    keep(json);
  }, [recipe, keep, elsewhere, written]);

  const change = useCallback((words: string, update: (recipe: Recipe) => Recipe) => {
    const since = lastChange.current;
    lastChange.current = Date.now();
    setHistory((h) => {
      const next = update(h.recipe);
      if (next === h.recipe) return h;
      const over = overTheMost(next.blocks);
      if (over) {
        // Told after React is done with the state; twice the same is one message.
        queueMicrotask(() => toastProblem(`${over} Nothing was changed.`));
        return h;
      }
      const titled = withTitleOf(h, words, next);
      const merged = sameStep(h.past.at(-1), words, since);
      return { ...(merged ? { ...h, future: [] } : afterDoing(h, { words, recipe: h.recipe }, MOST)), ...titled };
    });
  }, []);
  const undo = useCallback(() => {
    lastChange.current = 0;
    setHistory((h) => ({
      ...h,
      ...afterUndoing(h, ({ words }) => ({ words, recipe: h.recipe })),
      recipe: h.past.at(-1)?.recipe ?? h.recipe,
    }));
  }, []);
  const redo = useCallback(() => {
    lastChange.current = 0;
    setHistory((h) => ({
      ...h,
      ...afterRedoing(h, ({ words }) => ({ words, recipe: h.recipe })),
      recipe: h.future.at(-1)?.recipe ?? h.recipe,
    }));
  }, []);

  const chosen = useMemo(() => chooseReferences(recipe, pools), [recipe, pools]);
  const laidOut = useMemo(() => layOutRecipe(recipe, chosen), [recipe, chosen]);
  const problems = useMemo(
    () => (ready ? findProblems(recipe, laidOut.plan, pools, chosen) : []),
    [ready, recipe, laidOut, pools, chosen],
  );
  const available = useMemo(() => {
    const pictures = recipe.blocks.flatMap((b) =>
      b.kind === 'poses' ? poolOf(recipe, b, pools).map((r) => r.id) : [],
    );
    return new Set(pictures).size;
  }, [recipe, pools]);
  const kind = useMemo(() => commonKind(pools.bySet.get(recipe.setId) ?? []), [pools, recipe.setId]);
  const poolOfBlock = useCallback(
    (block: PosesRecipe) => {
      const pool = poolOf(recipe, block, pools).map((r) => r.id);
      const within = new Set(pool);
      const all = setsOfBlock(recipe, block).flatMap((set) => pools.bySet.get(set) ?? []);
      return { pool, leftOut: [...new Set(all.map((r) => r.id))].filter((id) => !within.has(id)) };
    },
    [recipe, pools],
  );
  return {
    recipe,
    chosen,
    ...laidOut,
    problems,
    ready,
    available,
    kind,
    poolOfBlock,
    selected: selected.filter((id) => recipe.blocks.some((b) => b.id === id)),
    select: setSelected,
    change,
    undo,
    redo,
    undoWords: past.at(-1)?.words,
    redoWords: future.at(-1)?.words,
    newId,
    savedAs: useCallback((id: string) => setHistory((h) => markSaved(h, id)), []),
    elsewhere,
    settle: (take) => {
      if (take === 'theirs' && elsewhere) change(ANOTHER_PLAN, () => elsewhere);
      ignore();
    },
  };
}
