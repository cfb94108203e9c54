import fc from 'fast-check';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Stamp } from '@/core/clock/gaps';
import type { HoldReason } from '@/core/clock/log';
import { type Session, sessionSchema } from '@/core/journal/session';
import type { PosesBlock } from '@/core/practice/plan/schema';
import type { Command } from '@/features/run/session/controller';
import { closeDb } from '@/storage/db';
import { loadSession, saveNote, saveSession } from '@/storage/sessions/sessions';
import { lines, planOf, poses } from '../core/plans';

/** The worker's clock, ticked by hand. */
let tick: (stamp: Stamp) => void = () => undefined;
vi.mock('@/workers/clients', () => ({
  startClock: (onTick: (stamp: Stamp) => void) => {
    tick = onTick;
    return {
      setStill: () => undefined,
      stop: () => {
        tick = () => undefined;
      },
    };
  },
}));
const { openRun } = await import('@/features/run/session/controller');
const { createSessionClock } = await import('@/features/run/session/sessionClock');

let monoMs = 5000;
let wallMs = 1_764_000_000_000;
const pass = (ms: number): void => {
  monoMs += ms;
  wallMs += ms;
};
const tickNow = (): void => tick({ monoMs, wallMs });
/** Let time pass as it does, ten ticks a second. */
const live = (ms: number): void => {
  for (let t = 0; t < ms; t += 100) {
    pass(100);
    tickNow();
  }
};

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  vi.spyOn(performance, 'now').mockImplementation(() => monoMs);
  vi.spyOn(Date, 'now').mockImplementation(() => wallMs);
});
afterEach(() => vi.restoreAllMocks());

async function begin(plan = planOf(poses(2)), cameBackFrom?: HoldReason, more: Partial<Session> = {}) {
  const session: Session = {
    id: 's',
    plan,
    log: [{ type: 'start', atMs: 0 }],
    startedAtMs: wallMs,
    lastSeenMs: 0,
    status: 'running',
    note: '',
    ...more,
  };
  await saveSession(session);
  const run = openRun(session, cameBackFrom);
  tickNow();
  return run;
}

describe('openRun', () => {
  it('runs a plan to its end and keeps it with its length', async () => {
    const run = await begin();
    live(71_000);
    expect(run.state()).toMatchObject({ phase: 'done', completed: true });
    await run.settled();
    expect(await loadSession('s')).toMatchObject({ status: 'kept', lastSeenMs: 70_000, log: [{ type: 'start' }] });
  });
  it('keeps the end even when the screen sees it before the clock ticks', async () => {
    const run = await begin();
    live(69_000);
    pass(2000);
    expect(run.state().phase).toBe('done');
    await run.settled();
    expect((await loadSession('s'))?.status).toBe('kept');
  });
  it('writes each command with its time, in order', async () => {
    const run = await begin();
    live(4000);
    run.command('pause');
    live(2000);
    run.command('resume');
    live(1000);
    run.command('more');
    run.say({ type: 'peek', forMs: 1200 });
    run.command('next');
    await run.settled();
    expect((await loadSession('s'))?.log.map((e) => [e.type, e.atMs])).toEqual([
      ['start', 0],
      ['hold', 4000],
      ['resume', 6000],
      ['length', 7000],
      ['peek', 7000],
      ['next', 7000],
    ]);
  });
  it('writes two commands given at once, the second being the end, as kept', async () => {
    const run = await begin();
    live(9000);
    run.command('pause');
    run.command('stop');
    await run.settled();
    expect(await loadSession('s')).toMatchObject({ status: 'kept', lastSeenMs: 9000 });
  });
  it('gives a sign of life every five seconds', async () => {
    const run = await begin();
    live(12_500);
    await run.settled();
    expect((await loadSession('s'))?.lastSeenMs).toBe(10_000);
  });
  it('comes back on hold at the last sign of life', async () => {
    const startedAtMs = wallMs;
    pass(3600_000);
    const run = await begin(planOf(poses(2)), 'closed', { startedAtMs, lastSeenMs: 13_000 });
    expect(run.state()).toMatchObject({ phase: 'held', holdReason: 'closed', leftMs: 20_000 });
    run.command('resume');
    live(5000);
    expect(run.state()).toMatchObject({ phase: 'running', leftMs: 15_000 });
    await run.settled();
    expect((await loadSession('s'))?.log).toContainEqual({ type: 'hold', atMs: 13_000, reason: 'closed' });
  });
  it('stays as it was when it was on hold already', async () => {
    const run = await begin(planOf(poses(2)), 'closed', {
      log: [
        { type: 'start', atMs: 0 },
        { type: 'hold', atMs: 5000, reason: 'paused' },
      ],
      lastSeenMs: 9000,
    });
    expect(run.state().holdReason).toBe('paused');
  });
  it('notices sleep in which the monotonic clock stands still, and books it as held', async () => {
    const run = await begin();
    live(8000);
    wallMs += 600_000;
    monoMs += 100;
    tickNow();
    expect(run.state()).toMatchObject({ phase: 'held', holdReason: 'asleep', leftMs: 25_000 });
    run.command('resume');
    live(1000);
    const { visits } = run.state();
    expect(visits[1].heldMs).toBeGreaterThanOrEqual(600_000);
  });
  it('is as of the last tick also when that tick lay unread while the machine slept', async () => {
    const run = await begin();
    live(8000);
    const unread = { monoMs, wallMs };
    pass(7000);
    tick(unread);
    tickNow();
    expect(run.state()).toMatchObject({ phase: 'held', holdReason: 'asleep', leftMs: 25_000 });
    expect(run.log().at(-1)).toMatchObject({ type: 'hold', atMs: 8000 });
  });
  it('ends nothing when the page wakes before the tick that tells of it', async () => {
    const run = await begin();
    live(8000);
    pass(3_600_000);
    await run.settled();
    expect(run.state()).toMatchObject({ phase: 'running', completed: false });
    tickNow();
    expect(run.state()).toMatchObject({ phase: 'held', holdReason: 'asleep', leftMs: 25_000 });
    expect((await loadSession('s'))?.status).toBe('running');
  });
  it('is noticed also a moment after going on, before another tick', async () => {
    const run = await begin();
    live(8000);
    run.command('pause');
    // On hold it ticks once a second.
    pass(1000);
    tickNow();
    pass(700);
    run.command('resume');
    const { leftMs } = run.state();
    pass(7000);
    tickNow();
    expect(run.state()).toMatchObject({ phase: 'held', holdReason: 'asleep', leftMs });
  });
  it('reads ticks of a worker whose own clock began at another moment', () => {
    const session = createSessionClock(wallMs, 0);
    const stamp = () => ({ monoMs: monoMs - 3210, wallMs });
    session.tick(stamp());
    pass(100);
    session.tick(stamp());
    pass(100);
    const late = stamp();
    pass(6500);
    expect(session.tick(late)).toEqual({ gap: 'passed', lastSeenMs: 100 });
    expect(session.tick(stamp())).toEqual({ gap: 'asleep', lastSeenMs: 200 });
  });
  it('counts it as drawn when asked to', async () => {
    const run = await begin();
    live(8000);
    pass(10_000);
    tickNow();
    expect(run.state().phase).toBe('held');
    run.command('resume counted');
    expect(run.state()).toMatchObject({ phase: 'running', segmentIndex: 1 });
    expect(Math.abs(run.state().leftMs - 15_000)).toBeLessThanOrEqual(100);
  });
  it('does not take a wall clock set back for anything', async () => {
    const run = await begin();
    live(8000);
    wallMs -= 3600_000;
    live(1000);
    expect(run.state()).toMatchObject({ phase: 'running', leftMs: 24_000 });
  });
  it('ends a page only when told', async () => {
    const run = await begin(planOf(lines(1), poses(1)));
    run.command('more');
    expect(run.state().lengthMs).toBe(40_000);
    live(100_000);
    expect(run.state()).toMatchObject({ segmentIndex: 0, elapsedMs: 100_000 });
    run.command('next');
    expect(run.state().segmentIndex).toBe(1);
  });
  it('tells when something changes and not at every tick', async () => {
    const run = await begin();
    const heard = vi.fn();
    run.subscribe(heard);
    live(2500);
    expect(heard).toHaveBeenCalledTimes(0);
    live(1000);
    expect(heard).toHaveBeenCalledTimes(1);
  });
  it('is put on hold when left, and writes nothing more when it was lost', async () => {
    const run = await begin();
    live(5000);
    await run.close('paused');
    const { log } = (await loadSession('s'))!;
    expect(log.at(-1)).toEqual({ type: 'hold', atMs: 5000, reason: 'paused' });
    run.command('next');
    await run.settled();
    expect((await loadSession('s'))?.log).toEqual(log);
  });
});

describe('whatever is pressed', () => {
  const anyPress = fc.constantFrom(
    ...(['pause', 'resume', 'resume counted', 'next', 'back', 'restart', 'more', 'less', 'choose'] as const),
    ...([
      'peek',
      'lift',
      'oneMore',
      'shareOut',
      'whole',
      'line',
      'why',
      'startPoint',
      'flowLine',
      'focal',
      'focalKept',
    ] as const),
  );
  const FLOW: [number, number][] = [
    [0, 0],
    [0.5, 1],
  ];
  const said = {
    peek: { type: 'peek', forMs: 900 },
    lift: { type: 'lift' },
    oneMore: { type: 'oneMore' },
    shareOut: { type: 'shareOut' },
    whole: { type: 'whole', down: true },
    line: { type: 'line', line: 'loose' },
    why: { type: 'why', why: 'somebody came' },
    startPoint: { type: 'startPoint', x: 0.5, y: 1 },
    flowLine: {
      type: 'flowLine',
      points: FLOW,
    },
    focal: { type: 'focal', x: 0, y: 0.5 },
    focalKept: { type: 'focalKept', kept: false },
  } as const;
  it('can be read again, written to and taken out: on short drawings and on the longest', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(anyPress, fc.integer({ min: 0, max: 90_000 })), { minLength: 1, maxLength: 25 }),
        fc.constantFrom(1000, 60_000, 3 * 3600_000, 6 * 3600_000),
        fc.constantFrom('strict' as const, 'soft' as const, 'open' as const, 'pot' as const),
        async (presses, drawMs, atZero) => {
          // A session of its own: timers of the runs before may still write to theirs.
          const id = crypto.randomUUID();
          const run = await begin(planOf(poses(3, drawMs, { settings: { atZero, potMs: drawMs } })), undefined, { id });
          for (const [press, waitMs] of presses) {
            pass(waitMs);
            if (press in said) run.say(said[press as keyof typeof said]);
            else run.command(press as Command);
          }
          await run.settled();
          expect(run.problem()).toBeUndefined();
          const kept = sessionSchema.parse(await loadSession(id));
          expect(kept.log).toEqual(run.log());
          await saveNote(id, 'read again');
          await run.close(undefined);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('never makes a drawing longer than the longest', async () => {
    const run = await begin(planOf(poses(1, 3 * 3600_000)));
    live(4000);
    for (let i = 0; i < 6; i++) run.command('more');
    expect(run.state().lengthMs).toBe(6 * 3600_000);
  });
});

describe('createSessionClock', () => {
  it('begins where the session stands and never goes back', () => {
    const clock = createSessionClock(wallMs - 7000, 0);
    expect(clock.nowMs()).toBe(7000);
    pass(500);
    expect(clock.nowMs()).toBe(7500);
    expect(createSessionClock(wallMs + 99_000, 4000).nowMs()).toBe(4000);
  });
});

describe('a model', () => {
  const posed = (drawMs: number) => planOf({ ...(poses(1, drawMs) as PosesBlock), settings: { model: true } });
  const lengthOfDrawing = (run: Awaited<ReturnType<typeof begin>>): number =>
    run.state().lengths.get(1) ?? run.timeline.segments[1].endMs - run.timeline.segments[1].startMs;
  it('is not asked to hold longer than the limit, before the pose or in it', async () => {
    const run = await begin(posed(20 * 60_000));
    run.command('more');
    expect(lengthOfDrawing(run)).toBe(25 * 60_000);
    run.command('more');
    live(4000);
    run.command('more');
    expect(lengthOfDrawing(run)).toBe(25 * 60_000);
    run.command('less');
    expect(lengthOfDrawing(run)).toBeLessThan(25 * 60_000);
    await run.close(undefined);
  });
  it('whose pose was planned longer keeps its length', async () => {
    const run = await begin(posed(40 * 60_000));
    run.command('more');
    expect(lengthOfDrawing(run)).toBe(40 * 60_000);
    await run.close(undefined);
  });
  it('says nothing to the log when nothing changes', async () => {
    const run = await begin(posed(25 * 60_000));
    run.command('more');
    expect(run.log()).toHaveLength(1);
    await run.close(undefined);
  });
});

describe('an end on the second', () => {
  it('is kept after a pause: drawings to come give way in the log, and a reload knows it', async () => {
    const plan = { ...planOf(poses(3, 60_000)), finishAtMs: wallMs + 197_000 };
    const run = await begin(plan);
    live(20_000);
    run.command('pause');
    live(30_000);
    run.command('resume');
    live(1000);
    const changes = run.log().filter((e) => e.type === 'length');
    expect(changes.length).toBeGreaterThanOrEqual(2);
    live(146_100);
    expect(run.state()).toMatchObject({ phase: 'done', completed: true });
    await run.settled();
    const session = await loadSession('s');
    expect(Math.abs((session?.lastSeenMs ?? 0) - 197_000)).toBeLessThanOrEqual(500);
    expect(session?.log.filter((e) => e.type === 'length')).toHaveLength(changes.length);
  });
  it('writes nothing where everything goes as planned', async () => {
    const run = await begin({ ...planOf(poses(2)), finishAtMs: wallMs + 70_000 });
    live(71_000);
    expect(run.log().filter((e) => e.type === 'length')).toEqual([]);
  });
});
