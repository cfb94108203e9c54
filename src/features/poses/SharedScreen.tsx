'use client';
import { toastProblem } from '@/ui/toast/toast';
import { storageProblem } from '@/storage/problems';
import { saveSetting } from '@/storage/settings';
import { useCovered } from '@/storage/hooks/useCovered';

/** For a screen that others see: figures wear cover everywhere, and unclothed pictures are veiled until their pose starts. */
export function SharedScreen({ label }: { label: string }) {
  const covered = useCovered();
  return (
    <label className="flex min-h-[32px] cursor-pointer items-center gap-2 max-sm:min-h-[48px]">
      <input
        type="checkbox"
        className="toggle toggle-sm"
        checked={covered ?? false}
        disabled={covered === undefined}
        onChange={(event) => {
          saveSetting('covered', event.target.checked).catch((error: unknown) => toastProblem(storageProblem(error)));
        }}
      />
      <span title="Unclothed pictures are veiled until their pose starts, and figures wear cover">{label}</span>
    </label>
  );
}
