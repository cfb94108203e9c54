// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { lookedAt, ownSessions, sameLearner } from '@/core/journal/whose';
import type { Session } from '@/core/journal/session';
import { withCount } from '@/core/practice/edit/edit';
import { roomForOne } from '@/core/practice/fit/roomForOne';
import { overTheMost, type Recipe, recipeSchema } from '@/core/practice/plan/recipe';
import { sumPlan } from '@/core/practice/time/sums';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { usePlanEditor } from '@/features/plan/usePlanEditor';
import { useProposal } from '@/features/today/useProposal';
import { closeDb } from '@/storage/db';
import { shippedReferences } from '@/core/references/referenceFacts';
import { loadSetting } from '@/storage/settings';
import { planOf, poses } from '../core/plans';
import { level, list, recipeWith } from '../core/recipes';

const told = vi.hoisted(() => vi.fn());
vi.mock('@/ui/toast/toast', () => ({ toast: () => undefined, toastProblem: told }));

beforeEach(async () => {
  told.mockClear();
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});
afterEach(cleanup);

const NOW = new Date(2026, 10, 25, 19).getTime();
const first = recipeWith([level('a', 4, 60_000)], { setId: BUILT_IN_SET_ID });
const editing = (recipe: Recipe = first) => renderHook(() => usePlanEditor(recipe, [], NOW));
const countOf = (recipe: Recipe, at = 0): number => {
  const block = recipe.blocks[at];
  return block.kind === 'poses' ? block.count : 0;
};
const toCount =
  (count: number) =>
  (recipe: Recipe): Recipe => ({
    ...recipe,
    blocks: recipe.blocks.map((b) => (b.kind === 'poses' ? withCount(b, count) : b)),
  });

describe('the plan editor', () => {
  it('undoes and does again, step by step, and says what', () => {
    const { result } = editing();
    act(() => result.current.change('Fewer', toCount(3)));
    act(() => result.current.change('Fewest', toCount(1)));
    expect([countOf(result.current.recipe), result.current.undoWords]).toEqual([1, 'Fewest']);
    act(() => result.current.undo());
    expect([countOf(result.current.recipe), result.current.redoWords]).toEqual([3, 'Fewest']);
    act(() => result.current.undo());
    act(() => result.current.undo());
    expect([countOf(result.current.recipe), result.current.undoWords]).toEqual([4, undefined]);
    act(() => result.current.redo());
    act(() => result.current.change('Another way', toCount(2)));
    act(() => result.current.redo());
    expect(countOf(result.current.recipe)).toBe(2);
  });
  it('takes a drag as one step, and nothing that changes nothing', () => {
    const { result } = editing();
    for (const count of [5, 6, 7]) act(() => result.current.change('Length', toCount(count)));
    act(() => result.current.change('Nothing', (recipe) => recipe));
    act(() => result.current.undo());
    expect(countOf(result.current.recipe)).toBe(4);
  });
  it('chooses pictures for every pose, no pose of a figure twice', async () => {
    const { result } = editing();
    await waitFor(() => expect(result.current.ready).toBe(true));
    const ids = result.current.chosen['a'];
    expect(ids).toHaveLength(4);
    expect(new Set(ids.map((id) => id?.split('/')[1])).size).toBe(4);
    expect(result.current.problems).toEqual([]);
  });
  it('refuses what is more than a plan may hold, in a sentence, and leaves the plan as it was', async () => {
    const full = recipeWith([level('a', 500, 10_000), level('b', 500, 10_000), level('c', 499, 10_000)]);
    expect(recipeSchema.safeParse(full).success).toBe(true);
    const { result } = editing(full);
    act(() => result.current.change('One more', (r) => ({ ...r, blocks: [...r.blocks, level('d', 2, 10_000)] })));
    expect(result.current.recipe).toBe(full);
    await waitFor(() => expect(told).toHaveBeenCalledWith('A plan has at most 1,500 drawings. Nothing was changed.'));
    act(() =>
      result.current.change('Both hands', (r) => ({ ...r, blocks: [{ ...level('a', 300, 10_000), bothHands: true }] })),
    );
    await waitFor(() => expect(told).toHaveBeenCalledWith(expect.stringContaining('both hands together')));
  });
  it('loses no edit made a moment before leaving', async () => {
    const { result, unmount } = editing();
    act(() => result.current.change('Fewer', toCount(2)));
    unmount();
    await waitFor(async () => {
      const kept = recipeSchema.parse(JSON.parse((await loadSetting('planDraft')) ?? 'null'));
      expect(countOf(kept)).toBe(2);
    });
  });
});

describe('room for one more', () => {
  const totalOf = (recipe: Recipe): number => sumPlan(layOutRecipe(recipe, {}).plan).totalMs;
  it('offers the longest pose that fits, and never one that does not', () => {
    const recipe = recipeWith([level('a', 3, 60_000, { changeMs: 5000 }), level('b', 1, 300_000)], { restRule: null });
    const total = totalOf(recipe);
    for (let leftMs = 0; leftMs <= 400_000; leftMs += 5000) {
      const offered = roomForOne(recipe, total + leftMs);
      if (offered) {
        expect(totalOf(offered.recipe)).toBeLessThanOrEqual(total + leftMs);
        expect(totalOf(offered.recipe) - total).toBeGreaterThanOrEqual(offered.drawMs);
      } else expect(leftMs).toBeLessThan(65_000);
    }
    expect(roomForOne(recipe, total + 320_000)).toMatchObject({ blockId: 'b', drawMs: 300_000 });
    expect(roomForOne(recipe, total + 100_000)).toMatchObject({ blockId: 'a', drawMs: 60_000 });
  });
  it('counts a rest that would then be due, and leaves pinned blocks and ladders alone', () => {
    const ruled = recipeWith([level('a', 4, 300_000)], { restRule: { everyMs: 1_200_000, restMs: 300_000 } });
    expect(roomForOne(ruled, totalOf(ruled) + 310_000)).toBeUndefined();
    expect(roomForOne(ruled, totalOf(ruled) + 600_000)).toMatchObject({ drawMs: 300_000 });
    const pinned = recipeWith([level('a', 4, 60_000, { pinned: true })]);
    expect(roomForOne(pinned, totalOf(pinned) + 900_000)).toBeUndefined();
    const own = recipeWith([list('a', [1, 2, 3])]);
    expect(roomForOne(own, totalOf(own) + 200_000)).toMatchObject({ drawMs: 180_000 });
    expect(overTheMost(own.blocks)).toBeUndefined();
  });
});

const session = (id: string, startedAtMs: number): Session => ({
  id,
  plan: planOf(poses(3)),
  log: [{ type: 'start', atMs: 0 }],
  startedAtMs,
  lastSeenMs: 200_000,
  status: 'kept',
  note: '',
});

const CHOICE = { minutes: 20, setId: BUILT_IN_SET_ID, medium: 'pencil', advice: true, warmUp: true };

describe('whose sessions', () => {
  const demo = [session('demo-1', NOW - 3 * 86_400_000), session('demo-2', NOW - 2 * 86_400_000)];
  const own = session('mine', NOW - 86_400_000);
  it('are looked at: the demo learner’s by her name until there is one of one’s own', () => {
    expect(lookedAt(demo)).toEqual({ sessions: demo, of: 'Wren' });
    expect(lookedAt([...demo, own])).toEqual({ sessions: [own], of: undefined });
    expect(lookedAt([])).toEqual({ sessions: [], of: undefined });
    expect(ownSessions([...demo, own])).toEqual([own]);
    expect(sameLearner([...demo, own], demo[0])).toEqual(demo);
  });
  it('of the demo learner are no reason for a newcomer’s session', async () => {
    const references = shippedReferences(BUILT_IN_SET_ID);
    const proposed = (sessions: Session[]) => {
      const whose = lookedAt(sessions);
      return renderHook(() => useProposal(CHOICE, references, whose, NOW, 0)).result;
    };
    const hers = proposed(demo);
    await waitFor(() => expect(hers.current.proposal?.plan.why).toMatch(/because a first session /));
    const mine = proposed([...demo, { ...own, startedAtMs: NOW - 3 * 86_400_000 }]);
    expect(hers.current.proposal?.plan.why).not.toContain('Wren');
    await waitFor(() => expect(mine.current.proposal?.plan.why).toMatch(/because you have not drawn /));
  });
  it('do not change a proposal in the middle of an evening, wherever the day is divided', async () => {
    const references = shippedReferences(BUILT_IN_SET_ID);
    const whose = lookedAt([own]);
    const { result, rerender } = renderHook(({ nowMs }) => useProposal(CHOICE, references, whose, nowMs, 0), {
      initialProps: { nowMs: new Date(2026, 10, 25, 16).getTime() },
    });
    await waitFor(() => expect(result.current.proposal).toBeDefined());
    const before = result.current;
    for (const hour of [17, 19, 21, 23]) {
      rerender({ nowMs: new Date(2026, 10, 25, hour, 59).getTime() });
      expect(result.current).toEqual(before);
    }
  });
  it('give no plan while the set that was chosen is not read yet', async () => {
    const references = shippedReferences(BUILT_IN_SET_ID);
    const whose = lookedAt([own]);
    const { result, rerender } = renderHook(({ from }) => useProposal(CHOICE, from, whose, NOW, 0), {
      initialProps: { from: references },
    });
    await waitFor(() => expect(result.current.proposal).toBeDefined());
    rerender({ from: undefined });
    expect(result.current.proposal).toBeUndefined();
  });
});
