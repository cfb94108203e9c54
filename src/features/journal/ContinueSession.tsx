'use client';
import { Play } from 'lucide-react';
import { useMemo } from 'react';
import { restOfSession } from '@/core/journal/restOfSession';
import type { Session } from '@/core/journal/session';
import { isDemoSession } from '@/core/demoLearner';
import { clockDigits } from '@/core/practice/time/duration';
import { countPoses, sumPlan } from '@/core/practice/time/sums';
import { counted } from '@/core/words';
import { useStart } from '@/storage/hooks/useStart';
import { toastProblem } from '@/ui/toast/toast';
import { unlockSound } from '@/ui/sound/cuePlayer';

/** Continues a stopped session as a new one. Renders nothing if no pose is left. */
export function ContinueSession({ session }: { session: Session }) {
  const rest = useMemo(() => restOfSession(session), [session]);
  const { starting, start } = useStart(toastProblem);
  if (!rest || isDemoSession(session.id)) return null;
  return (
    <button
      type="button"
      className="btn-quiet btn max-sm:h-14"
      disabled={starting}
      onClick={() => {
        unlockSound();
        start(rest);
      }}
    >
      <Play size={16} aria-hidden /> Continue: {counted(countPoses(rest), 'pose')}, {clockDigits(sumPlan(rest).totalMs)}{' '}
      left
    </button>
  );
}
