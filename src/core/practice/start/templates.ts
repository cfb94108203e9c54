import type { Aim } from './aimIds';
import type { Wish } from './aims';
import { fitPlan, type FitRequest, type Shape } from '../fit/fit';
import { lookBackBlock, posesBlock, restBlock } from '../edit/newBlock';
import { blockIds, type PosesRecipe, type Recipe, type RecipeBlock } from '../plan/recipe';
import { refit } from '../fit/refit';

export interface Template {
  id: string;
  name: string;
  /** One sentence: what it does. */
  words: string;
  /** Minutes it is first made for. */
  minutes: number;
  build: (base: TemplateBase) => Recipe;
}
/** What the learner has said already. */
type TemplateBase = Pick<FitRequest, 'availableMs' | 'setId' | 'seed'> &
  Partial<Pick<FitRequest, 'medium' | 'sheet' | 'workingMs' | 'daysSinceLast'>>;

const fitted =
  (aim: Aim, shape: Shape, more: Partial<FitRequest> = {}) =>
  (base: TemplateBase): Recipe =>
    fitPlan({ ...base, aim, shape, ...more }).recipe;

const wish = (exercise: string, weight: number): Wish => ({ exercise, weight });

/** Blocks written out, then fitted into the time with their character kept: the first form that fits, else what the fit makes of the time. */
function built(base: TemplateBase, ...forms: ((newId: () => string) => RecipeBlock[])[]): Recipe {
  const { recipe } = fitPlan({ ...base, aim: 'everything', shape: 'climb' });
  for (const form of forms) {
    const fitted = refit({ ...recipe, blocks: form(blockIds(base.seed + 7)) }, base.availableMs);
    if (fitted) return fitted.recipe;
  }
  return recipe;
}

const ladder = (id: string, lookMs: number): PosesRecipe => ({
  ...posesBlock(id, 'shrinking-time', 4),
  lengths: { order: 'descend', fromMs: 60_000, toMs: 600_000, listMs: [] },
  lookMs,
});

/** A page from the head, each day; it ends when it is full. */
const imaginationPage = (id: string): PosesRecipe => ({
  ...posesBlock(id, 'from-imagination', 1, 600_000),
  openDraw: true,
  settings: { atZero: 'open', prompt: 'Fill the page: solids that turn, and what they could become.' },
});

/** Starting points. Each is computed for the time there is, never written down as numbers. */
export const TEMPLATES: readonly Template[] = [
  {
    id: 'spare-minute',
    name: 'A spare minute',
    words: 'One pose, and it counts.',
    minutes: 1,
    build: fitted('speed', 'level', { wishes: [wish('flowing-gesture', 1)] }),
  },
  {
    id: 'warm-hands',
    name: 'Warm hands',
    words: 'Body, a page of lines, then quick poses: before a main piece.',
    minutes: 12,
    build: fitted('loosen', 'climb', { wishes: [wish('action-line', 0.4), wish('flowing-gesture', 0.6)] }),
  },
  {
    id: 'short-to-long',
    name: 'Short to long',
    words: 'Quick poses first, each stretch a little longer.',
    minutes: 40,
    build: fitted('everything', 'climb'),
  },
  {
    id: 'less-each-time',
    name: 'Less time each time',
    words: 'Two pictures, each four times in shrinking time. Only what matters survives.',
    minutes: 40,
    build: (base) =>
      built(
        base,
        (id) => [ladder(id(), 60_000), restBlock(id(), 120_000), ladder(id(), 60_000), lookBackBlock(id(), 60_000)],
        (id) => [ladder(id(), 30_000)],
        (id) => [ladder(id(), 0)],
      ),
  },
  {
    id: 'slow-eyes',
    name: 'Slow eyes',
    words: 'Edges at the pace of the eye: blind, one line, contour.',
    minutes: 30,
    build: fitted('contour', 'climb', {
      wishes: [wish('blind-contour', 0.25), wish('continuous-line', 0.3), wish('contour', 0.45)],
    }),
  },
  {
    id: 'look-and-keep',
    name: 'Look and keep',
    words: 'Look, hide, draw: what stays?',
    minutes: 30,
    build: fitted('memory', 'climb'),
  },
  {
    id: 'heads-and-hands',
    name: 'Heads and hands',
    words: 'Heads without features, hands as mittens first.',
    minutes: 25,
    build: fitted('hands', 'climb', { wishes: [wish('quick-head', 0.4), wish('hands-and-feet', 0.6)] }),
  },
  {
    id: 'page-a-day',
    name: 'A page a day',
    words: 'A month of pages from imagination: no picture, no countdown, full when it is full.',
    minutes: 10,
    build: (base) => ({ ...built(base, (id) => [imaginationPage(id())]), title: 'A page a day' }),
  },
  {
    id: 'model-evening',
    name: 'An evening with a model',
    words: 'Poses are called, breaks are kept, nothing is held too long.',
    minutes: 180,
    build: fitted('everything', 'climb', {
      liveModel: true,
      wishes: [wish('flowing-gesture', 0.12), wish('structural-gesture', 0.16), wish('tone-study', 0.72)],
    }),
  },
  {
    id: 'back-again',
    name: 'Back again',
    words: 'After a pause: a page of lines, gentle poses, longer times than you remember.',
    minutes: 15,
    build: (base) => {
      const { recipe } = fitPlan({
        ...base,
        aim: 'loosen',
        shape: 'level',
        daysSinceLast: Math.max(7, base.daysSinceLast ?? 7),
        wishes: [wish('flowing-gesture', 0.7), wish('continuous-line', 0.3)],
      });
      return {
        ...recipe,
        blocks: recipe.blocks.map((b) =>
          b.kind === 'poses' ? { ...b, source: { ...b.source, hardest: 2, gentleFirst: true } } : b,
        ),
      };
    },
  },
];
