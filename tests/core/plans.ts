import fc from 'fast-check';
import type { Block, Plan, PosesBlock } from '@/core/practice/plan/schema';

type Settings = NonNullable<PosesBlock['settings']>;

/** A plan around some blocks. */
export const planOf = (...blocks: Block[]): Plan => ({
  version: 1,
  title: 'Test',
  why: 'Because.',
  seed: 1,
  availableMs: 3600_000,
  blocks,
});

export const poses = (
  count: number,
  drawMs = 30_000,
  more: {
    lookMs?: number;
    lookAgainMs?: number;
    changeMs?: number;
    exercise?: string;
    settings?: Settings;
  } = {},
): Block => ({
  kind: 'poses',
  exercise: more.exercise ?? 'flowing-gesture',
  changeMs: more.changeMs ?? 4000,
  ...(more.settings && { settings: more.settings }),
  poses: Array.from({ length: count }, (_, i) => ({
    referenceId: `figure-${i}`,
    leadInMs: 3000,
    lookMs: more.lookMs ?? 0,
    drawMs,
    lookAgainMs: more.lookAgainMs ?? 0,
  })),
});
export const rest = (durationMs = 60_000): Block => ({ kind: 'rest', durationMs });
export const lines = (pages = 1): Block => ({
  kind: 'lines',
  pages: Array.from({ length: pages }, () => ({ motif: 'Verticals', nominalMs: 40_000 })),
});
export const body = (): Block => ({
  kind: 'body',
  moves: [
    { name: 'Shake', hint: '', durationMs: 10_000 },
    { name: 'Stretch', hint: '', durationMs: 10_000 },
  ],
});

const ms = (min: number, max: number) => fc.integer({ min, max });
const anyBlock: fc.Arbitrary<Block> = fc.oneof(
  fc
    .record({
      count: ms(1, 5),
      draw: ms(1000, 300_000),
      look: ms(0, 60_000),
      again: ms(0, 20_000),
      change: ms(0, 9000),
      exercise: fc.constantFrom('flowing-gesture', 'eyes-closed', 'mark-allowance', 'contour', 'look-then-draw'),
      settings: fc.constantFrom<Settings | undefined>(
        undefined,
        { atZero: 'soft' },
        { atZero: 'soft', softCapMs: 5000 },
        { atZero: 'open' },
        { atZero: 'pot', potMs: 90_000 },
        { atZero: 'pot', potMs: 90_000, potEndsSoftly: true },
        { atZero: 'pot', potMs: 90_000, potEndsSoftly: true, softCapMs: 5000 },
        { startsBy: 'hand' },
      ),
    })
    .map((r) =>
      poses(r.count, r.draw, {
        lookMs: r.look,
        lookAgainMs: r.again,
        changeMs: r.change,
        exercise: r.exercise,
        ...(r.settings && { settings: r.settings }),
      }),
    ),
  ms(1000, 300_000).map(rest),
  ms(1, 4).map(lines),
  fc.constant(body()),
);
export const anyPlan: fc.Arbitrary<Plan> = fc
  .array(anyBlock, { minLength: 1, maxLength: 8 })
  .map((blocks) => planOf(...blocks));
const endsByItself = (block: Block): boolean =>
  block.kind === 'poses' ? !block.settings && block.exercise !== 'eyes-closed' : block.kind !== 'lines';
/** Without pages of lines and whatever else waits for the learner, so that it runs to its end by itself. */
export const closedPlan = anyPlan
  .map((plan) => ({ ...plan, blocks: plan.blocks.filter(endsByItself) }))
  .filter((plan) => plan.blocks.length > 0);
