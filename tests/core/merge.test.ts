import { describe, expect, it } from 'vitest';
import { countMerge, mergeable, sameRecord } from '@/core/interchange/merge';
import { noRecords, type Records } from '@/core/interchange/records';
import { pictureOf } from '../pictures';
import { planOf, poses } from './plans';

const withRecords = (more: Partial<Records>): Records => ({ ...noRecords(), ...more });
const session = {
  id: 's',
  plan: planOf(poses(1)),
  log: [{ type: 'start' as const, atMs: 0 }],
  startedAtMs: 1,
  lastSeenMs: 12_000,
  status: 'running' as const,
  note: '',
};

describe('preparing an archive for merging', () => {
  it('ends a session that was running when the archive was made', () => {
    const { records } = mergeable(withRecords({ sessions: [session] }), new Map());
    expect(records.sessions[0]).toMatchObject({
      status: 'kept',
      log: [{ type: 'start' }, { type: 'stop', atMs: 12_000 }],
    });
  });
  it('points everything at the picture that is here, instead of adding it twice', () => {
    const theirs = pictureOf('theirs', { hash: 'a'.repeat(64), setIds: ['set'] });
    const other = pictureOf('other', { hash: 'b'.repeat(64), keptBeside: ['theirs'] });
    const viewing = { id: 'picture/theirs', zoom: 1 };
    const records = withRecords({
      pictures: [theirs, other],
      viewings: [viewing as never],
      bodies: [{ id: 'theirs' } as never],
    });
    const ready = mergeable(records, new Map([['a'.repeat(64), 'ours']]));
    expect(ready.records.pictures.map((p) => [p.id, p.keptBeside])).toEqual([['other', ['ours']]]);
    expect(ready.records.viewings[0].id).toBe('picture/ours');
    expect(ready.records.bodies).toEqual([]);
    expect([...ready.joins]).toEqual([['ours', ['set']]]);
  });
  it('leaves the same picture under the same id alone', () => {
    const picture = pictureOf('x', { hash: 'a'.repeat(64) });
    const { records, known } = mergeable(withRecords({ pictures: [picture] }), new Map([['a'.repeat(64), 'x']]));
    expect([records.pictures, known.size]).toEqual([[picture], 0]);
  });
});

describe('counting a merge', () => {
  it('tells new records from same and different ones', async () => {
    const kept = { ...session, status: 'kept' as const };
    const records = withRecords({ sessions: [kept, { ...kept, id: 't' }, { ...kept, id: 'u' }] });
    const here = new Map<string, unknown>([
      ['s', { ...kept }],
      ['t', { ...kept, id: 't', note: 'written here' }],
    ]);
    expect(await countMerge(records, (_, id) => Promise.resolve(here.get(id)))).toEqual({
      added: 1,
      same: 1,
      different: { sessions: 1 },
    });
  });
  it('compares by content, not by the order of fields', () => {
    expect(sameRecord({ a: 1, b: [1, { c: 2 }] }, { b: [1, { c: 2 }], a: 1 })).toBe(true);
    expect(sameRecord({ a: 1 }, { a: 1, b: undefined })).toBe(true);
    for (const [a, b] of [
      [
        [1, 2],
        [2, 1],
      ],
      [{ a: 1 }, { a: 1, b: null }],
      [[], {}],
      ['1', 1],
    ])
      expect(sameRecord(a, b)).toBe(false);
  });
});
