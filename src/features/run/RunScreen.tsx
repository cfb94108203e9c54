'use client';
import { ChevronLeft, ChevronRight, CircleHelp, Pause, Play, Square } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { format } from 'date-fns';
import { warningBeforeEndMs } from '@/core/clock/cues';
import type { RunState } from '@/core/clock/run';
import type { Session } from '@/core/journal/session';
import { clockDigits } from '@/core/practice/duration';
import { plannedRibbon } from '@/core/practice/ribbon';
import type { SegmentKind } from '@/core/practice/timeline';
import { knownFacts } from '@/storage/references';
import { EdgeClock } from '@/ui/EdgeClock';
import { Notice } from '@/ui/Notice';
import { Ribbon } from '@/ui/ribbon/Ribbon';
import { soundIsOn, unlockSound } from '@/ui/sound/cuePlayer';
import { useNow } from '@/ui/useNow';
import type { Run } from './controller';
import { HeldCard } from './HeldCard';
import { KeysCard } from './KeysCard';
import { PictureStage } from './PictureStage';
import { SegmentWords } from './SegmentWords';
import { useKeys } from './useKeys';
import { usePictures } from './usePictures';
import { useRunProblem, useRunState } from './useRun';
import { announcement, comingReferences, exerciseOf, previewOf, referenceOf, showsReference } from './words';

const CLOCKS = ['large', 'small', 'none'] as const;

/** Nothing but the picture, the clock at its edge, the ribbon and a few words. */
export function RunScreen({ session, run }: { session: Session; run: Run }) {
  const router = useRouter();
  const { plan } = session;
  const { segments, totalMs } = run.timeline;
  const state = useRunState(run);
  const problem = useRunProblem(run);
  const [clockIndex, setClockIndex] = useState(0);
  const [stopping, setStopping] = useState(false);
  const [keysShown, setKeysShown] = useState(false);
  const nowMs = useNow(5000);
  const done = state.phase === 'done';
  const segment = segments[Math.min(state.segmentIndex, segments.length - 1)];
  const exercise = exerciseOf(plan, segment);
  const shows = !done && showsReference(plan, segment);
  const held = state.phase === 'held';
  const referenceId = referenceOf(plan, segment);

  const coming = useMemo(
    () => comingReferences(plan, segments, firstOfPose(segments, state.segmentIndex)),
    [plan, segments, state.segmentIndex],
  );
  const pictures = usePictures(coming);
  const blocks = useMemo(() => plannedRibbon(plan), [plan]);

  useEffect(() => {
    if (!done) return;
    let current = true;
    void run.settled().then(() => {
      if (current) router.replace(`/after?session=${session.id}`);
    });
    return () => {
      current = false;
    };
  }, [done, run, router, session.id]);

  const stop = useCallback(() => {
    if (stopping) run.command('stop');
    else {
      run.command('pause');
      setStopping(true);
    }
  }, [run, stopping]);
  const goOn = useCallback(
    (counted = false) => {
      unlockSound();
      setStopping(false);
      run.command(counted ? 'resume counted' : 'resume');
    },
    [run],
  );
  const pauseOrGo = useCallback(() => {
    if (run.state().phase === 'held') goOn();
    else run.command('pause');
  }, [run, goOn]);

  const onKey = useCallback(
    (key: string): boolean => {
      switch (key) {
        case ' ':
          pauseOrGo();
          return true;
        case 'ArrowRight':
        case 'PageDown':
          run.command('next');
          return true;
        case 'Enter':
          if (segment.open) run.command('next');
          return segment.open;
        case 'ArrowLeft':
        case 'PageUp':
          run.command('back');
          return true;
        case '+':
        case '=':
          run.command('more');
          return true;
        case 'r':
          run.command('restart');
          return true;
        case 'i':
          if (exercise?.rule.countsPeeks && segment.kind === 'draw') run.command('peek');
          return true;
        case 'c':
          setClockIndex((i) => (i + 1) % CLOCKS.length);
          return true;
        case 'f':
          if (document.fullscreenElement) void document.exitFullscreen();
          else void document.documentElement.requestFullscreen().catch(() => undefined);
          return true;
        case 'x':
          stop();
          return true;
        case '?':
          setKeysShown((shown) => !shown);
          return true;
        case 'Escape':
          setKeysShown(false);
          return keysShown;
        default:
          return false;
      }
    },
    [run, pauseOrGo, stop, segment, exercise, keysShown],
  );
  useKeys(onKey);

  const left = useCallback(() => {
    const now = run.state();
    if (now.phase === 'done') return { share: 0, ms: 0 };
    const open = run.timeline.segments[now.segmentIndex].open;
    // A page of lines counts up: nothing burns.
    return open
      ? { share: 1, ms: Infinity }
      : { share: now.lengthMs === 0 ? 0 : now.leftMs / now.lengthMs, ms: now.leftMs };
  }, [run]);

  const resting = segment.kind === 'rest' || segment.kind === 'body';
  // Blind work goes by sound: digits would pull the eyes away. Without sound they come back.
  const bySound = exercise?.rule.gaze === 'only on the reference' && segment.kind === 'draw' && soundIsOn();
  const clock = bySound ? 'none' : CLOCKS[clockIndex];
  const spentMs = Math.min(segment.endMs, segment.startMs + state.elapsedMs);
  const restOfPlanMs = done
    ? 0
    : totalMs - segment.endMs + (segment.open ? Math.max(0, segment.endMs - spentMs) : state.leftMs);
  const picture = referenceId === null ? undefined : pictures.get(referenceId);
  const previewId = previewOf(plan, segments, state.segmentIndex);
  return (
    <main className="fixed inset-0 flex flex-col overflow-hidden bg-plate">
      <h1 className="sr-only">Session running</h1>
      <div className="relative min-h-0 flex-1">
        {[...pictures].map(([id, p]) =>
          p.kind === 'ready' ? (
            <PictureStage
              key={id}
              bitmap={p.bitmap}
              visible={(shows && id === referenceId) || id === previewId}
              dim={previewId !== null || held}
              aside={previewId !== null}
              label={`Reference: ${knownFacts(id)?.name ?? 'a picture of yours'}`}
            />
          ) : null,
        )}
        {shows && picture?.kind !== 'ready' && (
          <p className="absolute inset-0 grid place-items-center">
            {picture
              ? 'This picture is no longer here. Draw the pose before it from memory, or go to the next.'
              : 'Getting the picture ready.'}
          </p>
        )}
        <EdgeClock
          left={left}
          tone={resting ? 'rest' : 'drawing'}
          urgent={segment.kind === 'draw' && exercise?.rule.sound === 'crisp'}
        />
        <CueFlash run={run} state={state} />
        {!done && (
          <SegmentWords
            plan={plan}
            segments={segments}
            state={state}
            clock={clock}
            onNext={() => run.command('next')}
            onMore={() => run.command('more')}
            onPeek={() => run.command('peek')}
          />
        )}
        {held && (
          <HeldCard
            state={state}
            segment={segment}
            stopping={stopping}
            nowMs={run.nowMs()}
            onGoOn={() => goOn()}
            onCount={() => goOn(true)}
            onStop={() => run.command('stop')}
          />
        )}
        {keysShown && <KeysCard onClose={() => setKeysShown(false)} />}
        {problem && (
          <div className="absolute inset-x-10 top-10">
            <Notice>{problem}</Notice>
          </div>
        )}
      </div>
      <div className="flex items-center gap-5 border-t border-hairline bg-ground px-4 py-2 max-lg:flex-wrap sm:px-10 lg:h-[80px]">
        <div className="min-w-0 flex-1 max-lg:order-2 max-lg:basis-full">
          <Ribbon
            blocks={blocks}
            size="run"
            playheadMs={spentMs}
            label={`${clockDigits(restOfPlanMs)} of the session left`}
          />
        </div>
        <p className="text-[14px] leading-5 max-lg:mr-auto lg:text-right">
          <b className="tabular-nums">{clockDigits(restOfPlanMs)} left</b>
          <br />
          <span className="text-quiet" suppressHydrationWarning>
            ends {held ? 'later' : format(nowMs + restOfPlanMs, 'H:mm')}
          </span>
        </p>
        <div className="flex gap-2">
          <Control label="Back" hint="Left" onPress={() => run.command('back')}>
            <ChevronLeft aria-hidden size={22} />
          </Control>
          <Control label={held ? 'Go on' : 'Pause'} hint="Space" onPress={pauseOrGo}>
            {held ? <Play aria-hidden size={20} /> : <Pause aria-hidden size={20} />}
          </Control>
          <Control label="Next" hint="Right" onPress={() => run.command('next')}>
            <ChevronRight aria-hidden size={22} />
          </Control>
          <Control label="Stop and keep" hint="X" onPress={stop}>
            <Square aria-hidden size={18} />
          </Control>
          <Control label="Keys" hint="?" onPress={() => setKeysShown(!keysShown)}>
            <CircleHelp aria-hidden size={20} />
          </Control>
        </div>
      </div>
      <p className="sr-only" role="status">
        {done ? 'The session is over.' : held ? 'On hold.' : announcement(plan, segment)}
      </p>
    </main>
  );
}

/** While a pose is looked at, drawn and seen again, its picture stays among the ones kept ready. */
function firstOfPose(segments: Run['timeline']['segments'], index: number): number {
  const at = segments[Math.min(index, segments.length - 1)];
  if (at.kind === 'change') return index;
  let first = index;
  while (
    first > 0 &&
    segments[first - 1].blockIndex === at.blockIndex &&
    segments[first - 1].poseIndex === at.poseIndex
  )
    first--;
  return first;
}

function Control({
  label,
  hint,
  onPress,
  children,
}: {
  label: string;
  hint: string;
  onPress: () => void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      className="btn-quiet btn btn-square h-14 w-14 lg:h-11 lg:w-11"
      aria-label={label}
      title={`${label} (${hint})`}
      onClick={(event) => {
        onPress();
        // Keys go to the session again, not to the button just pressed.
        event.currentTarget.blur();
      }}
    >
      {children}
    </button>
  );
}

const FLASHES: readonly SegmentKind[] = ['look', 'draw', 'lookAgain', 'page', 'change', 'rest'];

/** The visual twin of a cue: the whole edge shows for a moment when it rings. */
function CueFlash({ run, state }: { run: Run; state: RunState }) {
  const ref = useRef<HTMLDivElement>(null);
  const { kind } = run.timeline.segments[Math.min(state.segmentIndex, run.timeline.segments.length - 1)];
  const before = kind === 'draw' ? warningBeforeEndMs(state.lengthMs) : undefined;
  const warned = before !== undefined && state.leftMs <= before;
  useEffect(() => {
    if (!FLASHES.includes(kind)) return;
    // Without motion it is simply there and then not.
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
    ref.current?.animate([{ opacity: 0.9 }, { opacity: 0 }], {
      duration: 900,
      easing: still ? 'steps(1, end)' : 'ease-out',
    });
  }, [kind, state.visits.length, warned]);
  const color = kind === 'draw' || kind === 'look' || kind === 'page' ? 'border-russet' : 'border-moss';
  return (
    <div ref={ref} aria-hidden className={`pointer-events-none absolute inset-0 border-[10px] opacity-0 ${color}`} />
  );
}
