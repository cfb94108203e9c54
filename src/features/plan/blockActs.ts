import {
  duplicateBlocks,
  moveBlocks,
  removeBlocks,
  splitBlock,
  stepBlock,
  updatePoses,
  withCount,
} from '@/core/practice/edit/edit';
import { MAX_COUNT, type RecipeBlock, rowLengths } from '@/core/practice/plan/recipe';
import { counted } from '@/core/words';
import type { PlanEditor } from './usePlanEditor';

/** Leads the focus to the block that took a deleted one's place, or to adding one, where it would be lost with it. */
function keepFocus(at: number): void {
  requestAnimationFrame(() => {
    if (document.activeElement !== document.body) return;
    const rows = document.querySelectorAll<HTMLElement>('[data-row]');
    (rows[Math.min(at, rows.length - 1)] ?? document.getElementById('add-poses'))?.focus();
  });
}

/** What can be done with the chosen blocks, by keys and by buttons. */
export function blockActs(editor: PlanEditor, say: (words: string) => void) {
  const { recipe, selected, change } = editor;
  const blocks = recipe.blocks.filter((b) => selected.includes(b.id));
  const each = (words: string, update: (b: RecipeBlock) => RecipeBlock): void =>
    change(words, (r) => ({ ...r, blocks: r.blocks.map((b) => (selected.includes(b.id) ? update(b) : b)) }));
  const count = (words: string, by: 1 | -1): void =>
    change(words, (r) =>
      updatePoses(r, selected, (b) => withCount(b, Math.min(MAX_COUNT, Math.max(1, rowLengths(b).length + by)))),
    );
  return {
    longer: () => each('Longer', (b) => stepBlock(b, 1)),
    shorter: () => each('Shorter', (b) => stepBlock(b, -1)),
    more: () => count('One more', 1),
    fewer: () => count('One fewer', -1),
    duplicate: () => {
      const copies = selected.map(() => editor.newId());
      let next = 0;
      change('Duplicated', (r) => duplicateBlocks(r, selected, () => copies[next++ % copies.length]));
      editor.select(copies);
    },
    split: () => {
      const [block] = blocks;
      if (!block) return;
      const half =
        block.kind === 'poses'
          ? Math.ceil(rowLengths(block).length / 2)
          : block.kind === 'lines'
            ? Math.ceil(block.pages.length / 2)
            : 0;
      const split = splitBlock(recipe, block.id, half, editor.newId);
      if (split) change('Split', () => split);
      else say('This block has nothing to split: it needs at least two poses or pages, for one hand.');
    },
    remove: () => {
      if (selected.length === 0) return;
      change('Deleted', (r) => removeBlocks(r, selected));
      keepFocus(recipe.blocks.findIndex((b) => selected.includes(b.id)));
      say(`${counted(selected.length, 'block')} deleted. Ctrl+Z brings ${selected.length === 1 ? 'it' : 'them'} back.`);
    },
    pin: () => {
      const pinned = !blocks.every((b) => b.pinned);
      each(pinned ? 'Pinned' : 'Unpinned', (b) => ({ ...b, pinned }));
    },
    move: (step: 1 | -1) => {
      const at = recipe.blocks.findIndex((b) => selected.includes(b.id));
      const last = recipe.blocks.findLastIndex((b) => selected.includes(b.id));
      if (at < 0 || (step < 0 && at === 0) || (step > 0 && last === recipe.blocks.length - 1)) return;
      change('Moved', (r) => moveBlocks(r, selected, step < 0 ? at - 1 : last + 2));
    },
  };
}
