import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it } from 'vitest';
import { withStart } from '@/core/journal/viewing';
import { closeDb } from '@/storage/db';
import { figureShareOf } from '@/storage/references/figureShare';
import { changeRoom, loadRoom, PLAIN_ROOM } from '@/storage/sessions/room';
import { changeReflection, loadSession, saveSession } from '@/storage/sessions/sessions';
import { saveSetting } from '@/storage/settings';
import { startSession } from '@/storage/sessions/startSession';
import { changeViewing, loadViewing } from '@/storage/sessions/viewings';
import { planOf, poses } from '../core/plans';

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});

describe('the room', () => {
  it('is plain until it is changed, and keeps the rest of it', async () => {
    expect(await loadRoom()).toEqual(PLAIN_ROOM);
    await changeRoom({ hand: 'left' });
    await changeRoom({ learned: { F8: 'Enter' } });
    expect(await loadRoom()).toEqual({ ...PLAIN_ROOM, hand: 'left', learned: { F8: 'Enter' } });
  });
  it('that cannot be read any more is plain again', async () => {
    await saveSetting('room', '{"room":"attic"');
    expect(await loadRoom()).toEqual(PLAIN_ROOM);
    await saveSetting('room', '{"room":"attic"}');
    expect(await loadRoom()).toEqual(PLAIN_ROOM);
  });
  it('refuses what no room is', async () => {
    await expect(changeRoom({ pxPerMm: -3 })).rejects.toThrow();
    expect(await loadRoom()).toEqual(PLAIN_ROOM);
  });
  it('puts the drawing hand on record with each session', async () => {
    // A hand that nobody said is no fact.
    expect((await startSession(planOf(poses(1)))).usualHand).toBeUndefined();
    await changeRoom({ hand: 'left' });
    await saveSetting('handSaid', true);
    const { id } = await startSession(planOf(poses(1)));
    expect((await loadSession(id))?.usualHand).toBe('left');
  });
});

describe('how a picture was seen', () => {
  it('is remembered for it and no other', async () => {
    await changeViewing('picture/4', (v) => ({ ...v, zoom: 1.8, panX: 0.1 }));
    await changeViewing('picture/4', (v) => withStart(v, 0.3, 0.4, 7));
    expect(await loadViewing('picture/4')).toMatchObject({
      zoom: 1.8,
      panX: 0.1,
      starts: [{ x: 0.3, y: 0.4, atMs: 7 }],
    });
    expect((await loadViewing('picture/5')).zoom).toBe(1);
  });
  it('is never kept out of bounds', async () => {
    await expect(changeViewing('picture/4', (v) => ({ ...v, zoom: 60 }))).rejects.toThrow();
    expect((await loadViewing('picture/4')).zoom).toBe(1);
  });
  it('knows no figure where no points were found', async () => {
    expect(await figureShareOf('picture/none')).toBeUndefined();
  });
});

describe('what was said after a session', () => {
  it('is kept with it, part by part', async () => {
    await saveSession({
      id: 's',
      plan: planOf(poses(1)),
      log: [{ type: 'start', atMs: 0 }],
      startedAtMs: 1,
      lastSeenMs: 2,
      status: 'kept',
      note: 'mine',
    });
    await changeReflection('s', (r) => ({ ...r, line: 'tight' }));
    await changeReflection('s', (r) => ({ ...r, nextTime: 'slower' }));
    expect(await loadSession('s')).toMatchObject({ note: 'mine', reflection: { line: 'tight', nextTime: 'slower' } });
    await changeReflection('s', ({ line }) => ({ line }));
    expect((await loadSession('s'))?.reflection).toEqual({ line: 'tight' });
  });
});
