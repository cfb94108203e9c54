import type { Cue } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { stateOnTimeline } from '@/core/clock/run';
import type { Session } from '@/core/journal/session';
import { expandPlan } from '@/core/practice/time/timeline';
import type { Aids } from '@/features/run/stage/aids';
import { createListeners } from './listeners';
import { type Command, momentKey, type Run, type Said } from './controller';

const CHANNEL = 'fox-minute-run';
const AGAIN_MS = 1000;

/** What the window that runs the session tells the others, and they it. */
type Message =
  | { type: 'at'; sessionId: string; log: readonly RunEvent[]; nowMs: number; aids: Aids }
  | { type: 'cue'; cue: Cue }
  | { type: 'hello' }
  | { type: 'command'; command: Command }
  | { type: 'say'; said: Said };

/**
 * Tell other windows where the session is: at every event, at every change of the aids, and once a second.
 * @param aids Asked whenever something is told.
 * @returns Tell now, and stop.
 */
export function shareRun(sessionId: string, run: Run, aids: () => Aids): { tell: () => void; stop: () => void } {
  const channel = new BroadcastChannel(CHANNEL);
  const post = (message: Message): void => channel.postMessage(message);
  const tell = (): void => post({ type: 'at', sessionId, log: run.log(), nowMs: run.nowMs(), aids: aids() });
  channel.onmessage = ({ data }: MessageEvent<Message>) => {
    if (data.type === 'hello') tell();
    else if (data.type === 'command') run.command(data.command);
    else if (data.type === 'say') run.say(data.said);
  };
  const stops = [run.subscribe(tell), run.onCue((cue) => post({ type: 'cue', cue }))];
  const handle = setInterval(tell, AGAIN_MS);
  tell();
  return {
    tell,
    stop: () => {
      clearInterval(handle);
      stops.forEach((stop) => stop());
      channel.close();
    },
  };
}

export interface Follower {
  run: Run;
  aids: () => Aids | undefined;
  /** Whether the window that runs the session has been heard lately. */
  heard: () => boolean;
}

/** Without a word for this long, the other window is gone. */
const SILENT_MS = 4000;

/**
 * Follow a session that runs in another window: the same plan and log, on this window's own clock, set anew by every word from there.
 * What is commanded here is done there.
 */
export function followRun(session: Session): Follower {
  const timeline = expandPlan(session.plan);
  const channel = new BroadcastChannel(CHANNEL);
  const listeners = createListeners();
  const cueListeners = createListeners<[Cue]>();
  let log: readonly RunEvent[] = session.log;
  let aheadMs = session.lastSeenMs - performance.now();
  let heardAtMs = -Infinity;
  let aids: Aids | undefined;
  let shown = '';
  const post = (message: Message): void => channel.postMessage(message);
  const nowMs = (): number => Math.round(performance.now() + aheadMs);
  const state: Run['state'] = () => stateOnTimeline(timeline, log, nowMs());
  channel.onmessage = ({ data }: MessageEvent<Message>) => {
    if (data.type === 'cue') cueListeners.tell(data.cue);
    if (data.type !== 'at' || data.sessionId !== session.id) return;
    aheadMs = data.nowMs - performance.now();
    heardAtMs = performance.now();
    log = data.log;
    aids = data.aids;
    const key = momentKey(state());
    if (key === shown) return;
    shown = key;
    listeners.tell();
  };
  post({ type: 'hello' });
  return {
    aids: () => aids,
    heard: () => performance.now() - heardAtMs < SILENT_MS,
    run: {
      timeline,
      nowMs,
      state,
      command: (command) => post({ type: 'command', command }),
      say: (said) => post({ type: 'say', said }),
      log: () => log,
      subscribe: listeners.add,
      onCue: cueListeners.add,
      setChoices: () => undefined,
      problem: () => undefined,
      unsaved: () => false,
      settled: () => Promise.resolve(),
      close: () => {
        channel.close();
        return Promise.resolve();
      },
    },
  };
}
