'use client';
import { leftInPad } from '@/core/journal/pad';
import type { Session } from '@/core/journal/session';
import { counted } from '@/core/words';
import { useStored } from '@/storage/hooks/useStored';
import { storageProblem } from '@/storage/problems';
import { loadPad, savePad } from '@/storage/sessions/pad';
import { toastProblem } from '@/ui/toast/toast';
import { Typed } from './fields';

const keepPad = (sheets: number, nowMs: number): void => {
  savePad({ sheets, countedAtMs: nowMs }).catch((error: unknown) => toastProblem(storageProblem(error)));
};

/** How many sheets are left in the pad, counted down by what is drawn, and what to do where they are too few. */
export function PadField({
  sessions,
  needed,
  nowMs,
  onPerSheet,
}: {
  /** The learner's own. */
  sessions: readonly Session[];
  /** Sheets of the plan. */
  needed: number;
  nowMs: number;
  /** So many times as many drawings on each sheet. */
  onPerSheet: (times: number) => void;
}) {
  const pad = useStored(loadPad, ['settings'], []);
  const left = pad.value && leftInPad(pad.value, sessions);
  const times = left ? Math.ceil(needed / left) : 0;
  return (
    <p className="mt-2 flex flex-wrap items-baseline gap-x-2 gap-y-3 text-[14px] text-quiet">
      In the pad
      <Typed
        label="Sheets left in the pad"
        shown={left === undefined ? '' : String(left)}
        width="3em"
        read={(typed) => {
          const sheets = Number(typed.trim());
          return typed.trim() !== '' && Number.isInteger(sheets) && sheets >= 0 && sheets <= 999
            ? { value: sheets }
            : { problem: 'A number of sheets, 0 to 999.' };
        }}
        onChange={(sheets) => keepPad(sheets, nowMs)}
      />
      {left === undefined
        ? 'sheets: say how many, and they are counted down'
        : left === 1
          ? 'sheet left'
          : 'sheets left'}
      {left !== undefined && left < needed && (
        <span className="text-ink">
          {counted(needed, 'sheet')} {needed === 1 ? 'is' : 'are'} wanted.{' '}
          {left > 0 && (
            <button type="button" className="link-quiet" onClick={() => onPerSheet(times)}>
              {times === 2 ? 'Twice' : `${String(times)} times`} as many on each
            </button>
          )}
        </span>
      )}
    </p>
  );
}
