'use client';
import { useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { focalNow } from '@/core/clock/asked';
import { goesOn } from '@/core/clock/run';
import type { Session } from '@/core/journal/session';
import { isDrawing } from '@/core/practice/rules/showsReference';
import { PLAIN_ROOM, useRoom } from '@/storage/sessions/room';
import { runningSession } from '@/storage/sessions/sessions';
import { useStored } from '@/storage/hooks/useStored';
import { EdgeClock, EdgePath } from '@/ui/EdgeClock';
import { useNow } from '@/ui/useNow';
import { NO_AIDS } from './stage/aids';
import type { Run } from './session/controller';
import { CueFlash } from './CueFlash';
import { plainKey } from './steer/plainKey';
import { type Follower, followRun } from './session/runChannel';
import { RunStage } from './stage/RunStage';
import { SegmentWords } from './words/SegmentWords';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { useKeys } from './steer/useKeys';
import { usePictures } from './stage/usePictures';
import { RunContext } from './session/runContext';
import { useScene } from './stage/useScene';
import { useTimeLeft } from './session/useTimeLeft';
import { useViewing } from './stage/useViewing';
import { Ticking } from './words/Ticking';
import { digitsOf, poseCount } from './words/words';

/** The same session in another window: picture and clock, or for a room with a model the clock alone. */
export function SecondWindow() {
  const session = useStored(async () => (await runningSession()) ?? null, ['sessions'], []);
  const id = session.value?.id;
  if (session.value === undefined) return <Waiting words="Looking for the session." />;
  if (!session.value || !id) return <Waiting words="No session is running. This window follows the next one." />;
  return <Following key={id} session={session.value} />;
}

function Waiting({ words }: { words: string }) {
  return (
    <main className="grid min-h-dvh place-content-center bg-plate p-6 text-center">
      <h1 className="max-w-xl text-[26px]" aria-live="polite">
        {words}
      </h1>
    </main>
  );
}

function Following({ session }: { session: Session }) {
  const [follower, setFollower] = useState<Follower>();
  // The session as it was when this window first saw it; its events come over the channel.
  const first = useRef(session);
  useEffect(() => {
    const made = followRun(first.current);
    setFollower(made);
    return () => {
      void made.run.close(undefined);
    };
  }, []);
  return follower ? <Followed session={session} follower={follower} /> : <Waiting words="Looking for the session." />;
}

const nothing = (): void => undefined;

function Followed({ session, follower }: { session: Session; follower: Follower }) {
  const clockOnly = useSearchParams().get('show') === 'clock';
  const [alone, setAlone] = useState(clockOnly);
  const { run } = follower;
  const room = useRoom().value ?? PLAIN_ROOM;
  const { state, scene } = useScene(session.plan, run, room.leadInShows);
  const { plan, segment, exercise, done, held, previewId, resting } = scene;
  const now = useNow(1000);
  const heard = now > 0 && follower.heard();
  const pictures = usePictures(alone ? [] : scene.coming);
  const shownId = alone || done ? null : scene.shownId;
  const [viewing] = useViewing(shownId, room.evenSizes);
  const aids = follower.aids() ?? NO_AIDS;
  const answers = useDrawnKey(shownId, aids.pace || aids.envelope || aids.face || aids.grid === 'heads');
  const { followLeft, spentShare } = useTimeLeft(run);
  const press = useCallback((key: string): boolean => pressHere(run, key, () => setAlone((a) => !a)), [run]);
  useKeys(press, nothing, room.learned);
  return (
    <RunContext value={run}>
      <main className="easel fixed inset-0 overflow-hidden bg-plate">
        <h1 className="sr-only">Second window of the session</h1>
        <EdgePath />
        {!alone && (
          <RunStage
            pictures={pictures}
            shownId={shownId}
            aside={previewId !== null && previewId === shownId}
            dim={held}
            exercise={exercise}
            drawing={isDrawing(segment)}
            aids={aids}
            viewing={viewing}
            onViewing={nothing}
            wordsOn={room.hand === 'right' ? 'left' : 'right'}
            startPoint={state.visits.at(-1)?.startPoint}
            flowLine={state.visits.at(-1)?.flowLine}
            onFlowLine={undefined}
            focal={focalNow(plan, run.timeline.segments, state)}
            onFocal={undefined}
            onStartPoint={undefined}
            onHorizon={undefined}
            onPlumb={nothing}
            spentShare={spentShare}
            answers={answers}
            answersShown={false}
            onPlace={nothing}
            onPointer={nothing}
          />
        )}
        <EdgeClock follow={followLeft} tone={resting ? 'rest' : 'drawing'} urgent={scene.urgent} />
        <CueFlash run={run} vibrate={false} />
        {done ? (
          <p className="run-title absolute inset-0 grid place-content-center font-serif">The session is over.</p>
        ) : alone ? (
          <div className="absolute inset-0 grid place-content-center gap-2 text-center">
            <p className="run-small">{exercise?.name ?? (resting ? 'Rest' : 'Lines')}</p>
            <p className="run-count digits leading-none" role="timer" aria-label="Time left">
              <Ticking state={state} words={(now) => digitsOf(segment, now)} />
            </p>
            <p className="run-small text-quiet">{poseCount(plan, segment)}</p>
          </div>
        ) : (
          <SegmentWords
            plan={plan}
            segments={run.timeline.segments}
            state={state}
            clock="large"
            wordsOn={room.hand === 'right' ? 'left' : 'right'}
            onScreen={room.drawsOn === 'screen'}
            onCommand={run.command}
            onSay={run.say}
          />
        )}
        <p role="status" className="absolute inset-x-0 bottom-3 text-center text-quiet">
          {held && heard && 'On hold.'}
          {!heard && 'The window that runs the session is not heard. Open it again to go on.'}
        </p>
      </main>
    </RunContext>
  );
}

/** Keys that mean something in this window: they steer the session in the other. */
function pressHere(run: Run, key: string, onAlone: () => void): boolean {
  switch (key) {
    case ' ':
    case 'Enter':
      run.command(goesOn(run.state()) ? 'pause' : 'resume');
      return true;
    case 'k':
      onAlone();
      return true;
    case 'f':
      void document.documentElement.requestFullscreen().catch(() => undefined);
      return true;
    default:
      return plainKey(run, key);
  }
}
