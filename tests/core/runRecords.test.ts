import { describe, expect, it } from 'vitest';
import { type RunEvent, runLogSchema } from '@/core/clock/log';
import { firstOfPose, samePose } from '@/core/clock/poseSegments';
import { actualRibbon } from '@/core/clock/ribbon';
import { compareToPlan } from '@/core/journal/compare';
import { drawnReferences } from '@/core/journal/history';
import { reflectionSchema } from '@/core/journal/reflection';
import { type Session, sessionSchema } from '@/core/journal/session';
import { namedHolds } from '@/core/journal/sessionAccount';
import { usualTimes } from '@/core/journal/usualTimes';
import { viewingSchema } from '@/core/journal/viewing';
import { expandPlan } from '@/core/practice/time/timeline';
import { planOf, poses } from './plans';

const two = planOf(poses(2)); // lead-in 3, draw 30, change 4, lead-in 3, draw 30 s
const everything: RunEvent[] = [
  { type: 'start', atMs: 0 },
  { type: 'length', atMs: 1000, segmentIndex: 1, lengthMs: 45_000 },
  { type: 'startPoint', atMs: 4000, x: 0, y: 1 },
  {
    type: 'flowLine',
    atMs: 4100,
    points: [
      [0.5, 0],
      [0.4, 0.9],
    ],
  },
  { type: 'focal', atMs: 4200, x: 0.3, y: 0.2 },
  { type: 'focalKept', atMs: 4300, kept: true },
  { type: 'peek', atMs: 5000 },
  { type: 'peek', atMs: 6000, forMs: 700 },
  { type: 'lift', atMs: 6500 },
  { type: 'hold', atMs: 7000, reason: 'paused' },
  { type: 'why', atMs: 7500, why: 'fetching paper' },
  { type: 'resume', atMs: 9000, counted: false },
  { type: 'oneMore', atMs: 9500 },
  { type: 'whole', atMs: 10_000, down: true },
  { type: 'extend', atMs: 10_500, byMs: 5000 },
  { type: 'choose', atMs: 10_600 },
  { type: 'restart', atMs: 11_000 },
  { type: 'back', atMs: 12_000 },
  { type: 'next', atMs: 13_000 },
  { type: 'stop', atMs: 14_000 },
];
const sessionOf = (log: RunEvent[], lastSeenMs = 600_000): Session => ({
  id: 's',
  plan: two,
  log,
  startedAtMs: 0,
  lastSeenMs,
  status: 'kept',
  note: '',
});

describe('the log on disk and in files', () => {
  it('keeps every event as it was', () => {
    expect(runLogSchema.parse(JSON.parse(JSON.stringify(everything)))).toEqual(everything);
  });
  it.each([
    ['a length of no time', { type: 'length', atMs: 0, segmentIndex: 0, lengthMs: 0 }],
    ['a length in no segment', { type: 'length', atMs: 0, segmentIndex: -1, lengthMs: 5000 }],
    ['a start beside the picture', { type: 'startPoint', atMs: 0, x: 1.2, y: 0 }],
    ['a line of one point', { type: 'flowLine', atMs: 0, points: [[0.5, 0.5]] }],
    ['a line without end', { type: 'flowLine', atMs: 0, points: Array.from({ length: 61 }, () => [0, 0]) }],
    ['a reason nobody has', { type: 'why', atMs: 0, why: 'bored' }],
    ['a peek before it began', { type: 'peek', atMs: 0, forMs: -1 }],
    ['half a millisecond', { type: 'lift', atMs: 0.5 }],
    ['something else', { type: 'dance', atMs: 0 }],
  ])('refuses %s', (_what, event) => {
    expect(runLogSchema.safeParse([event]).success).toBe(false);
  });
  it('reads sessions from before there were reflections', () => {
    const { reflection, usualHand, ...old } = { ...sessionOf(everything), reflection: undefined, usualHand: undefined };
    expect([reflection, usualHand]).toEqual([undefined, undefined]);
    expect(sessionSchema.parse(old)).toEqual(old);
  });
  it('refuses a verdict of no kind, and a zoom of nothing', () => {
    expect(reflectionSchema.safeParse({ verdicts: [{ aspect: 'tone', verdict: '10/10', forMs: 1 }] }).success).toBe(
      false,
    );
    expect(reflectionSchema.parse({})).toEqual({});
    const viewing = { id: 'picture/1', zoom: 1.8, panX: 0, panY: 0, starts: [] };
    expect(viewingSchema.parse(viewing)).toEqual(viewing);
    expect(viewingSchema.safeParse({ ...viewing, zoom: 0 }).success).toBe(false);
  });
});

describe('a session with extras, looked back at', () => {
  const once: RunEvent[] = [
    { type: 'start', atMs: 0 },
    { type: 'oneMore', atMs: 10_000 },
  ];
  it('shows the copy as a cell of its own, marked', () => {
    const [block] = actualRibbon(two, once, 200_000);
    expect(block.cells.map((c) => c.extra)).toEqual([false, true, false]);
    expect(block.cells.every((c) => !c.skipped)).toBe(true);
  });
  it('says how much longer it took, and why', () => {
    expect(compareToPlan(sessionOf(once, 103_000))).toBe(
      'You took 0:33 more than planned, with 0:33 more on poses you went back to.',
    );
  });
  it('counts the reference once', () => {
    expect(drawnReferences(sessionOf(once))).toEqual(['figure-0', 'figure-1']);
  });
  it('names only holds that have a reason and were not drawn through', () => {
    const log: RunEvent[] = [
      { type: 'start', atMs: 0 },
      { type: 'hold', atMs: 4000, reason: 'paused' },
      { type: 'resume', atMs: 5000, counted: false },
      { type: 'hold', atMs: 6000, reason: 'paused' },
      { type: 'why', atMs: 6100, why: 'a tool broke' },
      { type: 'resume', atMs: 9000, counted: false },
      { type: 'hold', atMs: 10_000, reason: 'asleep' },
      { type: 'why', atMs: 10_100, why: 'something else' },
      { type: 'resume', atMs: 11_000, counted: true },
    ];
    expect(namedHolds(sessionOf(log)).map((h) => [h.toMs - h.fromMs, h.why])).toEqual([[3000, 'a tool broke']]);
  });
  it('leaves the wait after eyes-closed work out of the usual time', () => {
    const plan = planOf(poses(4, 30_000, { exercise: 'eyes-closed' }));
    const log: RunEvent[] = [{ type: 'start', atMs: 0 }];
    // Each is answered a minute late.
    for (let i = 0, at = 93_000; i < 4; i++, at += 97_000) log.push({ type: 'next', atMs: at });
    expect(usualTimes([{ ...sessionOf(log), plan }]).get('eyes-closed')).toBe(30_000);
  });
});

describe('the segments of a pose', () => {
  const { segments } = expandPlan(planOf(poses(2, 30_000, { lookMs: 5000 })));
  it('begin with its lead-in and end with its change', () => {
    expect(segments.map((_, i) => firstOfPose(segments, i))).toEqual([0, 0, 0, 0, 4, 4, 4]);
    expect(samePose(segments[3], segments[0])).toBe(true);
    expect(samePose(segments[4], segments[0])).toBe(false);
    expect(samePose(undefined, segments[0])).toBe(false);
  });
});
