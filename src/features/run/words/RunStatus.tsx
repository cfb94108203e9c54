'use client';
import { useEffect, useState } from 'react';
import type { RunState } from '@/core/clock/run';
import { stagesAt } from '@/core/clock/stagesAt';
import type { Plan } from '@/core/practice/plan/schema';
import { stageAt } from '@/core/practice/rules/poseStages';
import { referenceOf } from '@/core/practice/rules/showsReference';
import { spokenDuration } from '@/core/practice/time/duration';
import type { Segment } from '@/core/practice/time/timeline';
import type { Run } from '@/features/run/session/controller';
import { useReferenceName } from '@/storage/hooks/useReferenceName';
import { announcement, poseDetails } from './words';

/** Screen readers ignore a region that is already full when it appears. */
const FILL_AFTER_MS = 100;

interface Props {
  plan: Plan;
  run: Run;
  state: RunState;
  segment: Segment;
  done: boolean;
  held: boolean;
}

/** Tells a screen reader what begins, who is drawn, the rule, each new step and the time that is left. */
export function RunStatus({ plan, run, state, segment, done, held }: Props) {
  const { segments } = run.timeline;
  const name = useReferenceName(referenceOf(plan, segment));
  const [ready, setReady] = useState(false);
  useEffect(() => {
    const handle = setTimeout(() => setReady(true), FILL_AFTER_MS);
    return () => clearTimeout(handle);
  }, []);
  const stages = segment.kind === 'draw' && !done ? stagesAt(plan, run.timeline, state) : [];
  const step = stages.length > 1 ? `Now: ${stageAt(stages, state.elapsedMs).now}.` : '';
  const begins = [announcement(plan, segment, state.lengthMs, segments), ...poseDetails(plan, segments, segment, name)];
  return (
    <>
      <p className="sr-only" role="status">
        {!ready ? '' : done ? 'The session is over.' : held ? 'On hold.' : begins.join(' ')}
      </p>
      <p className="sr-only" role="status">
        {ready && !held && step}
      </p>
      <TimeLeft key={state.visits.length} run={run} />
    </>
  );
}

/** Says the time that is left when the warning sounds. */
function TimeLeft({ run }: { run: Run }) {
  const [words, setWords] = useState('');
  useEffect(
    () =>
      run.onCue(({ kind }) => {
        if (kind === 'warning') setWords(`${spokenDuration(Math.round(run.state().leftMs / 1000) * 1000)} left.`);
      }),
    [run],
  );
  return (
    <p className="sr-only" role="status">
      {words}
    </p>
  );
}
