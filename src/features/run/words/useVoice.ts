'use client';
import { useEffect } from 'react';
import type { RunState } from '@/core/clock/run';
import { isCalm } from '@/core/practice/exercises/exercise';
import { spokenDuration } from '@/core/practice/time/duration';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import type { Plan } from '@/core/practice/plan/schema';
import type { Room } from '@/storage/sessions/room';
import { say } from '@/ui/sound/voice';
import type { Run } from '@/features/run/session/controller';
import { announcement } from './words';

/** Speaks what begins, the warning and the end, where that is wanted; the tones sound in any case. */
export function useVoice(run: Run, plan: Plan, state: RunState, voice: Room['voice'], volume: number): void {
  const segment = run.timeline.segments[Math.min(state.segmentIndex, run.timeline.segments.length - 1)];
  const exercise = poseExercise(plan, segment);
  const blind = exercise?.rule.gaze === 'only on the reference' || exercise?.rule.gaze === 'eyes closed';
  const speaks = voice === 'always' || (voice === 'blind work' && blind);
  const running = state.phase === 'running';
  const visits = state.visits.length;
  useEffect(() => {
    if (speaks && running)
      say(announcement(plan, segment, Math.round(state.lengthMs / 1000) * 1000, run.timeline.segments), volume);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- said once when a segment begins, not whenever the plan is looked at anew
  }, [visits, speaks, running]);
  useEffect(
    () =>
      run.onCue(({ kind }) => {
        if (!speaks) return;
        const now = run.state();
        if (kind === 'warning') say(`${spokenDuration(Math.round(now.leftMs / 1000) * 1000)} left.`, volume);
        if (kind === 'reminder' && exercise && isCalm(exercise)) say('Slower.', volume);
        if (kind === 'end' || kind === 'change') say('Time.', volume);
      }),
    [run, speaks, exercise, volume],
  );
}
