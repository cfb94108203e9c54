import { Breathing } from './Breathing';
import { GapQuestions } from './GapQuestions';
import { RunButton } from '@/features/run/steer/RunButton';
import type { SegmentProps } from './segmentProps';
import { useReferenceName } from './useReferenceName';
import { Ticking } from './Ticking';
import { digitsOf, nextPose, poseCount } from './words';

/** Rests, looking back, and moves of the body. */
export function Resting(props: SegmentProps) {
  const { plan, segments, state, segment, wordsOn, onCommand } = props;
  const block = plan.blocks[segment.blockIndex];
  const next = nextPose(plan, segments, state.segmentIndex);
  const name = useReferenceName(next?.referenceId ?? null);
  const move = block.kind === 'body' ? block.moves[segment.poseIndex] : undefined;
  const back = segment.kind === 'lookBack';
  const title = move?.name ?? (back ? 'Lay the pages out and look' : 'Let the arm hang and shake the hand out');
  const hint =
    move?.hint ??
    (back
      ? 'Squint, turn them upside down. What is right? What will you try next time?'
      : 'Slowly. Then look at something across the room until the soft tone.');
  // With no picture beside them, the words have the middle.
  const place =
    move || back
      ? 'left-1/2 -translate-x-1/2 items-center text-center'
      : wordsOn === 'left'
        ? 'left-12 max-sm:left-10'
        : 'right-12 max-sm:right-10';
  const breathes = (!move && !back) || /breath/i.test(move?.name ?? '');
  return (
    <>
      <div className={`run-rest absolute inset-y-0 flex w-[min(560px,70%)] flex-col justify-center gap-4 ${place}`}>
        <p className="run-small font-semibold text-moss-text">
          {move
            ? `Body, ${poseCount(plan, segment)}`
            : `${back ? 'Look back' : 'Rest'}${next ? `, then ${next.exercise.name.toLowerCase()}` : ''}`}
        </p>
        <p className="run-count digits leading-[0.86]" role="timer" aria-label="Time left">
          <Ticking state={state} words={(now) => digitsOf(segment, now)} />
        </p>
        <p className="run-title font-serif leading-tight">{title}</p>
        <p className="text-[17px]">{hint}</p>
        {breathes && <Breathing state={state} />}
        {move && (
          <p className="text-[14px] text-quiet">
            Gently, inside a comfortable range. Stop at pain, numbness or tingling.
          </p>
        )}
        <div className={`flex flex-wrap gap-3 ${move || back ? 'justify-center' : ''}`}>
          <RunButton className="h-12 max-sm:h-14" onPress={() => onCommand('next')}>
            {move ? 'Next move' : back ? 'Seen' : 'Draw now'} <kbd className="kbd kbd-sm">Right</kbd>
          </RunButton>
          <RunButton className="btn-quiet h-12 max-sm:h-14" onPress={() => onCommand('more')}>
            A little more <kbd className="kbd kbd-sm">+</kbd>
          </RunButton>
        </div>
        {!move && <GapQuestions {...props} />}
      </div>
      {next && !move && (
        <p className={`absolute top-12 ${wordsOn === 'left' ? 'right-14 text-right' : 'left-14'}`}>
          <span className="block text-quiet">Next, {next.length}</span>
          {name.toLowerCase()}
        </p>
      )}
    </>
  );
}
