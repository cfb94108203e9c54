import { bodyBlock, linesBlock, posesBlock } from '../edit/newBlock';
import type { PosesRecipe, RecipeBlock } from '../plan/recipe';

export interface Remedy {
  id: string;
  /** What is wrong, as one would say it. */
  complaint: string;
  /** Why just this helps. */
  reason: string;
  blocks: (newId: () => string) => RecipeBlock[];
}

const withRule = (
  block: PosesRecipe,
  rule: PosesRecipe['settings']['rule'],
  more: Partial<PosesRecipe['settings']> = {},
): PosesRecipe => ({
  ...block,
  settings: { ...block.settings, ...more, ...(rule && { rule }) },
});
const withSource = (block: PosesRecipe, source: Partial<PosesRecipe['source']>): PosesRecipe => ({
  ...block,
  source: { ...block.source, ...source },
});
const shrinking = (id: string): PosesRecipe => ({
  ...posesBlock(id, 'shrinking-time', 3),
  lengths: { order: 'descend', fromMs: 30_000, toMs: 120_000, listMs: [] },
});

/** What is bothering a learner, and what to do about it. */
export const REMEDIES: readonly Remedy[] = [
  {
    id: 'stiff',
    complaint: 'My figures look stiff',
    reason: 'A pose moves along one line before it has parts. Curves from the shoulder carry it through to the limbs.',
    blocks: (id) => [
      posesBlock(id(), 'action-line', 6, 15_000),
      withRule(posesBlock(id(), 'flowing-gesture', 4, 60_000), { grip: 'from the shoulder' }),
      posesBlock(id(), 'c-s-straight', 2, 60_000),
    ],
  },
  {
    id: 'details',
    complaint: 'I get lost in detail',
    reason: 'With half a minute there is no time for it, squinting takes it away, and twelve marks leave no room.',
    blocks: (id) => [
      withRule(posesBlock(id(), 'flowing-gesture', 6, 30_000), { view: 'squint' }),
      withRule(posesBlock(id(), 'mark-allowance', 2, 60_000), { marks: 12 }),
      shrinking(id()),
    ],
  },
  {
    id: 'rushed',
    complaint: 'Everything is rushed and scribbled',
    reason:
      'A mark every four seconds or more: there is time to choose each one. The poses are a step longer than usual.',
    blocks: (id) => [
      withRule(posesBlock(id(), 'mark-allowance', 4, 120_000), { marks: 20 }),
      posesBlock(id(), 'flowing-gesture', 2, 120_000),
    ],
  },
  {
    id: 'proportions',
    complaint: 'Proportions are off',
    reason: 'Three masses placed first, then checked against plumb and level: it shows which one thing is off most.',
    blocks: (id) => [
      withRule(posesBlock(id(), 'structural-gesture', 4, 120_000), { review: 'measured' }),
      posesBlock(id(), 'plumb-and-level', 1, 180_000),
    ],
  },
  {
    id: 'heads',
    complaint: 'Heads too big, legs short, waist long',
    reason:
      'Only head and pelvis are placed, five times, with a half-way mark on the sheet first: half of a standing figure is leg.',
    blocks: (id) => [
      withRule(
        posesBlock(id(), 'shoulder-and-hip-bars', 5, 30_000),
        { review: 'measured' },
        { prompt: 'Half-way mark first. Head and pelvis only.' },
      ),
    ],
  },
  {
    id: 'edge',
    complaint: 'It runs off the page, or shrinks at the edge',
    reason:
      'The envelope tells whether it fits before anything is drawn. The page map turns the sheet for you and leaves a margin.',
    blocks: (id) => [posesBlock(id(), 'envelope', 4, 60_000), posesBlock(id(), 'structural-gesture', 2, 120_000)],
  },
  {
    id: 'flat',
    complaint: 'It is flat, without depth',
    reason: 'Lines round a limb show which end is near, above all where it comes at you.',
    blocks: (id) => [posesBlock(id(), 'wrapping-lines', 3, 180_000), posesBlock(id(), 'cross-contour', 1, 180_000)],
  },
  {
    id: 'turning',
    complaint: 'Forms do not turn; front looks like back',
    reason:
      'Landmarks say which way a form faces: pit of the neck, hip points; from behind the spine and shoulder blades.',
    blocks: (id) => [posesBlock(id(), 'structural-gesture', 4, 180_000)],
  },
  {
    id: 'line',
    complaint: 'My line is scratchy, I struggle with line',
    reason:
      'First without line, as a mass; then one stroke for each edge, restated whole, with a pen that cannot be rubbed out.',
    blocks: (id) => [
      linesBlock(id(), 2),
      posesBlock(id(), 'gesture-by-mass', 3, 60_000),
      withRule(posesBlock(id(), 'flowing-gesture', 3, 60_000), { erasing: 'none' }, { medium: 'ballpoint' }),
    ],
  },
  {
    id: 'stuck',
    complaint: 'I am stuck, or afraid of the blank page',
    reason:
      'With eyes closed nothing is expected; the other hand cannot be good at it; one line cannot be taken back. No looking back today.',
    blocks: (id) => [
      posesBlock(id(), 'eyes-closed', 3, 30_000),
      posesBlock(id(), 'other-hand', 1, 60_000),
      withRule(posesBlock(id(), 'continuous-line', 1, 120_000), { review: 'kind' }, { medium: 'ballpoint' }),
    ],
  },
  {
    id: 'same',
    complaint: 'It is always the same poses',
    reason: 'Views you seldom draw come first, and one is from another set.',
    blocks: (id) => [withSource(posesBlock(id(), 'flowing-gesture', 6, 60_000), { order: 'widen', odd: true })],
  },
  {
    id: 'imagination',
    complaint: 'Nothing comes from imagination',
    reason: 'What was looked at and drawn without looking is yours. The last turns the pose you have just drawn.',
    blocks: (id) => [
      posesBlock(id(), 'look-then-draw', 2, 120_000),
      posesBlock(id(), 'draw-then-memory', 1, 180_000),
      {
        ...posesBlock(id(), 'from-imagination', 1, 120_000),
        settings: { prompt: 'The pose you have just drawn, turned half round.' },
      },
    ],
  },
  {
    id: 'overworking',
    complaint: 'I keep overworking',
    reason: 'The clock is strict, and the last stage is left out on purpose.',
    blocks: (id) => [
      withRule(posesBlock(id(), 'flowing-gesture', 4, 60_000), undefined, {
        atZero: 'strict',
        stages: [
          { name: 'action line', share: 0.25 },
          { name: 'masses', share: 0.35 },
          { name: 'tilts', share: 0.4 },
        ],
      }),
    ],
  },
  {
    id: 'choosing',
    complaint: 'Choosing pictures takes all evening',
    reason: 'They are picked for you, the ones you have drawn least first. The clock for choosing rings after a while.',
    blocks: (id) => [withSource(posesBlock(id(), 'flowing-gesture', 6, 60_000), { order: 'shuffled' })],
  },
  {
    id: 'rusty',
    complaint: 'I am rusty after a break',
    reason: 'Body and lines first, then gentle poses with more time than you used to need.',
    blocks: (id) => [
      bodyBlock(id(), 5000),
      linesBlock(id(), 1),
      withSource(posesBlock(id(), 'flowing-gesture', 4, 120_000), { hardest: 2, gentleFirst: true }),
    ],
  },
];
