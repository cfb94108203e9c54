import { Notice } from '@/ui/Notice';

/** Sentences over the stage: what a key did, and whether everything is on disk. */
export function RunNotices({
  told,
  problem,
  unsaved,
}: {
  /** For a moment, at the bottom; empty for nothing. */
  told: string;
  /** Why the session couldn't be written. */
  problem: string | undefined;
  /** Something on screen isn't on disk yet. */
  unsaved: boolean;
}) {
  return (
    <>
      <div role="status" className="pointer-events-none absolute inset-x-10 bottom-4 text-center">
        {told && <span className="rounded bg-sheet px-3 py-2">{told}</span>}
      </div>
      {problem && (
        <div className="absolute inset-x-10 top-10">
          <Notice>{problem}</Notice>
        </div>
      )}
      {unsaved && (
        <p role="status" className="absolute top-2 right-3 z-20 rounded bg-sheet px-2 py-1 text-[13px]">
          {problem ? 'Not saved yet. Trying again.' : 'Saving…'}
        </p>
      )}
    </>
  );
}
