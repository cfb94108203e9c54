import { counted } from '@/core/words';
import { Notice } from '@/ui/Notice';
import type { Intake } from './useIntake';

/** What is being read off the pictures, in the background. */
export function ReadingBar({
  unread,
  intake: { reading, setPaused, readingProblem },
}: {
  unread: number;
  intake: Intake;
}) {
  if (readingProblem) return <Notice>{readingProblem}</Notice>;
  if (unread === 0 || reading === 'off') return null;
  const paused = reading === 'paused';
  return (
    <p className="flex flex-wrap items-center gap-3 text-[14px] text-quiet">
      <span>
        {paused
          ? `Reading is paused; ${counted(unread, 'picture')} to go.`
          : `Finding poses in your pictures: ${counted(unread, 'picture')} to go. You need not wait.`}
      </span>
      <button type="button" className="btn-quiet btn btn-xs" onClick={() => setPaused(!paused)}>
        {paused ? 'Go on' : 'Pause'}
      </button>
    </p>
  );
}
