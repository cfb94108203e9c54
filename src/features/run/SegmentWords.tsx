'use client';
import { counted } from '@/core/words';
import { Eye, EyeOff, PenLine, Pencil } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { RunState } from '@/core/clock/run';
import { clockDigits } from '@/core/practice/duration';
import type { Exercise, LINE_MOTIFS } from '@/core/practice/exercises';
import type { Plan } from '@/core/practice/schema';
import type { Segment } from '@/core/practice/timeline';
import { knownFacts, referenceName } from '@/storage/references';
import { Breathing } from './Breathing';
import { exerciseOf, MOTIF_PATHS, nextPose, poseCount, referenceOf } from './words';

interface Props {
  plan: Plan;
  segments: readonly Segment[];
  state: RunState;
  clock: 'large' | 'small' | 'none';
  onNext: () => void;
  onMore: () => void;
  onPeek: () => void;
}

/** The few words of each moment, and the digits. */
export function SegmentWords(props: Props) {
  const { segments, state, clock } = props;
  const segment = segments[state.segmentIndex];
  const shown = segment.open ? state.elapsedMs - (state.elapsedMs % 1000) : Math.ceil(state.leftMs / 1000) * 1000;
  const digits =
    clock === 'none' ? null : (
      <p
        role="timer"
        aria-label={segment.open ? 'Time on this page' : 'Time left'}
        className={`absolute bottom-9 left-12 rounded px-2 digits leading-[0.86] tracking-tight halo ${
          clock === 'large' ? 'text-[clamp(72px,12vw,160px)]' : 'text-[44px]'
        }`}
      >
        {clockDigits(shown)}
      </p>
    );
  switch (segment.kind) {
    case 'leadIn':
    case 'change':
      return <LeadIn {...props} segment={segment} />;
    case 'rest':
    case 'body':
      return <Resting {...props} segment={segment} shownMs={shown} />;
    case 'page':
      return (
        <>
          <LinesPage {...props} segment={segment} />
          {digits}
        </>
      );
    default:
      return (
        <>
          <PoseWords {...props} segment={segment} />
          {digits}
        </>
      );
  }
}

type SegmentProps = Props & { segment: Segment };

function LeadIn({ plan, segments, state, segment }: SegmentProps) {
  const changing = segment.kind === 'change';
  const ahead = changing
    ? segments.findIndex((s, i) => i > state.segmentIndex && s.kind === 'leadIn')
    : state.segmentIndex;
  const next = segments[ahead === -1 ? state.segmentIndex : ahead];
  const exercise = exerciseOf(plan, next);
  if (!exercise) return null;
  const pose = nextPose(plan, segments, ahead === -1 ? state.segmentIndex : ahead);
  const cue = exercise.cues[(next.poseIndex + next.blockIndex) % exercise.cues.length];
  return (
    <div className="absolute inset-0 grid place-content-center px-16 text-center">
      <p className="text-[17px] text-quiet">{changing ? 'Next sheet. Then' : 'Ready'}</p>
      <p className="mt-1 font-serif text-[clamp(28px,4vw,46px)] leading-tight">
        {exercise.name}
        {pose && `, ${pose.length}`}
      </p>
      <p className="text-[17px] text-quiet">{poseCount(plan, next)}</p>
      <p className="mx-auto mt-5 max-w-[34ch] font-serif text-[clamp(19px,2.2vw,26px)] leading-snug">{cue}</p>
      <p
        className="mt-6 digits text-[clamp(72px,12vw,150px)] leading-none"
        role="timer"
        aria-label="Seconds until it begins"
      >
        {Math.ceil(state.leftMs / 1000)}
      </p>
    </div>
  );
}

function useReferenceName(referenceId: string | null): string {
  const [name, setName] = useState('');
  const known = referenceId === null ? '' : knownFacts(referenceId)?.name;
  useEffect(() => {
    if (known !== undefined || referenceId === null) return;
    let current = true;
    referenceName(referenceId).then(
      (n) => {
        if (current) setName(n);
      },
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [referenceId, known]);
  return known ?? name;
}

function PoseWords({ plan, state, segment, onPeek }: SegmentProps) {
  const exercise = exerciseOf(plan, segment);
  const name = useReferenceName(referenceOf(plan, segment));
  if (!exercise) return null;
  const peeks = state.visits.at(-1)?.peeksAtMs.length ?? 0;
  const hidden = segment.kind === 'draw' && exercise.rule.reference === 'look then hidden';
  const stage =
    segment.kind === 'look'
      ? 'Look. It hides when the time is up.'
      : segment.kind === 'lookAgain'
        ? 'Here it is again.'
        : undefined;
  const calmEnd =
    exercise.rule.sound === 'calm' && segment.kind === 'draw' && state.lengthMs >= 120_000 && state.leftMs <= 60_000;
  return (
    <>
      <div className="absolute top-10 left-12 max-w-[min(330px,60%)] rounded px-2 py-1 halo">
        <p className="font-serif text-[24px] leading-7">{exercise.name}</p>
        <p className="text-quiet">
          {poseCount(plan, segment)}
          {!hidden && name && `, ${name.toLowerCase()}`}
        </p>
        <RuleMarks exercise={exercise} hidden={hidden} />
      </div>
      {hidden && (
        <div className="absolute inset-0 grid place-content-center gap-3 text-center">
          <EyeOff className="mx-auto text-quiet" size={42} strokeWidth={1.3} aria-hidden />
          <p className="font-serif text-[30px]">Now from memory</p>
          <p className="max-w-[36ch] text-quiet">What carried the weight? Where did it lean?</p>
        </div>
      )}
      {(stage ?? (calmEnd ? 'The last minute. Keep the pace.' : undefined)) && (
        <p className="absolute top-10 right-12 max-w-[240px] rounded px-2 py-1 text-right font-serif text-[20px] leading-6 halo">
          {stage ?? 'The last minute. Keep the pace.'}
        </p>
      )}
      {segment.kind === 'lookAgain' && (
        <p className="absolute right-12 bottom-10 max-w-[280px] rounded px-2 text-right halo">
          {exercise.closingQuestion}
        </p>
      )}
      {exercise.rule.countsPeeks && segment.kind === 'draw' && (
        <div className="absolute right-12 bottom-10 text-right">
          <button
            type="button"
            className="btn-quiet btn h-14 bg-plate/80"
            onClick={(event) => {
              onPeek();
              event.currentTarget.blur();
            }}
          >
            <Eye size={18} aria-hidden /> I peeked <kbd className="kbd kbd-sm">I</kbd>
          </button>
          <p className="mt-1 min-h-[20px] text-[14px] text-quiet" role="status">
            {peeks > 0 ? `${counted(peeks, 'peek')}. Go on.` : ''}
          </p>
        </div>
      )}
    </>
  );
}

function RuleMarks({ exercise, hidden }: { exercise: Exercise; hidden: boolean }) {
  const { gaze, erasing } = exercise.rule;
  const marks = [
    gaze === 'only on the reference' && { icon: Eye, words: 'eyes on the edge, goes by sound' },
    gaze === 'mostly on the reference' && { icon: Eye, words: 'look more than draw' },
    erasing === 'none' && { icon: PenLine, words: 'no erasing' },
    erasing === 'free' && hidden && { icon: Pencil, words: 'erase freely' },
  ].filter((m) => m !== false);
  return (
    <ul className="mt-1 text-[14px]">
      {marks.map(({ icon: Icon, words }) => (
        <li key={words} className="flex items-center gap-2 leading-6">
          <Icon size={17} strokeWidth={1.6} aria-hidden /> {words}
        </li>
      ))}
    </ul>
  );
}

function LinesPage({ plan, segment, onNext }: SegmentProps) {
  const block = plan.blocks[segment.blockIndex];
  if (block.kind !== 'lines') return null;
  const { motif } = block.pages[segment.poseIndex];
  return (
    <div className="absolute inset-0 grid place-content-center justify-items-center gap-2 px-12 text-center">
      <p className="text-quiet">{poseCount(plan, segment)}</p>
      <p className="font-serif text-[clamp(34px,5vw,58px)] leading-none">{motif}</p>
      <svg viewBox="0 0 120 80" className="my-4 w-[min(38vh,60vw)]" aria-hidden>
        <path
          d={MOTIF_PATHS[motif as (typeof LINE_MOTIFS)[number]] ?? MOTIF_PATHS.Verticals}
          fill="none"
          stroke="var(--charcoal)"
          strokeWidth="1.6"
          strokeLinecap="round"
        />
      </svg>
      <p className="max-w-[38ch]">
        Fill the sheet, fast, from the shoulder. No line matters by itself. It takes as long as it takes.
      </p>
      <button
        type="button"
        className="btn mt-4 h-14 px-6 text-[17px]"
        onClick={(event) => {
          onNext();
          event.currentTarget.blur();
        }}
      >
        Page full <kbd className="kbd kbd-sm">Right</kbd>
      </button>
    </div>
  );
}

function Resting({ plan, segments, state, segment, shownMs, onNext, onMore }: SegmentProps & { shownMs: number }) {
  const block = plan.blocks[segment.blockIndex];
  const next = nextPose(plan, segments, state.segmentIndex);
  const name = useReferenceName(next?.referenceId ?? null);
  const move = block.kind === 'body' ? block.moves[segment.poseIndex] : undefined;
  const title = move?.name ?? 'Let the arm hang and shake the hand out';
  const hint = move?.hint ?? 'Slowly. Then look at something across the room until the soft tone.';
  return (
    <>
      <div className="absolute inset-y-0 left-12 flex w-[min(560px,70%)] flex-col justify-center gap-4 max-sm:left-10">
        <p className="font-semibold text-moss">
          {move
            ? `Body, ${poseCount(plan, segment)}`
            : `Rest${next ? `, then ${next.exercise.name.toLowerCase()}` : ''}`}
        </p>
        <p className="digits text-[clamp(72px,13vw,170px)] leading-[0.86]" role="timer" aria-label="Time left">
          {clockDigits(shownMs)}
        </p>
        <p className="font-serif text-[clamp(26px,3.4vw,40px)] leading-tight">{title}</p>
        <p className="text-[17px]">{hint}</p>
        {!move && <Breathing elapsedMs={state.elapsedMs} lengthMs={state.lengthMs} />}
        {move && (
          <p className="text-[14px] text-quiet">
            Gently, inside a comfortable range. Stop at pain, numbness or tingling.
          </p>
        )}
        <div className="flex flex-wrap gap-3">
          <button type="button" className="btn h-12 max-sm:h-14" onClick={onNext}>
            {move ? 'Next move' : 'Draw now'} <kbd className="kbd kbd-sm">Right</kbd>
          </button>
          <button type="button" className="btn-quiet btn h-12 max-sm:h-14" onClick={onMore}>
            A little more <kbd className="kbd kbd-sm">+</kbd>
          </button>
        </div>
      </div>
      {next && !move && (
        <p className="absolute top-12 right-14 text-right">
          <span className="block text-quiet">Next, {next.length}</span>
          {name.toLowerCase()}
        </p>
      )}
    </>
  );
}
