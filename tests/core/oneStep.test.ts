import { describe, expect, it } from 'vitest';
import type { RunEvent } from '@/core/clock/log';
import { posesDrawn } from '@/core/journal/drawings';
import { poseRecord } from '@/core/journal/poseRecord';
import { OFFERS, possibleIn } from '@/core/growing/today/offers';
import { knownOf } from '@/core/growing/today/known';
import { piecesOf } from '@/core/growing/pieces';
import type { PosesBlock } from '@/core/practice/plan/schema';
import type { ReferenceFacts } from '@/core/references/coverage';
import { oneStepAway, oneStepWords } from '@/core/references/oneStep';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

const FAMILIES = ['seated', 'reclining', 'bending'];
const of = (family: string, viewName: string, facing?: 'left' | 'right'): ReferenceFacts => ({
  id: `${family} ${viewName} ${facing ?? ''}`,
  family,
  viewName,
  ...(facing && { facing }),
});

describe('one step away', () => {
  const drawn = [
    ...Array.from({ length: 5 }, () => of('seated', 'front')),
    ...Array.from({ length: 2 }, () => of('reclining', 'profile', 'left')),
  ];
  it('is what was never drawn and shares the most with what is drawn', () => {
    const there = [
      of('bending', 'profile', 'right'),
      of('seated', 'back'),
      of('reclining', 'back'),
      of('seated', 'front'),
    ];
    const step = oneStepAway(drawn, there, FAMILIES);
    expect(step).toMatchObject({ family: 'seated', known: { what: 'pose', times: 5 } });
    expect(step?.references.map(({ id }) => id)).toEqual(['seated back ']);
    expect(step && oneStepWords(step)).toBe(
      'Seated, back, is one step away: you have drawn this pose 5 times, never from this side.',
    );
    expect(step && oneStepWords(step, 'Wren')).toContain('Wren has drawn');
  });
  it('may be another pose from the side that is known', () => {
    const step = oneStepAway(drawn, [of('bending', 'front'), of('bending', 'back')], FAMILIES);
    expect(step).toMatchObject({ family: 'bending', known: { what: 'side', times: 5 } });
    expect(step && oneStepWords(step)).toContain('never in this pose');
  });
  it('is nothing where too little is known, or nothing new is there', () => {
    expect(oneStepAway(drawn.slice(5), [of('reclining', 'back')], FAMILIES)).toBeUndefined();
    expect(oneStepAway(drawn, [of('seated', 'front')], FAMILIES)).toBeUndefined();
  });
});

describe('what is left out on purpose', () => {
  it('stands in the record of its drawing', () => {
    const plan = planOf(poses(2, 60_000));
    const [block] = plan.blocks as PosesBlock[];
    block.poses[0].leftOut = ['a hand', 'the feet'];
    const session = sessionOf(plan, [], { lastSeenMs: 200_000 });
    expect(posesDrawn(session).map(poseRecord)).toEqual([['left out: a hand and the feet'], []]);
  });
});

describe('the other hand', () => {
  const DAY = 86_400_000;
  const nowMs = 100 * DAY;
  const session = (daysAgo: number, exercise: string) =>
    sessionOf(planOf(poses(2, 60_000, { exercise })), [] as RunEvent[], {
      id: `${exercise} ${String(daysAgo)}`,
      startedAtMs: nowMs - daysAgo * DAY,
      lastSeenMs: 200_000,
      usualHand: 'right',
    });
  const due = (...sessions: ReturnType<typeof session>[]) =>
    OFFERS.find(({ id }) => id === 'other hand')?.due(
      knownOf({
        sessions,
        pieces: sessions.flatMap(piecesOf),
        familyOf: () => undefined,
        viewOf: () => undefined,
        measured: [],
        facings: { left: 0, right: 0 },
        nowMs,
      }),
      possibleIn(1_200_000),
    );
  it('is due a week after it drew, and not before', () => {
    expect(due(session(12, 'other-hand'), session(2, 'flowing-gesture'))?.because).toBe(
      'your other hand has not drawn for 12 days',
    );
    expect(due(session(9, 'flowing-gesture'))?.because).toBe('your other hand has not drawn yet');
    expect(due(session(12, 'flowing-gesture'), session(3, 'other-hand'))).toBeUndefined();
    expect(due(session(2, 'flowing-gesture'))).toBeUndefined();
  });
});
