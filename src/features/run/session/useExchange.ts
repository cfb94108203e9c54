import { useCallback, useMemo, useRef } from 'react';
import { poseAhead } from '@/core/clock/poseSegments';
import type { RunState } from '@/core/clock/run';
import type { Plan } from '@/core/practice/plan/schema';
import { referenceOf } from '@/core/practice/rules/showsReference';
import type { Segment } from '@/core/practice/time/timeline';
import { picturesOf } from '@/core/practice/plan/planPoses';
import { findAnother } from '@/storage/references/another';
import type { Run } from './controller';

/** Changes the picture, hand or medium of the next pose. */
export interface Exchange {
  picture: () => void;
  hand: () => void;
  medium: (id: string) => void;
}

/**
 * @param planned The session's plan; `plan` is the same with what was exchanged so far.
 * @param stuck The current pose lacks its picture, so it can be changed too.
 * @param tell Shows a sentence if there is nothing to change to.
 * @returns Actions for the next pose. They do nothing while a pose is being drawn.
 */
export function useExchange(
  run: Run,
  planned: Plan,
  plan: Plan,
  stuck: boolean,
  tell: (words: string) => void,
): Exchange {
  const { segments } = run.timeline;
  const looking = useRef(false);
  const poseNow = useCallback((): { at: Segment; state: RunState } | undefined => {
    const state = run.state();
    const at = poseAhead(segments, state.segmentIndex);
    if (at || !stuck) return at && { at, state };
    return { at: segments[state.segmentIndex], state };
  }, [run, segments, stuck]);
  const picture = useCallback(() => {
    const now = poseNow();
    if (!now || looking.current || referenceOf(plan, now.at) === null) return;
    looking.current = true;
    const { blockIndex, poseIndex } = now.at;
    const givenUp = [
      ...picturesOf(planned),
      ...now.state.changes.swaps.flatMap((swap) => (swap.type === 'picture' ? swap.referenceId : [])),
    ];
    findAnother(plan, { blockIndex, poseIndex }, givenUp)
      .then(
        (found) => {
          if (found) run.say({ type: 'picture', blockIndex, poseIndex, ...found });
          else tell('There is no other picture in this set.');
        },
        () => tell('No other picture could be read.'),
      )
      .finally(() => (looking.current = false));
  }, [run, planned, plan, poseNow, tell]);
  const hand = useCallback(() => {
    const now = poseNow();
    if (now) run.say({ type: 'hand', blockIndex: now.at.blockIndex, poseIndex: now.at.poseIndex });
  }, [run, poseNow]);
  const medium = useCallback(
    (id: string) => {
      const now = poseNow();
      if (now) run.say({ type: 'medium', blockIndex: now.at.blockIndex, poseIndex: now.at.poseIndex, medium: id });
    },
    [run, poseNow],
  );
  return useMemo(() => ({ picture, hand, medium }), [picture, hand, medium]);
}
