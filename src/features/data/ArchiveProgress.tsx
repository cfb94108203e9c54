import type { Progress } from '@/workers/archive.worker';

const STAGE_WORDS: Record<Progress['stage'], string> = {
  writing: 'Packing',
  reading: 'Reading it and checking',
  putting: 'Putting it in',
};

/** How far an archive is, and the way to stop. */
export function ArchiveProgress({ progress, onCancel }: { progress: Progress; onCancel: () => void }) {
  const { stage, done, total } = progress;
  return (
    <>
      <progress
        className="progress w-[220px]"
        max={Math.max(1, total)}
        value={done}
        aria-label={STAGE_WORDS[stage]}
        aria-valuetext={`${String(done)} of ${String(total)}`}
      />
      <span className="text-[14px] text-quiet">
        {STAGE_WORDS[stage]}
        {total > 1 && `: ${String(done)} of ${String(total)}`}
      </span>
      <button type="button" className="btn-quiet btn btn-sm" onClick={onCancel}>
        Cancel
      </button>
    </>
  );
}
