import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MOST_EVENTS } from '@/core/clock/log';
import { mendRecord, mendSettings } from '@/core/interchange/mend';
import { RECORD_KINDS, RECORD_SCHEMAS } from '@/core/interchange/records';
import type { Session } from '@/core/journal/session';
import { LONGEST_MS } from '@/core/practice/time/duration';
import { SETTINGS } from '@/core/settings';
import { pictureOf } from '../pictures';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

const session = sessionOf(planOf(poses(2)), [], { startedAtMs: new Date(2026, 10, 3, 12).getTime() });
const withLog = (...log: unknown[]): unknown => ({ ...session, log: [{ type: 'start', atMs: 0 }, ...log] });

describe('a record that is read again', () => {
  it('is left as it is where nothing is wrong with it', () => {
    expect(mendRecord('sessions', session)).toEqual({ value: session, told: [] });
    expect(mendRecord('pictures', pictureOf('a'))).toEqual({ value: pictureOf('a'), told: [] });
  });
  it('has lengths beyond the longest brought to it, and that is told by its day', () => {
    const mended = mendRecord(
      'sessions',
      withLog({ type: 'length', atMs: 5, segmentIndex: 1, lengthMs: 1e9 }, { type: 'more', atMs: 6, byMs: 9e8 }),
    );
    const lengths = (mended?.value as Session).log.flatMap((e) => ('lengthMs' in e ? e.lengthMs : []));
    expect(lengths).toEqual([LONGEST_MS]);
    expect(mended?.told[0]).toMatch(/^The session of November 3, 2026 held /);
  });
  it('loses an event that says nothing, and no other', () => {
    const mended = mendRecord('sessions', withLog({ type: 'sung', atMs: 5 }, { type: 'next', atMs: 9 }, null, 7));
    expect((mended?.value as Session).log.map((e) => e.type)).toEqual(['start', 'next']);
    expect(mended?.told).toEqual(['The session of November 3, 2026 held 3 events that could not be read; left out.']);
  });
  it('with more events than a session has keeps the first of them and the last', () => {
    const many = Array.from({ length: MOST_EVENTS + 40 }, (_, i) => ({ type: 'peek', atMs: i + 1 }));
    const mended = mendRecord('sessions', withLog(...many));
    const { log } = mended?.value as Session;
    expect(log).toHaveLength(MOST_EVENTS);
    expect(log[log.length - 1].atMs).toBe(MOST_EVENTS + 40);
    expect(RECORD_SCHEMAS.sessions.safeParse(mended?.value).success).toBe(true);
  });
  it('leaves what is out of range as it comes where it can be left, and names it', () => {
    const mended = mendRecord('sessions', { ...session, choosingMs: -5, usualHand: 'both' });
    expect(mended?.value).toEqual(session);
    expect(mended?.told).toEqual([
      'The session of November 3, 2026: choosingMs and usualHand could not be read; left as it comes.',
    ]);
  });
  it('of which what it is about cannot be read is not read at all', () => {
    for (const broken of [null, 7, 'x', [], {}, { ...session, plan: 7 }, { ...session, startedAtMs: 8.64e15 }])
      expect(mendRecord('sessions', broken)).toBeUndefined();
    expect(mendRecord('pictures', { ...pictureOf('a'), widthPx: 'wide' })).toBeUndefined();
  });
  it('is what its schema has, whatever it was, and nothing throws', () => {
    fc.assert(
      fc.property(fc.constantFrom(...RECORD_KINDS), fc.object({ maxDepth: 3 }), fc.boolean(), (kind, junk, onTop) => {
        const mended = mendRecord(kind, onTop && kind === 'sessions' ? { ...session, ...junk } : junk);
        if (mended) expect(RECORD_SCHEMAS[kind].safeParse(mended.value).success).toBe(true);
      }),
    );
  });
});

describe('settings that are read again', () => {
  it('are kept within their ranges, the others left as they come and named, strangers dropped', () => {
    expect(mendSettings({ minutes: 20, covered: true, stranger: 4 })).toEqual({
      value: { minutes: 20, covered: true },
      told: [],
    });
    const { value, told } = mendSettings({ minutes: 1e9, covered: 'perhaps' });
    expect(value).toEqual({});
    expect(told).toEqual(['Out of range and left as they come: “minutes” and “covered”.']);
  });
  it('are what their schemas have, whatever they were', () => {
    const names = Object.keys(SETTINGS) as (keyof typeof SETTINGS)[];
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...names), fc.anything()), (junk) => {
        const { value } = mendSettings(junk);
        for (const [name, kept] of Object.entries(value))
          expect(SETTINGS[name as keyof typeof SETTINGS].safeParse(kept).success).toBe(true);
      }),
    );
  });
});
