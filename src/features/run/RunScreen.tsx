'use client';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { withChoices } from '@/core/clock/choices';
import { firstOfPose } from '@/core/clock/poseSegments';
import type { RunState } from '@/core/clock/run';
import { planSpentMs, sessionLeftMs } from '@/core/clock/sessionLeft';
import type { Session } from '@/core/journal/session';
import { wallTime } from '@/core/practice/time/clockTime';
import { clockDigits } from '@/core/practice/time/duration';
import { isCalm } from '@/core/practice/exercises/exercise';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import { poseStages, stageAt } from '@/core/practice/rules/poseStages';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { isDrawing, referenceOf, showsReference } from '@/core/practice/rules/showsReference';
import type { Plan } from '@/core/practice/plan/schema';
import type { SegmentKind } from '@/core/practice/time/timeline';
import { zoomForHeight } from '@/core/seeing/place';
import { MAX_ZOOM, MIN_ZOOM, WHOLE } from '@/core/journal/viewing';
import type { Room } from '@/storage/sessions/room';
import { EdgeClock } from '@/ui/EdgeClock';
import { Notice } from '@/ui/Notice';
import { Ribbon } from '@/ui/ribbon/Ribbon';
import { cueVolume, soundIsOn, unlockSound } from '@/ui/sound/cuePlayer';
import { type Aids, drawsFromNothing, NO_AIDS, pressAid } from './stage/aids';
import type { Run } from './session/controller';
import { CueFlash } from './CueFlash';
import { HeldCard } from './steer/HeldCard';
import { shareRun } from './session/runChannel';
import { RunControls } from './steer/RunControls';
import { RunStage } from './stage/RunStage';
import { CLOCKS } from './words/segmentProps';
import { SegmentWords } from './words/SegmentWords';
import { useDrawnKey } from './stage/useDrawnKey';
import { usePictures } from './stage/usePictures';
import { RunContext } from './session/runContext';
import { onTick } from './session/ticks';
import { useRunProblem, useRunState } from './session/useRun';
import { useRunKeys } from './steer/useRunKeys';
import { useTimeLeft } from './session/useTimeLeft';
import { useViewing } from './stage/useViewing';
import { useVoice } from './words/useVoice';
import { Ticking } from './words/Ticking';
import { announcement, comingReferences, phraseIn, previewOf, takesStartPoint } from './words/words';

// Shown now and then: fetched when needed.
const AidsTray = dynamic(() => import('./stage/AidsTray').then((m) => m.AidsTray));
const KeysCard = dynamic(() => import('./steer/KeysCard').then((m) => m.KeysCard));
const Pocket = dynamic(() => import('./Pocket').then((m) => m.Pocket));

/** The second window: picture and clock, for a television or a projector. */
const openSecondWindow = (): void => {
  window.open('/run/window', 'fox-minute-window', 'popup,width=1100,height=760');
};

/** Nothing but the picture, the clock at its edge, the ribbon and a few words. */
export function RunScreen({ session, run, room }: { session: Session; run: Run; room: Room }) {
  const router = useRouter();
  const { segments } = run.timeline;
  const phrase = useMemo(() => phraseIn(session.plan, segments), [session.plan, segments]);
  const state = useRunState(run, phrase);
  const plan = useMemo(() => withChoices(session.plan, state.others), [session.plan, state.others]);
  const problem = useRunProblem(run);
  const [clockIndex, setClockIndex] = useState(0);
  const [stopping, setStopping] = useState(false);
  const [keysShown, setKeysShown] = useState(false);
  const [aidsShown, setAidsShown] = useState(false);
  const [aids, setAids] = useState<Aids>(NO_AIDS);
  const [told, setTold] = useState('');
  /** The answer key of the pose just drawn is shown, on hold. */
  const [keyed, setKeyed] = useState(false);
  /** Of the picture at zoom 1. */
  const [heightPx, setHeightPx] = useState<number>();
  const done = state.phase === 'done';
  const segment = segments[Math.min(state.segmentIndex, segments.length - 1)];
  const exercise = poseExercise(plan, segment);
  const shows = !done && showsReference(plan, segment);
  const held = state.phase === 'held';
  const referenceId = referenceOf(plan, segment);
  const between = BETWEEN.includes(segment.kind);
  const answersShown = keyed && held && between;
  const wordsOn = room.hand === 'right' ? 'left' : 'right';

  // The pose just drawn stays at hand between two, for its answer key.
  const coming = useMemo(() => {
    const at = Math.min(state.segmentIndex, segments.length - 1);
    const drawn = segments[at].kind === 'rest' || segments[at].kind === 'lookBack' ? at - 1 : at;
    return comingReferences(plan, segments, firstOfPose(segments, Math.max(0, drawn)));
  }, [plan, segments, state.segmentIndex]);
  const pictures = usePictures(coming);
  const blocks = useMemo(() => plannedRibbon(plan), [plan]);
  const previewId = previewOf(plan, segments, state.segmentIndex, room.leadInShows);
  const drawnId = between ? lastDrawn(plan, run, state) : null;
  const shownId = answersShown ? drawnId : shows ? referenceId : previewId;
  const [viewing, changeViewing] = useViewing(shownId, room.evenSizes);
  const answers = useDrawnKey(
    shownId,
    aids.pace ||
      aids.envelope ||
      aids.face ||
      aids.grid === 'heads' ||
      answersShown ||
      (aidsShown && room.pxPerMm !== undefined),
  );
  const startPoint = state.visits.at(-1)?.startPoint;
  const pointer = useRef<readonly [number, number]>([0.5, 0.5]);

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

  const clockAway = CLOCKS[clockIndex] === 'none';
  useEffect(() => {
    const { beats, stages, lookBackMs, endWithoutClock } = room;
    run.setChoices({ beats, stages, lookBackMs, silentEnd: clockAway && !endWithoutClock });
  }, [run, room, clockAway]);
  useVoice(run, plan, state, room.voice, cueVolume());

  // A drawing made into a room is kept as one.
  const intoRoom = aids.box !== null && exercise !== undefined && drawsFromNothing(exercise) && segment.kind === 'draw';
  const knownIntoRoom = state.visits.at(-1)?.intoRoom === true;
  useEffect(() => {
    if (intoRoom && !knownIntoRoom && !done) run.say({ type: 'intoRoom' });
  }, [run, intoRoom, knownIntoRoom, done]);

  // Other windows see what is seen here.
  const aidsNow = useRef(aids);
  const shared = useRef<ReturnType<typeof shareRun>>(undefined);
  useEffect(() => {
    const sharing = shareRun(session.id, run, () => aidsNow.current);
    shared.current = sharing;
    return sharing.stop;
  }, [run, session.id]);
  useEffect(() => {
    aidsNow.current = aids;
    shared.current?.tell();
  }, [aids]);

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
      setKeyed(false);
      run.command(counted ? 'resume counted' : 'resume');
    },
    [run],
  );
  const pauseOrGo = useCallback(() => {
    if (run.state().phase === 'held') goOn();
    else run.command('pause');
  }, [run, goOn]);

  const onScreenKey = useCallback(
    (key: string): boolean => {
      switch (key) {
        case 'c':
          setClockIndex((i) => (i + 1) % CLOCKS.length);
          return true;
        case 'f':
          if (document.fullscreenElement) void document.exitFullscreen();
          else void document.documentElement.requestFullscreen().catch(() => undefined);
          return true;
        case 'q':
          setAidsShown((shown) => !shown);
          return true;
        case 'w':
          openSecondWindow();
          return true;
        case 'z':
          changeViewing((before) => ({ ...before, ...WHOLE, zoom: before.zoom === 1 ? 2 : 1 }));
          return true;
        case 'k':
          if (between) {
            run.command('pause');
            setKeyed(true);
          } else setTold('The answer key opens when the time is up.');
          return true;
        case '?':
          setKeysShown((shown) => !shown);
          return true;
        case 'Escape':
          setKeysShown(false);
          setAidsShown(false);
          return keysShown || aidsShown;
        default: {
          const next = pressAid(aidsNow.current, key, exercise, pointer.current);
          if (next === undefined) return false;
          setTold(next === 'locked' ? 'No measuring in this exercise: it opens when the time is up.' : '');
          if (next !== 'locked') {
            aidsNow.current = next; // a second key may come before the next render
            setAids(next);
          }
          return true;
        }
      }
    },
    [exercise, keysShown, aidsShown, changeViewing, between, run],
  );
  const onScreenRelease = useCallback((key: string): void => {
    if (key === 's') setAids((before) => ({ ...before, squint: false }));
  }, []);
  const press = useRunKeys({
    run,
    segment,
    exercise,
    learned: room.learned,
    onPauseOrGo: pauseOrGo,
    onStop: stop,
    onScreenKey,
    onScreenRelease,
  });
  useEffect(() => {
    if (told === '') return;
    const handle = setTimeout(() => setTold(''), 3500);
    return () => clearTimeout(handle);
  }, [told]);

  const { followLeft, spentShare } = useTimeLeft(run);
  const resting = segment.kind === 'rest' || segment.kind === 'body' || segment.kind === 'lookBack';
  // Blind work goes by sound: digits would pull the eyes away. Without sound they come back.
  const bySound = exercise?.rule.gaze === 'only on the reference' && segment.kind === 'draw' && soundIsOn();
  const clock = bySound ? 'none' : CLOCKS[clockIndex];
  const restOfPlanMs = sessionLeftMs(run.timeline, state);
  const spentMs = planSpentMs(segments, state);
  const followPlayhead = useCallback(
    // Whole seconds: it moves when the digits do.
    (move: (ms: number) => void) => onTick(run, (now) => move(Math.floor(planSpentMs(segments, now) / 1000) * 1000)),
    [run, segments],
  );
  const ticks =
    segment.kind === 'draw' && !segment.open && room.stages ? stageTicks(plan, segment, state.lengthMs) : [];
  const { pxPerMm } = room;
  const toHeight =
    answers && pxPerMm && heightPx
      ? (mm: number): void => {
          const zoom = zoomForHeight(mm, heightPx, (answers.bottom - answers.top) / answers.height, pxPerMm);
          changeViewing((before) => ({
            ...before,
            ...WHOLE,
            zoom: Math.max(MIN_ZOOM, Math.min(MAX_ZOOM, zoom)),
          }));
        }
      : undefined;
  return (
    <RunContext value={run}>
      <main
        className={`fixed inset-0 flex flex-col overflow-hidden bg-plate ${room.room === 'easel' || room.room === 'model' ? 'easel' : ''}`}
      >
        <h1 className="sr-only">Session running</h1>
        <div className="relative min-h-0 flex-1">
          <RunStage
            pictures={pictures}
            shownId={shownId}
            aside={previewId !== null && !answersShown}
            dim={(previewId !== null || held) && !answersShown}
            exercise={exercise}
            drawing={isDrawing(segment)}
            aids={aids}
            viewing={viewing}
            onViewing={changeViewing}
            wordsOn={wordsOn}
            startPoint={startPoint}
            onStartPoint={
              exercise && segment.kind === 'draw' && takesStartPoint(exercise)
                ? (x, y) => run.say({ type: 'startPoint', x, y })
                : undefined
            }
            onHorizon={(box) => setAids((before) => ({ ...before, box }))}
            onPlumb={(x, y) => setAids((before) => ({ ...before, plumb: [x, y] }))}
            spentShare={spentShare}
            answers={answers}
            answersShown={answersShown}
            onPlace={setHeightPx}
            onPointer={(at) => (pointer.current = at)}
          />
          <EdgeClock
            follow={followLeft}
            tone={resting ? 'rest' : 'drawing'}
            urgent={segment.kind === 'draw' && exercise !== undefined && !isCalm(exercise)}
            hidden={clockAway && !resting}
            ticks={ticks}
          />
          <CueFlash run={run} vibrate={room.vibrate || room.room === 'pocket'} />
          {!done && !answersShown && (
            <SegmentWords
              plan={plan}
              segments={segments}
              state={state}
              clock={clock}
              wordsOn={wordsOn}
              onCommand={run.command}
              onSay={run.say}
            />
          )}
          {aidsShown && (
            <AidsTray
              aids={aids}
              exercise={exercise}
              zoom={viewing.zoom}
              wordsOn={wordsOn}
              onKey={(key) => (key === 's' ? setAids({ ...aids, squint: !aids.squint }) : press(key))}
              onThreshold={(threshold) => setAids({ ...aids, threshold })}
              onWhole={() => changeViewing((before) => ({ ...before, ...WHOLE }))}
              onHeight={toHeight}
            />
          )}
          {answersShown && <KeyCard onClose={() => goOn()} />}
          {((held && !answersShown) || keysShown) && <div aria-hidden className="absolute inset-0 z-10 bg-plate/85" />}
          {held && !answersShown && (
            <HeldCard
              state={state}
              segment={segment}
              stopping={stopping}
              nowMs={run.nowMs()}
              onGoOn={() => goOn()}
              onCount={() => goOn(true)}
              onStop={() => run.command('stop')}
              onWhy={(why) => run.say({ type: 'why', why })}
            />
          )}
          {keysShown && <KeysCard onClose={() => setKeysShown(false)} />}
          <div role="status" className="pointer-events-none absolute inset-x-10 bottom-4 text-center">
            {told && <span className="rounded bg-sheet px-3 py-2">{told}</span>}
          </div>
          {problem && (
            <div className="absolute inset-x-10 top-10">
              <Notice>{problem}</Notice>
            </div>
          )}
          {room.room === 'pocket' && !done && (
            <Pocket state={state} segment={segment} plan={plan} onTap={() => press('Enter')} />
          )}
        </div>
        <div
          className={`flex items-center gap-5 border-t border-hairline bg-ground px-4 py-2 max-lg:flex-wrap max-sm:gap-2 max-sm:px-2 sm:px-10 lg:h-[80px] ${wordsOn === 'left' ? '' : 'lg:flex-row-reverse'}`}
        >
          <div className="min-w-0 flex-1 max-lg:order-2 max-lg:basis-full">
            <Ribbon
              blocks={blocks}
              size="run"
              playheadMs={spentMs}
              followPlayhead={followPlayhead}
              label={`${clockDigits(restOfPlanMs)} of the session left`}
            />
          </div>
          <p className="text-[14px] leading-5 max-lg:mr-auto max-sm:flex max-sm:w-full max-sm:justify-between lg:text-right">
            <b className="tabular-nums">
              <Ticking state={state} words={(now) => `${clockDigits(sessionLeftMs(run.timeline, now))} left`} />
            </b>
            <br className="max-sm:hidden" />
            <span className="text-quiet">
              <Ticking
                state={state}
                words={(now) =>
                  `ends ${now.phase === 'held' ? 'later' : wallTime(Date.now() + sessionLeftMs(run.timeline, now))}`
                }
              />
            </span>
          </p>
          <RunControls held={held} aidsShown={aidsShown} oneMore={state.oneMore} onKey={press} />
        </div>
        <p className="sr-only" role="status">
          {done ? 'The session is over.' : held ? 'On hold.' : announcement(plan, segment)}
        </p>
      </main>
    </RunContext>
  );
}

const BETWEEN: readonly SegmentKind[] = ['change', 'rest', 'lookBack', 'lookAgain'];

/** The reference of the drawing just ended. */
function lastDrawn(plan: Plan, run: Run, state: RunState): string | null {
  const visit = state.visits.findLast((v) => run.timeline.segments[v.segmentIndex].kind === 'draw');
  return visit ? referenceOf(plan, run.timeline.segments[visit.segmentIndex]) : null;
}

function KeyCard({ onClose }: { onClose: () => void }) {
  return (
    <section aria-label="Answer key" className="absolute top-10 left-12 z-10 max-w-[280px] bg-sheet p-4 max-sm:left-6">
      <p className="font-serif text-[22px] leading-tight">Answer key</p>
      <p className="mt-1 text-quiet">
        Action line, masses, tilts, landmarks of the pose just drawn. The clock is on hold.
      </p>
      <button type="button" className="btn mt-3" onClick={onClose}>
        Go on <kbd className="kbd kbd-sm">Space</kbd>
      </button>
    </section>
  );
}

/** Where the stages of a drawing begin on the edge, shares of its time. */
function stageTicks(...[plan, segment, lengthMs]: Parameters<typeof poseStages>): number[] {
  return stageAt(poseStages(plan, segment, lengthMs), 0).startsMs.map((ms) => ms / lengthMs);
}
