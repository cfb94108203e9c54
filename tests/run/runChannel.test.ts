import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Cue } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { stateOnTimeline } from '@/core/clock/run';
import type { Session } from '@/core/journal/session';
import { expandPlan } from '@/core/practice/time/timeline';
import { type Aids, NO_AIDS } from '@/features/run/stage/aids';
import type { Run, Said } from '@/features/run/session/controller';
import { followRun, shareRun } from '@/features/run/session/runChannel';
import { planOf, poses } from '../core/plans';
import { soon } from '../soon';

const plan = planOf(poses(2));
const session: Session = {
  id: 'one',
  plan,
  log: [{ type: 'start', atMs: 0 }],
  startedAtMs: 0,
  lastSeenMs: 0,
  status: 'running',
  note: '',
};

/** A run whose clock and log are set by hand. */
function handRun() {
  const timeline = expandPlan(plan);
  const listeners = new Set<() => void>();
  const cueListeners = new Set<(cue: Cue) => void>();
  const given: string[] = [];
  const said: Said[] = [];
  let log: readonly RunEvent[] = session.log;
  let nowMs = 0;
  const run: Run = {
    timeline,
    nowMs: () => nowMs,
    state: () => stateOnTimeline(timeline, log, nowMs),
    command: (command) => given.push(command),
    say: (what) => said.push(what),
    log: () => log,
    subscribe: (l) => (listeners.add(l), () => listeners.delete(l)),
    onCue: (l) => (cueListeners.add(l), () => cueListeners.delete(l)),
    setChoices: () => undefined,
    unsaved: () => false,
    problem: () => undefined,
    settled: () => Promise.resolve(),
    close: () => Promise.resolve(),
  };
  return {
    run,
    given,
    said,
    at: (ms: number, events: RunEvent[] = []) => {
      nowMs = ms;
      log = [...log, ...events];
      listeners.forEach((l) => l());
    },
    cue: (cue: Cue) => cueListeners.forEach((l) => l(cue)),
  };
}

let stop: (() => void)[] = [];
afterEach(() => {
  stop.forEach((s) => s());
  stop = [];
});

function pair(aids: () => Aids = () => NO_AIDS) {
  const main = handRun();
  const shared = shareRun('one', main.run, aids);
  const follower = followRun(session);
  stop.push(shared.stop, () => void follower.run.close(undefined));
  return { ...main, shared, follower };
}

describe('a window of another version', () => {
  it('is not believed: what it says and this one does not know is left alone', async () => {
    const { follower, given, said, at } = pair();
    const other = new BroadcastChannel('fox-minute-run');
    stop.push(() => other.close());
    for (const message of [
      { type: 'command', command: 'fly' },
      { type: 'say', said: { type: 'flown' } },
      { type: 'at', sessionId: 'one', log: [{ type: 'flown', atMs: 1 }], nowMs: 5, aids: NO_AIDS },
      { type: 'at', sessionId: 'one', log: session.log, nowMs: 5, aids: { squint: 'yes' } },
      { type: 'news' },
      'hello',
      null,
    ])
      other.postMessage(message);
    other.postMessage({ type: 'command', command: 'next' });
    await soon(() => expect(given).toEqual(['next']));
    expect(said).toEqual([]);
    at(20_000);
    await soon(() => expect(follower.run.state()).toMatchObject({ segmentIndex: 1 }));
  });
});

describe('a second window', () => {
  it('stands where the session stands, within a fifth of a second', async () => {
    const { follower, at } = pair();
    at(20_000);
    await soon(() => expect(follower.heard()).toBe(true));
    await soon(() => expect(Math.abs(follower.run.nowMs() - 20_000)).toBeLessThan(200));
    expect(follower.run.state()).toMatchObject({ phase: 'running', segmentIndex: 1 });
  });
  it('follows every event, and tells those who look at it', async () => {
    const { follower, at } = pair();
    const told = vi.fn();
    follower.run.subscribe(told);
    at(9000, [{ type: 'hold', atMs: 9000, reason: 'paused' }]);
    await soon(() => expect(follower.run.state().phase).toBe('held'));
    expect(told).toHaveBeenCalled();
    at(12_000, [
      { type: 'resume', atMs: 12_000, counted: false },
      { type: 'next', atMs: 12_000 },
    ]);
    await soon(() => expect(follower.run.state()).toMatchObject({ phase: 'running', segmentIndex: 2 }));
  });
  it('steers the session from there, and shows its aids and cues', async () => {
    const { follower, given, said, cue, shared } = pair(() => ({ ...NO_AIDS, gray: true }));
    const heard: Cue[] = [];
    follower.run.onCue((c) => heard.push(c));
    follower.run.command('next');
    follower.run.say({ type: 'oneMore' });
    await soon(() => expect(given).toEqual(['next']));
    await soon(() => expect(said).toEqual([{ type: 'oneMore' }]));
    shared.tell();
    cue({ key: 'a', kind: 'start', calm: false, atMs: 1 });
    await soon(() => expect(heard).toHaveLength(1));
    expect(follower.aids()?.gray).toBe(true);
  });
  it('does not mistake another session for its own', async () => {
    const { follower, at } = pair();
    const other = handRun();
    const sharing = shareRun('two', other.run, () => NO_AIDS);
    stop.push(sharing.stop);
    at(5000);
    await soon(() => expect(follower.heard()).toBe(true));
    other.at(60_000);
    await new Promise((r) => setTimeout(r, 50));
    expect(follower.run.state().segmentIndex).toBe(1);
  });
});
