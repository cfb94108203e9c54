import type { Plan, PosesBlock } from '../practice/plan/schema';
import type { Group } from './group';

/** Getting the next figure ready, milliseconds. */
const LEAD_IN_MS = 10_000;
const CHANGE_MS = 5000;

/**
 * "Draw this group": each member in its time, from the front to the back, all on one sheet; then, apart from the poses, time after the
 * bell for finishing the joined sheet.
 * @returns undefined where nobody in it can be drawn from a picture.
 */
export function groupPlan(group: Group, seed: number): Plan | undefined {
  const drawn = group.members.flatMap(({ source }, i) =>
    source.kind === 'reference'
      ? [{ referenceId: source.referenceId, label: `figure ${String(i + 1)} from the front` }]
      : [],
  );
  if (drawn.length === 0) return undefined;
  const poses: PosesBlock = {
    kind: 'poses',
    exercise: 'flowing-gesture',
    changeMs: CHANGE_MS,
    poses: drawn.map((pose) => ({ ...pose, leadInMs: LEAD_IN_MS, lookMs: 0, drawMs: group.drawMs, lookAgainMs: 0 })),
    settings: { perSheet: drawn.length },
  };
  const finish: PosesBlock = {
    kind: 'poses',
    exercise: 'new-medium',
    changeMs: 0,
    poses: [
      {
        referenceId: null,
        label: 'finishing the joined sheet, after the bell',
        leadInMs: LEAD_IN_MS,
        lookMs: 0,
        drawMs: Math.max(1000, group.finishMs),
        lookAgainMs: 0,
      },
    ],
    settings: { prompt: 'Join them: one ground, one light, one shadow for each.' },
  };
  const blocks = group.finishMs > 0 ? [poses, finish] : [poses];
  const totalMs = blocks.reduce(
    (sum, block) => sum + block.poses.reduce((all, pose) => all + pose.leadInMs + pose.drawMs + block.changeMs, 0),
    0,
  );
  return {
    version: 2,
    title: group.name || 'A group',
    why: 'Several figures on one sheet, the one in front first.',
    seed,
    availableMs: totalMs,
    blocks,
    sheet: { size: group.size, paper: 'sketch paper' },
  };
}
