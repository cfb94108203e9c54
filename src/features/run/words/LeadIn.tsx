'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { potAt } from '@/core/clock/pot';
import { lengthOf } from '@/core/clock/replay';
import { clockDigits, durationWords } from '@/core/practice/time/duration';
import { marksInKind } from '@/core/practice/rules/marks';
import { pictureCues, subjectCue } from '@/core/practice/rules/pictureCues';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import { referenceOf } from '@/core/practice/rules/showsReference';
import { switchWords } from '@/core/practice/rules/switches';
import { turnsSheet } from '@/core/practice/rules/turnsSheet';
import { adjustableSegment } from '@/features/run/session/controller';
import { Word } from '@/ui/Word';
import { ChangeNext } from './ChangeNext';
import { GapQuestions } from './GapQuestions';
import { MarkKinds } from './MarkKinds';
import { RunButton } from '@/features/run/steer/RunButton';
import type { SegmentProps } from './segmentProps';
import { Ticking } from './Ticking';
import { useTraits } from '@/storage/hooks/useTraits';
import { attemptWords, cueOf, eitherOf, nextPose, poseCount, poseNotes } from './words';

// The hand that draws comes only when it is asked for.
const ShownOnce = dynamic(() => import('./ShownOnce').then((m) => m.ShownOnce), { ssr: false });

/** Before a pose: what comes, how, and how long; between two, whether the last one was whole. */
export function LeadIn(props: SegmentProps) {
  const { plan, segments, state, segment, clock, onCommand, onSay } = props;
  const changing = segment.kind === 'change';
  /** The segment before which it was asked to be shown. */
  const [shownAt, setShownAt] = useState<number>();
  const ahead = changing
    ? segments.findIndex((s, i) => i > state.segmentIndex && (s.kind === 'leadIn' || s.kind === 'draw'))
    : state.segmentIndex;
  const at = ahead === -1 ? state.segmentIndex : ahead;
  const next = segments[at];
  const exercise = poseExercise(plan, next);
  const referenceId = referenceOf(plan, next);
  const traits = useTraits(referenceId, exercise?.rule.view === 'mirrored');
  if (!exercise) return null;
  const block = plan.blocks[next.blockIndex];
  const pose = nextPose(plan, segments, at);
  const either = eitherOf(plan, next);
  const switched = switchWords(plan, segments, at);
  const cue = subjectCue(traits.subject, exercise) ?? cueOf(plan, next, exercise);
  const drawing = adjustableSegment({ segments }, state);
  const adjustable = drawing !== undefined && !segments[drawing].open && segments[drawing].potMs === undefined;
  const inPot = drawing !== undefined && segments[drawing].potMs !== undefined;
  const planned = inPot ? undefined : pose?.length;
  const length = adjustable ? durationWords(lengthOf({ segments }, state.lengths, drawing)) : planned;
  const pot = potAt({ segments }, state);
  const shared = state.shares.has(next.blockIndex);
  const attempt = changing ? undefined : attemptWords(state);
  return (
    <div className="pointer-events-none absolute inset-x-0 inset-y-7 grid place-content-center-safe overflow-y-auto px-16 text-center max-sm:px-10 [&_button]:pointer-events-auto">
      <p className="run-small text-quiet">
        {!changing ? 'Ready' : turnsSheet(plan, segment) ? 'Next sheet. Then' : 'Next'}
      </p>
      <p className="run-title mt-1 font-serif leading-tight">
        {exercise.name}
        {length !== undefined && `, ${length}`}
      </p>
      <p className="run-small text-quiet">
        {[poseCount(plan, next), ...poseNotes(plan, next), ...(attempt ? [attempt] : [])].join(', ')}
      </p>
      {switched !== '' && <p className="run-cue mt-2 font-semibold">{switched}</p>}
      {adjustable && (
        <p className="mx-auto mt-3 flex items-center gap-3">
          <RunButton className="btn-quiet h-12 px-4 text-[16px]" onPress={() => onCommand('less')}>
            Shorter <kbd className="kbd kbd-sm">−</kbd>
          </RunButton>
          <RunButton className="btn-quiet h-12 px-4 text-[16px]" onPress={() => onCommand('more')}>
            Longer <kbd className="kbd kbd-sm">+</kbd>
          </RunButton>
        </p>
      )}
      {pot && pot.drawings > 1 && (
        <p className="mx-auto mt-3 flex flex-wrap items-center justify-center gap-3">
          <span>
            <Word of="pot" givesKeysBack>
              {clockDigits(pot.leftMs)} left
            </Word>{' '}
            for {pot.drawings}
            {shared && `, ${clockDigits(pot.eachMs)} each`}
          </span>
          {!shared && (
            <RunButton
              className="btn-quiet h-12 px-4 text-[16px]"
              onPress={() => onSay({ type: 'shareOut' })}
              pressed={shared}
            >
              {clockDigits(pot.eachMs)} each <kbd className="kbd kbd-sm">/</kbd>
            </RunButton>
          )}
        </p>
      )}
      <p className="run-cue mx-auto mt-5 max-w-[34ch] font-serif leading-snug">{cue}</p>
      {block.kind === 'poses' && block.settings?.risk && (
        <p className="run-small mx-auto mt-2 max-w-[36ch] text-quiet">Risk one mark that cannot be taken back.</p>
      )}
      {pictureCues(traits, exercise).map((words) => (
        <p key={words} className="run-small mx-auto mt-2 max-w-[44ch] text-quiet">
          {words}
        </p>
      ))}
      {exercise.rule.grip === 'from the shoulder' && (
        <p className="run-small mx-auto mt-2 max-w-[40ch] text-quiet">From the shoulder: the wrist stays quiet.</p>
      )}
      {!changing && exercise.form?.steps && <Steps steps={exercise.form.steps} />}
      {!changing && exercise.form?.focal && referenceId !== null && (
        <p className="run-small mx-auto mt-2 max-w-[40ch] text-quiet">
          Where is the eye to go first? Tap it on the picture as soon as you see it.
        </p>
      )}
      {marksInKind(exercise.rule) && <MarkKinds />}
      {shownAt === state.segmentIndex && (
        <div className="absolute top-6 right-10 border border-hairline bg-sheet p-2 max-sm:inset-x-6 max-sm:grid max-sm:justify-items-center">
          <ShownOnce exercise={exercise} />
        </div>
      )}
      {either && (
        <RunButton className="btn-quiet mx-auto mt-4 h-14 px-6 text-[17px]" onPress={() => onCommand('choose')}>
          {either} instead <kbd className="kbd kbd-sm">O</kbd>
        </RunButton>
      )}
      {segment.open ? (
        <RunButton className="mx-auto mt-6 h-16 px-8 text-[19px]" onPress={() => onCommand('next')}>
          Start the clock <kbd className="kbd kbd-sm">Right</kbd>
        </RunButton>
      ) : clock === 'none' ? null : (
        <p className="run-count mt-5 digits leading-none" role="timer" aria-label="Seconds until it begins">
          <Ticking state={state} words={(now) => String(Math.ceil(now.leftMs / 1000))} />
        </p>
      )}
      <div className="mt-6 flex flex-wrap items-center justify-center gap-2 max-sm:mt-3">
        {!changing && exercise.rule.reference !== 'none' && shownAt !== state.segmentIndex && (
          <RunButton
            className="btn-quiet h-11 px-3 text-[15px]"
            onPress={() => {
              // It takes a while to watch: the pose waits for it.
              if (shownAt !== state.segmentIndex) onCommand('wait');
              setShownAt(state.segmentIndex);
            }}
          >
            Show me once
          </RunButton>
        )}
        <ChangeNext {...props} />
      </div>
      {changing && (
        <div className="pointer-events-auto mx-auto mt-6 max-sm:mt-3">
          <GapQuestions plan={plan} segments={segments} state={state} onSay={onSay} centered />
        </div>
      )}
    </div>
  );
}

/** What is put down one after the other; folded away on request, and it stays so. */
function Steps({ steps }: { steps: readonly string[] }) {
  const [open, setOpen] = useState(() => !stepsFolded);
  return (
    <details
      open={open}
      className="pointer-events-auto mx-auto mt-3 w-fit text-left"
      onToggle={({ currentTarget }) => {
        stepsFolded = !currentTarget.open;
        setOpen(currentTarget.open);
      }}
    >
      <summary className="run-small cursor-pointer text-quiet">In this order</summary>
      <ol className="run-small list-decimal pl-6">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
    </details>
  );
}
/** Until the page is left. */
let stepsFolded = false;
