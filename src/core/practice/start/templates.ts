import type { Aim } from './aimIds';
import type { Wish } from './aims';
import { fitPlan, type FitRequest, type Shape } from '../fit/fit';
import { withHandsInTurn } from '../edit/edit';
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

const LADDER_MS = [2, 2, 3, 4, 5].map((minutes) => minutes * 60_000);
const HALF_MS = [5, 5, 10].map((minutes) => minutes * 60_000);

/** A row of lengths written out. */
const listed = (id: string, exercise: string, listMs: readonly number[]): PosesRecipe => ({
  ...posesBlock(id, exercise, listMs.length),
  lengths: { order: 'own list', fromMs: Math.min(...listMs), toMs: Math.max(...listMs), listMs: [...listMs] },
});

/** Two exercises in turn, each picture drawn by both: so many pairs. */
const pairs = (id: string, pairs: number, [one, oneMs]: [string, number], [other, otherMs]: [string, number]) => {
  const block = posesBlock(id, one, 2 * pairs);
  return {
    ...block,
    alternate: other,
    lengths: { order: 'in turn', fromMs: oneMs, toMs: otherMs, listMs: [] },
    source: { ...block.source, pairs: true },
  } satisfies PosesRecipe;
};

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

/** One open page that is expected to take all the time. It doesn't need one of the fixed pose lengths. */
function pageADay(base: TemplateBase): Recipe {
  const { recipe } = fitPlan({ ...base, aim: 'everything', shape: 'climb' });
  const page = imaginationPage(blockIds(base.seed + 7)());
  const expectedMs = Math.max(1000, base.availableMs - page.leadInMs);
  const lengths = { ...page.lengths, fromMs: expectedMs, toMs: expectedMs };
  return { ...recipe, title: 'A page a day', blocks: [{ ...page, lengths }] };
}

/** Of the time there is, as in an evening of three hours that begins with twenty minutes of two-minute poses. */
const SHORT_SHARE = 1 / 9;
const MOST_SHORT = 10;
/** A long drawing is broken by a rest after so much of it. */
const SITTING_MS = 25 * 60_000;
const SITTING_REST_MS = 5 * 60_000;
const LONG_ENOUGH_FOR_TONE_MS = 5 * 60_000;

/** A row of short poses that takes its share and no more, then one drawing, in sittings where it is long. */
function manyThenOne(base: TemplateBase): Recipe {
  const { availableMs } = base;
  const { recipe } = fitPlan({ ...base, aim: 'everything', shape: 'climb' });
  const newId = blockIds(base.seed + 7);
  const row = posesBlock(newId(), 'flowing-gesture', 1, availableMs < 2 * SITTING_MS ? 60_000 : 120_000);
  const each = row.lengths.fromMs + row.leadInMs + row.changeMs;
  const count = Math.min(MOST_SHORT, Math.max(2, Math.round((availableMs * SHORT_SHARE) / each)));
  const leftMs = availableMs - count * each;
  const sittings = Math.ceil((leftMs + SITTING_REST_MS) / (SITTING_MS + SITTING_REST_MS));
  const sittingMs = (leftMs - (sittings - 1) * SITTING_REST_MS) / sittings - row.leadInMs;
  const drawMs = Math.floor(sittingMs / 30_000) * 30_000;
  if (drawMs < 60_000) return recipe;
  const exercise = drawMs * sittings < LONG_ENOUGH_FOR_TONE_MS ? 'structural-gesture' : 'tone-study';
  const long = posesBlock(newId(), exercise, sittings, drawMs);
  const blocks: RecipeBlock[] = [
    { ...row, count },
    {
      ...long,
      source: { ...long.source, kind: 'same picture' },
      ...(sittings > 1 && { settings: { oneDrawing: long.id } }),
    },
  ];
  // The row is shorter than a sitting: the first rest falls behind the first of the long drawing.
  const restRule = sittings > 1 ? { everyMs: drawMs, restMs: SITTING_REST_MS } : null;
  return { ...recipe, blocks, restRule };
}

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
    id: 'many-then-one',
    name: 'Many short, then one long',
    words: 'A ninth of the time in quick poses, ten at most, so that the long one begins loose.',
    minutes: 180,
    build: manyThenOne,
  },
  {
    id: 'two-halves',
    name: 'Ones and twos, then fives and a ten',
    words: 'The first half quick, the second half two middling poses and one long one.',
    minutes: 40,
    build: (base) =>
      built(base, (id) => [
        posesBlock(id(), 'flowing-gesture', 6, 60_000),
        posesBlock(id(), 'structural-gesture', 6, 120_000),
        listed(id(), 'structural-gesture', HALF_MS),
      ]),
  },
  {
    id: 'rising-ladder',
    name: 'Each a little longer',
    words: 'Five poses, from two minutes to five: what was hurried at first finds its time.',
    minutes: 20,
    build: (base) => built(base, (id) => [listed(id(), 'structural-gesture', LADDER_MS)]),
  },
  {
    id: 'slow-and-fast',
    name: 'Slow, fast, slow, fast',
    words: 'A contour, then a gesture of the same picture: neither has time to settle.',
    minutes: 25,
    build: (base) => built(base, (id) => [pairs(id(), 4, ['contour', 300_000], ['flowing-gesture', 30_000])]),
  },
  {
    id: 'line-then-mass',
    name: 'Line, then mass',
    words: 'Each picture twice: once in line, once as one shape.',
    minutes: 20,
    build: (base) =>
      built(base, (id) => [pairs(id(), 3, ['structural-gesture', 120_000], ['gesture-by-mass', 120_000])]),
  },
  {
    id: 'hand-then-hand',
    name: 'The other hand, then the usual one',
    words: 'Each picture with both hands; the clumsy one goes first and shows what matters.',
    minutes: 15,
    build: (base) =>
      built(base, (id) => {
        const block = posesBlock(id(), 'flowing-gesture', 8, 60_000);
        return [withHandsInTurn({ ...block, source: { ...block.source, pairs: true } }, true)];
      }),
  },
  {
    id: 'shorter-by-and-by',
    name: 'Shorter from day to day',
    words:
      'Begins at three minutes; after two whole figures running it takes a step down by itself, after one that was not, a step up.',
    minutes: 15,
    build: (base) =>
      built(base, (id) => {
        const block = posesBlock(id(), 'flowing-gesture', 4, 180_000);
        return [{ ...block, settings: { ...block.settings, followsAnswers: true } }];
      }),
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
    build: pageADay,
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
