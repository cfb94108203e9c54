import { MOVE_PICTURES } from '@/core/practice/start/warmUp';
import { Breathing } from './Breathing';
import { MoveFigure } from './MoveFigure';
import { ChangeNext } from './ChangeNext';
import { GapQuestions } from './GapQuestions';
import { RunButton } from '@/features/run/steer/RunButton';
import type { SegmentProps } from './segmentProps';
import { useReferenceName } from '@/storage/hooks/useReferenceName';
import { Ticking } from './Ticking';
import { digitsOf, nextPose, poseCount, previewOf } from './words';

/** What the hand does while it rests. */
const RESTING_HAND = 'Shake the hands out';

/** Rests, looking back, and moves of the body. */
export function Resting(props: SegmentProps) {
  const { plan, segments, state, segment, clock, wordsOn, onCommand, onPages } = props;
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
  const shown = move && Object.hasOwn(MOVE_PICTURES, move.name);
  const middle = !shown && previewOf(plan, segments, state.segmentIndex) === null;
  const place = middle
    ? 'left-1/2 -translate-x-1/2 items-center text-center'
    : shown
      ? 'left-[calc(50%+40px)] max-sm:left-1/2 max-sm:-translate-x-1/2 max-sm:items-center max-sm:text-center max-sm:pt-[30%]'
      : wordsOn === 'left'
        ? 'left-12 max-sm:left-10'
        : 'right-12 max-sm:right-10';
  const breathes = (!move && !back) || /breath/i.test(move?.name ?? '');
  return (
    <>
      {move && (
        <MoveFigure
          name={move.name}
          state={state}
          className="absolute top-1/2 right-[calc(50%+40px)] h-[min(56%,440px)] -translate-y-1/2 motion-reduce:h-[26%] max-sm:top-8 max-sm:right-auto max-sm:left-1/2 max-sm:h-[24%] max-sm:-translate-x-1/2 max-sm:translate-y-0"
        />
      )}
      <div
        className={`run-rest absolute inset-y-0 flex flex-col justify-center-safe gap-4 overflow-y-auto ${shown ? 'w-[min(440px,42%)] max-sm:w-[86%]' : middle ? 'w-[min(680px,70%)] max-sm:w-[calc(100%-5rem)]' : 'w-[min(600px,70%)] max-sm:w-[calc(100%-5rem)]'} ${place}`}
      >
        <p className="run-small font-semibold text-moss-text">
          {move
            ? `Body, ${poseCount(plan, segment)}`
            : `${back ? 'Look back' : 'Rest'}${next ? `, then ${next.exercise.name.toLowerCase()}` : ''}`}
          {middle && !move && next && (
            <span className="block font-normal text-quiet">
              {[next.length, ...(name ? [name.toLowerCase()] : [])].join(', ')}
            </span>
          )}
        </p>
        {clock !== 'none' && (
          <p className="run-count digits leading-[0.86]" role="timer" aria-label="Time left">
            <Ticking state={state} words={(now) => digitsOf(segment, now)} />
          </p>
        )}
        <div className="flex items-center gap-4">
          {!move && !back && (
            <MoveFigure name={RESTING_HAND} state={state} className="h-[110px] shrink-0 max-sm:hidden" />
          )}
          <p className={`${move || back ? 'run-title' : 'run-name'} font-serif leading-tight`}>{title}</p>
        </div>
        <p className="text-[17px]">{hint}</p>
        {breathes && <Breathing state={state} breathMs={move?.breathMs} />}
        {move && (
          <p className="text-[14px] text-quiet">
            Gently, inside a comfortable range. Stop at pain, numbness or tingling.
          </p>
        )}
        <div className={`flex flex-wrap gap-3 ${shown ? 'max-sm:justify-center' : middle ? 'justify-center' : ''}`}>
          <RunButton className="h-12 max-sm:h-14" onPress={() => onCommand('next')}>
            {move ? 'Next move' : back ? 'Seen' : 'Draw now'} <kbd className="kbd kbd-sm max-sm:hidden">Right</kbd>
          </RunButton>
          <RunButton className="btn-quiet h-12 max-sm:h-14" onPress={() => onCommand('more')}>
            A little more <kbd className="kbd kbd-sm max-sm:hidden">+</kbd>
          </RunButton>
          {!move && onPages && (
            <RunButton className="btn-quiet h-12 max-sm:h-14" onPress={onPages}>
              Put a page away
            </RunButton>
          )}
        </div>
        {!move && (
          <div className={middle ? 'self-center' : 'self-start'}>
            <ChangeNext {...props} />
          </div>
        )}
        {!move && <GapQuestions {...props} centered={middle} />}
      </div>
      {next && !move && !middle && (
        <p className={`absolute top-12 max-sm:hidden ${wordsOn === 'left' ? 'right-14 text-right' : 'left-14'}`}>
          <span className="block text-quiet">Next, {next.length}</span>
          {name.toLowerCase()}
        </p>
      )}
    </>
  );
}
