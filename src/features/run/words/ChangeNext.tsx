import { poseAhead } from '@/core/clock/poseSegments';
import { MEDIA } from '@/core/practice/paper/materials';
import { mediumOf, poseExercise } from '@/core/practice/rules/poseExercise';
import { referenceOf } from '@/core/practice/rules/showsReference';
import { RunButton } from '@/features/run/steer/RunButton';
import type { SegmentProps } from './segmentProps';

/** Before a pose: another picture, the other hand, another medium. */
export function ChangeNext({ plan, segments, state, exchange }: SegmentProps) {
  const next = poseAhead(segments, state.segmentIndex);
  const exercise = next && poseExercise(plan, next);
  if (!exchange || !next || !exercise) return null;
  const medium = mediumOf(plan, next);
  return (
    <div
      role="group"
      aria-label="Change the next pose"
      className="pointer-events-auto flex flex-wrap items-center justify-center gap-2"
    >
      {referenceOf(plan, next) !== null && (
        <RunButton className="btn-quiet h-11 px-3 text-[15px]" onPress={exchange.picture}>
          Another picture <kbd className="kbd kbd-sm max-sm:hidden">4</kbd>
        </RunButton>
      )}
      <RunButton className="btn-quiet h-11 px-3 text-[15px]" onPress={exchange.hand}>
        {exercise.rule.hand === 'other' ? 'Your usual hand' : 'Your other hand'}{' '}
        <kbd className="kbd kbd-sm max-sm:hidden">5</kbd>
      </RunButton>
      <label className="flex h-11 items-center gap-2 text-[15px]">
        <span className="max-sm:sr-only">Draw with</span>
        <select
          className="select h-11 w-auto"
          value={medium ?? ''}
          onChange={(event) => {
            exchange.medium(event.target.value);
            // Keys go back to the session.
            event.target.blur();
          }}
        >
          {medium === undefined && <option value="">anything</option>}
          {MEDIA.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}
