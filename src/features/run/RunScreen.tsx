'use client';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { type ReactNode, useCallback, useEffect, useRef, useState } from 'react';
import { askedOf, FOCAL_IN, focalNow } from '@/core/clock/asked';
import { goesOn } from '@/core/clock/run';
import type { Session } from '@/core/journal/session';
import { stagesAt } from '@/core/clock/stagesAt';
import { stageAt, waitsForWhole } from '@/core/practice/rules/poseStages';
import { isDrawing } from '@/core/practice/rules/showsReference';
import { parsePictureReference } from '@/core/references/picture';
import { zoomForHeight } from '@/core/seeing/place';
import { MAX_ZOOM, MIN_ZOOM, WHOLE } from '@/core/journal/viewing';
import { changeRoom, type Room } from '@/storage/sessions/room';
import { EdgeClock, EdgePath } from '@/ui/EdgeClock';
import { cueVolume, soundIsOn, unlockSound } from '@/ui/sound/cuePlayer';
import { type Aids, drawsFromNothing, NO_AIDS, pressAid } from './stage/aids';
import type { Run } from './session/controller';
import { CueFlash } from './CueFlash';
import { RunNotices } from './RunNotices';
import { RunStage } from './stage/RunStage';
import { CLOCKS } from './words/segmentProps';
import { RunStatus } from './words/RunStatus';
import { SegmentWords } from './words/SegmentWords';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { areReady, usePictures } from './stage/usePictures';
import { RunContext } from './session/runContext';
import { useRunProblem, useRunUnsaved } from './session/useRun';
import { useExchange } from './session/useExchange';
import { useSharing } from './session/useSharing';
import { halvesOf, WHOLE_WINDOW } from './sheet/halves';
import { KeyCard } from './stage/KeyCard';
import { useAwaitedPicture } from './stage/useAwaitedPicture';
import { useScene } from './stage/useScene';
import { RunBar } from './steer/RunBar';
import { useRunKeys } from './steer/useRunKeys';
import { useTimeLeft } from './session/useTimeLeft';
import { useViewing } from './stage/useViewing';
import { useVoice } from './words/useVoice';
import { takesStartPoint } from './words/words';

// Shown now and then: fetched when needed.
const AidsTray = dynamic(() => import('./stage/AidsTray').then((m) => m.AidsTray));
const HeldCard = dynamic(() => import('./steer/HeldCard').then((m) => m.HeldCard));
const KeysCard = dynamic(() => import('./steer/KeysCard').then((m) => m.KeysCard));
// Most draw on paper.
const SheetBoard = dynamic(() => import('./sheet/SheetBoard').then((m) => m.SheetBoard), { ssr: false });
const Pocket = dynamic(() => import('./Pocket').then((m) => m.Pocket));

/** The second window: picture and clock, for a television or a projector. */
const openSecondWindow = (): void => {
  window.open('/run/window', 'fox-minute-window', 'popup,width=1100,height=760');
};

/** Nothing but the picture, the clock at its edge, the ribbon and a few words. */
export function RunScreen({
  session,
  run,
  room,
  pages,
}: {
  session: Session;
  run: Run;
  room: Room;
  /** The pages of a session, over everything, to be closed again. */
  pages: (sessionId: string, onClose: () => void) => ReactNode;
}) {
  const router = useRouter();
  const { segments } = run.timeline;
  const { state, scene } = useScene(session.plan, run, room.leadInShows);
  const { plan, segment, exercise, done, held, between, previewId, resting } = scene;
  const problem = useRunProblem(run);
  const unsaved = useRunUnsaved(run);
  const [clockIndex, setClockIndex] = useState(0);
  const [stopping, setStopping] = useState(false);
  const [keysShown, setKeysShown] = useState(false);
  /** A page is being put away. */
  const [paging, setPaging] = useState(false);
  const [aidsShown, setAidsShown] = useState(false);
  const [aids, setAids] = useState<Aids>(NO_AIDS);
  /** The sheet has this window to itself. */
  const [sheetAlone, setSheetAlone] = useState(false);
  const [told, setTold] = useState('');
  /** The answer key of the pose just drawn is shown, on hold. */
  const [keyed, setKeyed] = useState(false);
  /** Of the picture at zoom 1. */
  const [heightPx, setHeightPx] = useState<number>();
  const answersShown = keyed && held && between;
  const onScreen = room.drawsOn === 'screen' && !done;
  const wordsOn = room.hand === 'right' ? 'left' : 'right';
  // The sheet lies on the side of the hand that draws this pose.
  const drawsWith = exercise?.rule.hand === 'other' && isDrawing(segment) ? wordsOn : room.hand;
  const halves = onScreen ? halvesOf(drawsWith, sheetAlone) : WHOLE_WINDOW;

  // Keys are heard from the first moment, and a screen reader begins here.
  const screen = useRef<HTMLElement>(null);
  useEffect(() => screen.current?.focus({ preventScroll: true }), []);
  const pictures = usePictures(scene.coming);
  const lacksPicture = useAwaitedPicture(run, state, scene, pictures);
  const shownId = answersShown ? scene.drawnId : scene.shownId;
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
    // What could not be saved is tried again here, where it is still in memory.
    void run.settled().then(() => {
      if (current && !run.unsaved()) router.replace(`/after?session=${session.id}`);
    });
    return () => {
      current = false;
    };
  }, [done, unsaved, run, router, session.id]);

  const clockAway = CLOCKS[clockIndex] === 'none';
  useEffect(() => {
    const { beats, stages, lookBackMs, endWithoutClock } = room;
    run.setChoices({ beats, stages, lookBackMs, silentEnd: clockAway && !endWithoutClock });
  }, [run, room, clockAway]);
  useVoice(run, plan, state, room.voice, cueVolume());

  // A drawing made into a perspective box is kept as one.
  const intoRoom = aids.box !== null && exercise !== undefined && drawsFromNothing(exercise) && segment.kind === 'draw';
  const knownIntoRoom = state.visits.at(-1)?.intoRoom === true;
  useEffect(() => {
    if (intoRoom && !knownIntoRoom && !done) run.say({ type: 'intoRoom' });
  }, [run, intoRoom, knownIntoRoom, done]);

  const exchange = useExchange(run, session.plan, plan, lacksPicture, setTold);
  const aidsRef = useSharing(session.id, run, aids);

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
    if (goesOn(run.state())) run.command('pause');
    else goOn();
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
        case '3':
          changeRoom({ drawsOn: room.drawsOn === 'screen' ? 'paper' : 'screen' }).catch(() => undefined);
          return true;
        case '4':
          exchange.picture();
          return true;
        case '5':
          exchange.hand();
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
          const next = pressAid(aidsRef.current, key, exercise, pointer.current);
          if (next === undefined) return false;
          setTold(next === 'locked' ? 'No measuring in this exercise: it opens when the time is up.' : '');
          if (next !== 'locked') {
            aidsRef.current = next; // a second key may come before the next render
            setAids(next);
          }
          return true;
        }
      }
    },
    [exercise, keysShown, aidsShown, changeViewing, between, run, aidsRef, room.drawsOn, exchange],
  );
  const onScreenRelease = useCallback((key: string): void => {
    if (key === 's') setAids((before) => ({ ...before, squint: false }));
  }, []);
  const press = useRunKeys({
    run,
    segment,
    exercise,
    waitsForWhole: waitsForWhole(plan, segment),
    asks: between ? askedOf(plan, segments, state.visits)?.asks : undefined,
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
  // Blind work goes by sound: digits would pull the eyes away. Without sound they come back.
  const bySound = exercise?.rule.gaze === 'only on the reference' && segment.kind === 'draw' && soundIsOn();
  const clock = bySound ? 'none' : CLOCKS[clockIndex];
  const ticks =
    segment.kind === 'draw' && room.stages
      ? stageAt(stagesAt(plan, run.timeline, state), 0).startsMs.map((ms) => ms / state.lengthMs)
      : [];
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
        ref={screen}
        data-pictures={areReady(scene.coming, pictures) ? 'ready' : 'coming'}
        tabIndex={-1}
        className={`fixed inset-0 flex flex-col overflow-hidden bg-plate outline-none ${room.room === 'easel' || room.room === 'model' ? 'easel' : ''} ${room.room === 'desk' ? 'targets-near' : 'targets-far'}`}
      >
        <h1 className="sr-only">Session running</h1>
        <div className="relative min-h-0 flex-1">
          {!clockAway && <EdgePath />}
          <div className={halves.picture}>
            {!(onScreen && sheetAlone) && (
              <RunStage
                pictures={pictures}
                shownId={shownId}
                aside={previewId !== null && !answersShown}
                awaited={state.holdReason === 'picture'}
                onAnother={lacksPicture ? exchange.picture : undefined}
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
                flowLine={state.visits.at(-1)?.flowLine}
                onFlowLine={
                  segment.kind === 'look'
                    ? (points) =>
                        run.say({ type: 'flowLine', points: points.map(([x, y]): [number, number] => [x, y]) })
                    : undefined
                }
                focal={focalNow(plan, segments, state)}
                onFocal={
                  exercise?.form?.focal && shownId !== null && FOCAL_IN.includes(segment.kind)
                    ? (x, y) => run.say({ type: 'focal', x, y })
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
            )}
            {!done && !answersShown && (
              <SegmentWords
                plan={plan}
                segments={segments}
                state={state}
                clock={clock}
                wordsOn={wordsOn}
                onScreen={onScreen}
                onCommand={run.command}
                onSay={run.say}
                exchange={exchange}
                onPages={() => {
                  run.command('pause');
                  setPaging(true);
                }}
              />
            )}
          </div>
          {onScreen && (
            <div className={halves.sheet}>
              <SheetBoard
                sessionId={session.id}
                run={run}
                plan={plan}
                segments={segments}
                state={state}
                room={room}
                alone={sheetAlone}
                onAlone={() => setSheetAlone(!sheetAlone)}
              />
            </div>
          )}
          <EdgeClock
            follow={followLeft}
            tone={resting ? 'rest' : 'drawing'}
            urgent={scene.urgent}
            hidden={clockAway}
            ticks={ticks}
          />
          <CueFlash run={run} vibrate={room.vibrate || room.room === 'pocket'} />
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
          {answersShown && (
            <KeyCard
              working={!answers && shownId !== null && parsePictureReference(shownId) === undefined}
              onClose={() => goOn()}
            />
          )}
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
          <RunNotices told={told} problem={problem} unsaved={unsaved} />
          {room.room === 'pocket' && !done && (
            <Pocket state={state} segment={segment} plan={plan} onTap={() => press('Enter')} />
          )}
        </div>
        {paging &&
          pages(session.id, () => {
            setPaging(false);
            goOn();
          })}
        <RunBar
          plan={plan}
          run={run}
          state={state}
          wordsOn={wordsOn}
          aidsShown={aidsShown}
          clockAway={clockAway}
          onKey={press}
        />
        <RunStatus plan={plan} run={run} state={state} segment={segment} done={done} held={held} />
      </main>
    </RunContext>
  );
}
