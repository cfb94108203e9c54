import * as z from 'zod/mini';
import { type Cue, cueSchema } from '@/core/clock/cues';
import { type RunEvent, runEventSchema, runLogSchema } from '@/core/clock/log';
import { stateOnTimeline } from '@/core/clock/run';
import type { Session } from '@/core/journal/session';
import { expandPlan } from '@/core/practice/time/timeline';
import { type Aids, aidsSchema } from '@/features/run/stage/aids';
import { createListeners } from './listeners';
import { COMMANDS, momentKey, type Run, type Said } from './controller';

const CHANNEL = 'fox-minute-run';
const AGAIN_MS = 1000;

/** What the window that runs the session tells the others, and they it. */
const messageSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('at'),
    sessionId: z.string(),
    log: runLogSchema,
    nowMs: z.number(),
    aids: aidsSchema,
  }),
  z.object({ type: z.literal('cue'), cue: cueSchema }),
  z.object({ type: z.literal('hello') }),
  z.object({ type: z.literal('command'), command: z.enum(COMMANDS) }),
  // An event as it is logged, but for its time.
  z.object({ type: z.literal('say'), said: z.looseObject({ type: z.string() }) }),
]);
type Message = z.infer<typeof messageSchema>;

/** A message from another window; undefined for what a window of another version may say. */
const readMessage = (data: unknown): Message | undefined => messageSchema.safeParse(data).data;

/** What a window says for the log; undefined for what is no event. */
function readSaid(said: unknown): Said | undefined {
  const event = runEventSchema.safeParse({ ...(said as object), atMs: 0 }).data;
  return event && (said as Said);
}

/**
 * Tell other windows where the session is: at every event, at every change of the aids, and once a second.
 * @param aids Asked whenever something is told.
 * @returns Tell now, and stop.
 */
export function shareRun(sessionId: string, run: Run, aids: () => Aids): { tell: () => void; stop: () => void } {
  const channel = new BroadcastChannel(CHANNEL);
  const post = (message: Message): void => channel.postMessage(message);
  const tell = (): void => post({ type: 'at', sessionId, log: [...run.log()], nowMs: run.nowMs(), aids: aids() });
  channel.onmessage = ({ data }: MessageEvent<unknown>) => {
    const message = readMessage(data);
    if (message?.type === 'hello') tell();
    else if (message?.type === 'command') run.command(message.command);
    else if (message?.type === 'say') {
      const said = readSaid(message.said);
      if (said) run.say(said);
    }
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
  channel.onmessage = ({ data }: MessageEvent<unknown>) => {
    const message = readMessage(data);
    if (message?.type === 'cue') cueListeners.tell(message.cue);
    if (message?.type !== 'at' || message.sessionId !== session.id) return;
    aheadMs = message.nowMs - performance.now();
    heardAtMs = performance.now();
    log = message.log;
    aids = message.aids;
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
