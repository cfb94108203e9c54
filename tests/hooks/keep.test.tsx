// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Recipe } from '@/core/practice/plan/recipe';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { Keep } from '@/features/plan/Keep';
import { usePlanEditor } from '@/features/plan/usePlanEditor';
import { closeDb } from '@/storage/db';
import { listSavedPlans } from '@/storage/sessions/savedPlans';
import { level, recipeWith } from '../core/recipes';

vi.mock('@/ui/toast/toast', () => ({ toast: () => undefined, toastProblem: () => undefined }));
beforeEach(async () => {
  // jsdom has no dialogs.
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function () {
    this.open = false;
  };
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});
afterEach(cleanup);

const NOW = new Date(2026, 10, 25, 19).getTime();
const TITLE = '25 min of practice';
const plan = (count: number): Recipe =>
  recipeWith([level('a', count, 60_000)], { setId: BUILT_IN_SET_ID, title: TITLE });
function Page({ first }: { first: Recipe }) {
  const editor = usePlanEditor(first, [], NOW);
  return <Keep editor={editor} nowMs={NOW} onTold={() => undefined} onClose={() => undefined} />;
}
const press = async (name: string): Promise<void> => {
  const button = await screen.findByText<HTMLButtonElement>(name);
  await waitFor(() => expect(button.disabled).toBe(false));
  fireEvent.click(button);
};
const counts = async (): Promise<number[]> =>
  (await listSavedPlans()).map(({ recipe: { blocks } }) => (blocks[0].kind === 'poses' ? blocks[0].count : 0)).sort();

describe('keeping plans', () => {
  it('never overwrites another plan that has the same title', async () => {
    const first = render(<Page first={plan(3)} />);
    await press('Keep this plan');
    await waitFor(async () => expect(await counts()).toEqual([3]));
    first.unmount();
    render(<Page first={plan(5)} />);
    await press('Let it stand on these days');
    await waitFor(async () => expect(await counts()).toEqual([3, 5]));
  });
  it('keeps one plan for a double click', async () => {
    render(<Page first={plan(3)} />);
    await press('Keep this plan');
    fireEvent.click(screen.getByText('Keep this plan'));
    await screen.findByText('Save changes');
    expect(await counts()).toEqual([3]);
  });
  it('saves changes to the plan it was kept as, and its weekdays stay', async () => {
    render(<Page first={plan(3)} />);
    await press('Let it stand on these days');
    await press('Save changes');
    await waitFor(async () => expect((await listSavedPlans())[0].savedAtMs).toBe(NOW));
    const [saved, ...others] = await listSavedPlans();
    expect([others, saved.schedule?.days, 'savedId' in saved.recipe]).toEqual([[], [1, 3, 5], false]);
  });
});
