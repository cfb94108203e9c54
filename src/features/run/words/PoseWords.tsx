'use client';
import { Eraser, Eye, EyeOff, type LucideIcon, PenLine, Pencil } from 'lucide-react';
import { focalNow } from '@/core/clock/asked';
import { type Pot, potAt } from '@/core/clock/pot';
import { leftDigits } from '@/core/practice/time/duration';
import { marksInKind } from '@/core/practice/rules/marks';
import { type Medium, mediumById } from '@/core/practice/paper/materials';
import { stagesAt } from '@/core/clock/stagesAt';
import { stageAt, waitsForWhole } from '@/core/practice/rules/poseStages';
import { countsPeeks, type Exercise } from '@/core/practice/exercises/exercise';
import { readPeeks } from '@/core/practice/rules/measuring';
import type { RuleLine } from '@/core/practice/exercises/exercise';
import { nothingErased, ruleCard } from '@/core/practice/rules/ruleCard';
import { holdLimitOf } from '@/core/practice/rules/holds';
import { mediumOf, poseExercise, poseIn } from '@/core/practice/rules/poseExercise';
import { isWhole } from '@/core/practice/rules/suits';
import { isDrawing, referenceOf, showsReference } from '@/core/practice/rules/showsReference';
import { capital, counted } from '@/core/words';
import { MarkKinds } from './MarkKinds';
import { RunButton } from '@/features/run/steer/RunButton';
import type { SegmentProps } from './segmentProps';
import { useStored } from '@/storage/hooks/useStored';
import { loadViewing } from '@/storage/sessions/viewings';
import { useReferenceName } from '@/storage/hooks/useReferenceName';
import { Word } from '@/ui/Word';
import { Ticking } from './Ticking';
import {
  attemptWords,
  BEGINNING_MS,
  inLastMinute,
  overtimeOf,
  poseCount,
  poseNotes,
  promptOf,
  takesStartPoint,
} from './words';

/** Words over a picture: what it is, its rule, the stage, and what is told apart while it is drawn. */
export function PoseWords(props: SegmentProps) {
  const { plan, segments, state, segment, wordsOn, onCommand, onSay } = props;
  const exercise = poseExercise(plan, segment);
  const referenceId = referenceOf(plan, segment);
  const name = useReferenceName(referenceId);
  const startedBefore =
    useStored(
      async () => referenceId !== null && (await loadViewing(referenceId)).starts.length > 0,
      ['viewings'],
      [referenceId],
    ).value ?? false;
  if (!exercise) return null;
  const prompt = promptOf(plan, segment);
  const hidden = prompt === undefined && isDrawing(segment) && !showsReference(plan, segment);
  const over = segment.answered === true && state.elapsedMs >= state.lengthMs;
  const { wholeInMs } = state.visits.at(-1) ?? {};
  const stages = stagesAt(plan, { segments }, state);
  const mediumId = mediumOf(plan, segment);
  const medium = mediumId === undefined ? undefined : mediumById(mediumId);
  const stage = stages.length < 2 ? undefined : stageAt(stages, state.elapsedMs).now;
  const side = wordsOn === 'left' ? 'sm:left-12' : 'text-right sm:right-12';
  const narrowSide = wordsOn === 'left' ? 'max-sm:items-start' : 'max-sm:items-end';
  const otherSide = wordsOn === 'left' ? 'right-12 max-sm:right-10 text-right' : 'left-12 max-sm:left-10';
  const attempt = attemptWords(state);
  const told = momentWords(props, exercise, startedBefore);
  const pot = segment.potMs === undefined ? undefined : potAt({ segments }, state);
  return (
    <>
      {/* Side by side over the picture; on a narrow screen one below the other. */}
      <div
        className={`max-sm:pointer-events-none max-sm:absolute max-sm:inset-x-10 max-sm:top-10 max-sm:flex max-sm:flex-col low:max-sm:top-5 ${narrowSide}`}
      >
        <div
          data-over
          className={`run-pose w-fit halo rounded px-2 py-1 sm:pointer-events-none sm:absolute sm:top-10 sm:max-w-[min(330px,60%)] ${side}`}
        >
          <p className="run-name font-serif leading-tight">{exercise.name}</p>
          <p className="run-note text-quiet">
            {[poseCount(plan, segment), ...poseNotes(plan, segment), ...(attempt ? [attempt] : [])].join(', ')}
            {!hidden && name && `, ${name.toLowerCase()}`}
          </p>
          <RuleMarks exercise={exercise} hidden={hidden} medium={medium} />
          {stage && (
            <p className="run-note mt-2">
              Now: <b className="font-semibold">{stage}</b>
            </p>
          )}
          {wholeInMs === undefined && waitsForWhole(plan, segment) && (
            <RunButton
              className="btn-quiet pointer-events-auto mt-1 h-14 bg-plate/80"
              onPress={() => onSay({ type: 'wholeIn' })}
            >
              Whole figure in <kbd className="kbd kbd-sm">Y</kbd>
            </RunButton>
          )}
          {pot && (
            <p className="run-note mt-2">
              <Ticking
                state={state}
                words={(now) => {
                  const left = potAt({ segments }, now);
                  return left ? potWords(left, now.shares.has(segment.blockIndex)) : '';
                }}
              />
            </p>
          )}
          {state.oneMore && <p className="run-note mt-2">Once more after this.</p>}
          {marksInKind(exercise.rule) && (
            <div className="run-marks">
              <MarkKinds />
            </div>
          )}
        </div>
        {told && (
          <p
            data-over
            className={`run-moment w-fit halo rounded px-2 py-1 font-serif text-[20px] leading-6 sm:pointer-events-none sm:absolute sm:top-10 sm:max-w-[240px] ${otherSide} ${wordsOn === 'left' ? 'max-sm:text-left' : ''}`}
          >
            {told}
          </p>
        )}
      </div>
      {prompt !== undefined && (
        <Prompt words={prompt} call={holdLimitOf(plan, segment) === undefined ? undefined : poseCount(plan, segment)} />
      )}
      {hidden && !over && (
        <div className="pointer-events-none absolute inset-0 grid place-content-center gap-3 px-8 text-center">
          <EyeOff className="mx-auto text-quiet" size={42} strokeWidth={1.3} aria-hidden />
          <p className="run-title font-serif leading-tight">
            {exercise.rule.gaze === 'eyes closed'
              ? 'Close your eyes and draw'
              : segment.kind === 'drawAgain'
                ? 'Put the drawing away too. Once more, from memory'
                : 'Now from memory'}
          </p>
          <p className="mx-auto max-w-[36ch] text-quiet">
            {exercise.rule.gaze === 'eyes closed'
              ? 'Nothing is expected of it. A sound says when it is over, again and again, until you answer.'
              : isWhole(poseIn(plan, segment)?.shows)
                ? 'What carried the weight? Where did it lean?'
                : 'What was its biggest shape? Which way did it lean?'}
          </p>
        </div>
      )}
      {over && (
        <div className="absolute inset-0 grid place-content-center gap-4 px-8 text-center">
          <p className="run-title font-serif leading-tight">Time. Open your eyes.</p>
          <RunButton className="mx-auto h-16 px-8 text-[19px]" onPress={() => onCommand('next')}>
            I heard it <kbd className="kbd kbd-sm">Right</kbd>
          </RunButton>
        </div>
      )}
      {segment.kind === 'lookAgain' && (
        <p className={`pointer-events-none absolute bottom-10 max-w-[280px] halo rounded px-2 ${otherSide}`}>
          {exercise.closingQuestion}
        </p>
      )}
      {segment.kind === 'draw' && !over && (
        <Tally {...props} exercise={exercise} medium={medium} className={otherSide} />
      )}
    </>
  );
}

/** What the pot still has to do. */
function potWords({ drawings, leftMs }: Pot, shared: boolean): string {
  const after = drawings - 1;
  if (after === 0) return 'The last one of the pot.';
  return shared
    ? `${String(after)} more out of the pot, shared evenly.`
    : `${String(after)} more out of these ${leftDigits(leftMs)}.`;
}

/** What is to be said at this moment of a pose, beside its name. */
function momentWords(
  { plan, segments, state, segment }: SegmentProps,
  exercise: Exercise,
  startedBefore: boolean,
): string | undefined {
  if (segment.kind === 'look')
    return `${segment.open ? 'Look until you have it. Then hide it.' : 'Look. It hides when the time is up.'} Draw the line of its flow on the picture, if you like.`;
  if (segment.kind === 'lookAgain')
    return exercise.rule.reference === 'shown then hidden'
      ? 'Lay both drawings beside the picture.'
      : 'Here it is again.';
  if (segment.kind === 'drawAgain')
    return showsReference(plan, segment) ? 'Draw it again, this time with the picture.' : undefined;
  if (segment.kind !== 'draw') return undefined;
  if (state.elapsedMs >= (holdLimitOf(plan, segment) ?? Infinity)) return 'Long enough to hold. A break is due.';
  if (segment.potMs !== undefined && overtimeOf(segment, state) > 0 && !potAt({ segments }, state))
    return 'The pot is empty. Finish this drawing, then move on.';
  if (inLastMinute(exercise, state)) return 'The last minute. Keep the pace.';
  if (
    exercise.form?.focal &&
    showsReference(plan, segment) &&
    !focalNow(plan, segments, state) &&
    state.elapsedMs < BEGINNING_MS
  )
    return 'Tap the picture where the eye is to go first.';
  const begun = state.visits.at(-1)?.startPoint !== undefined;
  if (takesStartPoint(exercise) && showsReference(plan, segment) && !begun && state.elapsedMs < BEGINNING_MS)
    return `Tap the picture where you begin.${startedBefore ? ' Crosses: where you began before.' : ''}`;
  return undefined;
}

/** What is drawn without a picture: the prompt, or the call to whoever poses. */
function Prompt({ words, call }: { words: string; call: string | undefined }) {
  return (
    <div className="run-prompt pointer-events-none absolute inset-0 grid place-content-center gap-2 px-16 text-center">
      <p className="run-title font-serif leading-tight">{call === undefined ? words : `${capital(call)}: hold`}</p>
      {call !== undefined && <p className="run-small text-quiet">{words}</p>}
    </div>
  );
}

/** Rubbing out is owned up to in drawings at least so long: in a shorter one there is no time for it. */
const RUBBING_FROM_MS = 60_000;

/** The slips that a rule counts, without voiding anything: looks at the sheet against their allowance, lifts of the line, rubbing out. */
function Tally({
  state,
  exercise,
  medium,
  onScreen = false,
  onSay,
  className,
}: SegmentProps & { exercise: Exercise; medium: Medium | undefined; className: string }) {
  const visit = state.visits.at(-1);
  const peeking = countsPeeks(exercise);
  const lifting = exercise.rule.lifts === 'none';
  const rubbing =
    nothingErased(exercise, medium) &&
    // What cannot be erased needs no owning up.
    medium?.erases !== false &&
    state.lengthMs >= RUBBING_FROM_MS &&
    !peeking;
  if (!visit || (!peeking && !lifting && !rubbing)) return null;
  const { spentMs, allowedMs, within } = readPeeks(visit.peeks, state.lengthMs);
  const words = peeking
    ? visit.peeks.length > 0 &&
      `${counted(visit.peeks.length, 'peek')}, ${(spentMs / 1000).toFixed(1)} s of ${(allowedMs / 1000).toFixed(1)} s${within ? '' : ', over'}. Go on.`
    : visit.lifts > 0 && `${counted(visit.lifts, 'lift')}. Set it down where you left off; nothing is lost.`;
  return (
    <div data-over className={`run-tally absolute bottom-10 max-w-[280px] ${className}`}>
      {(peeking || lifting) && !onScreen && (
        <RunButton
          className="btn-quiet h-14 bg-plate/80"
          onPress={() => onSay(peeking ? { type: 'peek' } : { type: 'lift' })}
        >
          {peeking ? <Eye size={18} aria-hidden /> : <PenLine size={18} aria-hidden />}
          {peeking ? 'I peeked' : 'I lifted'} <kbd className="kbd kbd-sm">I</kbd>
        </RunButton>
      )}
      {rubbing && !onScreen && (
        <RunButton
          className="btn-quiet mt-2 h-14 border-transparent bg-plate/80"
          onPress={() => onSay({ type: 'rubbedOut' })}
        >
          <Eraser size={18} aria-hidden />I erased <kbd className="kbd kbd-sm">0</kbd>
        </RunButton>
      )}
      {(peeking || lifting) && !onScreen && (
        <p className="text-[14px] text-quiet">
          <Word of={peeking ? 'peek' : 'lift'} givesKeysBack>
            What is a {peeking ? 'peek' : 'lift'}?
          </Word>
        </p>
      )}
      <p className="mt-1 min-h-[20px] text-[14px] text-quiet" role="status">
        {words}
        {visit.rubbedOut !== undefined && ' Noted; the drawing counts all the same.'}
      </p>
    </div>
  );
}

const ICONS: Record<RuleLine['topic'], LucideIcon> = {
  eyes: Eye,
  'eyes closed': EyeOff,
  line: PenLine,
  mark: Pencil,
  view: Eye,
};

function RuleMarks({ exercise, hidden, medium }: { exercise: Exercise; hidden: boolean; medium: Medium | undefined }) {
  return (
    <ul className="run-rule mt-1">
      {ruleCard(exercise, hidden, medium).map(({ topic, words }) => {
        const Icon = ICONS[topic];
        return (
          <li key={words} className="flex items-start gap-2 leading-6">
            <Icon size={17} strokeWidth={1.6} aria-hidden className="mt-[3px] shrink-0" /> {words}
          </li>
        );
      })}
    </ul>
  );
}
