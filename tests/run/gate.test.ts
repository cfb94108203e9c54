import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { closeDb } from '@/storage/db';
import { loadSession } from '@/storage/sessions/sessions';
import { startSession } from '@/storage/sessions/startSession';
import { planOf, poses } from '../core/plans';
import { soon } from '../soon';

vi.mock('@/workers/clients', () => ({ startClock: () => ({ setStill: () => undefined, stop: () => undefined }) }));
const { createGate } = await import('@/features/run/session/openGate');
type Gate = ReturnType<typeof createGate>;

/** The one lock of a browser, as tabs see it. */
class FakeLocks {
  private holder: { fail: (error: Error) => void } | undefined;
  request(
    _name: string,
    options: { steal?: boolean; ifAvailable?: boolean },
    use: (lock: object | null) => Promise<void>,
  ): Promise<void> {
    if (this.holder && !options.steal) return use(null);
    this.holder?.fail(new DOMException('stolen', 'AbortError'));
    return new Promise((resolve, reject) => {
      const mine = { fail: reject };
      this.holder = mine;
      void use({}).then(() => {
        if (this.holder === mine) this.holder = undefined;
        resolve();
      });
    });
  }
}

const until = async (gate: Gate, at: string): Promise<void> => {
  await soon(() => expect(gate.state().at).toBe(at));
};
const plan = planOf(poses(2, 300_000));

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  Object.defineProperty(globalThis, 'navigator', { value: { locks: new FakeLocks() }, configurable: true });
});

describe('the gate to a run', () => {
  it('says when there is nothing to run', async () => {
    const gate = createGate();
    gate.enter(false);
    await until(gate, 'nothing to run');
  });
  it('goes straight on with a session begun here', async () => {
    await startSession(plan);
    const gate = createGate();
    gate.enter(false);
    await until(gate, 'running');
    const state = gate.state();
    expect(state.at === 'running' && state.run.state().phase).toBe('running');
  });
  it('picks one up again after it was left, on hold', async () => {
    await startSession(plan);
    const first = createGate();
    first.enter(false);
    await until(first, 'running');
    first.leave();
    const again = createGate();
    again.enter(false);
    await until(again, 'running');
    const state = again.state();
    expect(state.at === 'running' && state.run.state()).toMatchObject({ phase: 'held', holdReason: 'paused' });
  });
  it('lets one tab run, tells the second, and hands over when asked', async () => {
    const { id } = await startSession(plan);
    const first = createGate();
    first.enter(false);
    await until(first, 'running');
    const second = createGate();
    second.enter(false);
    await until(second, 'in another tab');
    second.enter(true);
    await until(second, 'running');
    await until(first, 'taken over');
    const state = second.state();
    expect(state.at === 'running' && state.run.state()).toMatchObject({ phase: 'held', holdReason: 'moved' });
    const { log } = (await loadSession(id))!;
    first.leave();
    expect((await loadSession(id))?.log).toEqual(log);
  });
  it('gives the right back when left, also before it got it', async () => {
    await startSession(plan);
    const hasty = createGate();
    hasty.enter(false);
    hasty.leave();
    const next = createGate();
    next.enter(false);
    await until(next, 'running');
  });
  it('tells of a database that cannot be opened', async () => {
    globalThis.indexedDB = {
      open: () => {
        throw new Error('blocked');
      },
    } as unknown as IDBFactory;
    const gate = createGate();
    const heard = vi.fn();
    gate.subscribe(heard);
    gate.enter(false);
    await until(gate, 'problem');
    const state = gate.state();
    expect(state.at === 'problem' && state.sentence).toContain('Everything kept so far is safe');
    expect(heard).toHaveBeenCalled();
  });
});
