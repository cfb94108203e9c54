'use client';
import type { PosesRecipe } from '@/core/practice/plan/recipe';
import { without } from '@/core/without';
import { DurationField, Tick } from './fields';
import type { ChangePoses } from './changePoses';

/** A limit on overtime, for clocks that let you finish the drawing. */
export function OvertimeCap({ block, drawMs, change }: { block: PosesRecipe; drawMs: number; change: ChangePoses }) {
  const { softCapMs } = block.settings;
  const setCap = (capMs: number | undefined): void =>
    change('At zero', (b) => ({
      ...b,
      settings: { ...without(b.settings, 'softCapMs'), ...(capMs !== undefined && { softCapMs: capMs }) },
    }));
  return (
    <>
      <Tick
        label="limit the overtime"
        checked={softCapMs !== undefined}
        onChange={(on) => setCap(on ? Math.round(drawMs / 2000) * 1000 : undefined)}
      />
      {softCapMs !== undefined && <DurationField label="Overtime at most" ms={softCapMs} onChange={setCap} />}
    </>
  );
}
