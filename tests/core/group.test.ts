import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '@/core/figure/facts/actionLine';
import { covers, pairsOf } from '@/core/group/clashes';
import { emptyCircle } from '@/core/group/emptyCircle';
import { findingsOf } from '@/core/group/findings';
import { freshGroup, type Group, groupSchema, type Member, nextDraft, reordered, withShown } from '@/core/group/group';
import { groupPlan } from '@/core/group/groupPlan';
import { heightsOf, largerBehind, standsBefore } from '@/core/group/heights';
import { liftedLeg, neighborsOf, poseDifference } from '@/core/group/neighbors';
import { castShadow, type Placed, placeMember, scaleAt, type Shape, sheetMm } from '@/core/group/placeMembers';
import { planSchema } from '@/core/practice/plan/schema';
import { expandPlan } from '@/core/practice/time/timeline';
import { isOnSheet, sheetNumber } from '@/core/strokes/sheetOf';
import { keyOf } from './keys';

/** A figure of the sets as a shape. */
function shape(i: number): Shape {
  const key = keyOf(i);
  const rings = key.outline.filter(({ closed }) => closed).map(({ points }) => points);
  const xs = rings.flat().map(([x]) => x);
  return {
    width: key.width,
    height: key.height,
    top: key.top,
    bottom: key.bottom,
    left: Math.min(...xs),
    right: Math.max(...xs),
    heads: key.heads,
    rings,
    marks: new Map(key.marks.map(({ name, at }) => [name, at])),
    hidden: new Set(key.marks.filter(({ visible }) => !visible).map(({ name }) => name)),
  };
}
const member = (id: string, more: Partial<Member> = {}): Member => ({
  id,
  source: { kind: 'reference', referenceId: 'figure/x' },
  x: 0.5,
  foot: 0.9,
  standsCm: 170,
  ...more,
});
const groupOf = (members: Member[], more: Partial<Group> = {}): Group => ({ ...freshGroup('g', 1), members, ...more });
const place = (group: Group, shapes: readonly number[]): Placed[] =>
  group.members.map((one, i) => placeMember(group, one, shape(shapes[i])));

describe('one eye level for all', () => {
  it('is as high on everybody as the eyes are: whoever is as tall meets it wherever they stand', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (foot, x) => {
          const group = groupOf([member('a', { foot, x })], { eyeCm: 160, eyeLevel: 0.34 });
          const { heightMm } = sheetMm(group);
          // 160 cm of somebody who stands there reach from the ground to the eye level.
          expect(scaleAt(group, foot) * 160).toBeCloseTo((foot - 0.34) * heightMm, 6);
        },
      ),
    );
    expect(scaleAt(groupOf([]), 0.2)).toBe(0);
  });
  it('makes whoever stands farther off smaller, and a giant as large as is wished', () => {
    const group = groupOf([member('a'), member('b', { foot: 0.7 }), member('c', { foot: 0.7, giant: 2 })]);
    const [a, b, c] = heightsOf(place(group, [3, 3, 3]));
    expect(a.ofFront).toBe(1);
    expect(b.ofFront).toBeCloseTo((0.7 - 0.34) / (0.9 - 0.34), 6);
    expect(c.ofFront).toBeCloseTo(2 * b.ofFront, 6);
    expect(a.cm).toBeCloseTo((place(group, [3, 3, 3])[0].headMm * keyOf(3).heads) / 10, 6);
    expect([a.giant, b.giant, c.giant]).toEqual([false, false, true]);
  });
  it('stays as it is when another comes to the front: only what is covered changes', () => {
    const members = ['a', 'b', 'c', 'd', 'e'].map((id, i) => member(id, { x: 0.1 + 0.2 * i, foot: 0.9 - 0.08 * i }));
    const sizes = (all: Member[]) =>
      new Map(
        place(
          groupOf(all),
          all.map((m) => members.indexOf(m)),
        ).map((p) => [p.member.id, p.heightMm]),
      );
    const turned = reordered(members, 'e', -1);
    expect(turned.map(({ id }) => id)).toEqual(['a', 'b', 'c', 'e', 'd']);
    const [before, after] = [sizes(members), sizes(turned)];
    for (const [id, size] of before) expect(after.get(id)).toBeCloseTo(size, 9);
    expect(reordered(members, 'a', -1)).toEqual(members);
    expect(reordered(members, 'nobody', 1)).toEqual(members);
  });
});

describe('a member on the sheet', () => {
  it('stands where it is put; mirrored, its left is its right', () => {
    const group = groupOf([member('a', { x: 0.3 }), member('b', { x: 0.3, mirrored: true })]);
    const [plain, mirrored] = place(group, [3, 3]);
    const low = Math.max(...plain.rings.flat().map(([, y]) => y));
    expect(Math.abs(low - plain.footY)).toBeLessThan(plain.headMm * 0.2);
    for (const [name, [x, y]] of plain.marks) {
      const other = name.startsWith('left') ? name.replace('left', 'right') : name.replace('right', 'left');
      const [mx, my] = mirrored.marks.get(other)!;
      expect(mx - plain.middleX).toBeCloseTo(plain.middleX - x, 6);
      expect(my).toBeCloseTo(y, 6);
    }
  });
  it('casts its shadow away from the light, along the ground, all to one side', () => {
    const [one] = place(groupOf([member('a')]), [3]);
    const reach = (from: 'left' | 'right') =>
      castShadow(one, from)
        .flat()
        .map(([x]) => x - one.middleX);
    expect(Math.max(...reach('left'))).toBeGreaterThan(-Math.min(...reach('left')));
    expect(-Math.min(...reach('right'))).toBeGreaterThan(Math.max(...reach('right')));
    for (const [, y] of castShadow(one, 'left').flat()) expect(y).toBeLessThanOrEqual(one.footY + one.headMm);
  });
});

describe('what is lost between two', () => {
  it('every pair is looked at: ten of five', () => {
    const members = ['a', 'b', 'c', 'd', 'e'].map((id, i) => member(id, { x: 0.1 + 0.2 * i }));
    expect(pairsOf(place(groupOf(members), [1, 2, 3, 4, 5]))).toHaveLength(10);
  });
  it('a joint behind somebody is covered, and none of whoever stands apart', () => {
    const over = pairsOf(place(groupOf([member('a'), member('b', { x: 0.51, foot: 0.88 })]), [3, 3]));
    expect(over[0].covered.length).toBeGreaterThan(0);
    expect(over[0].front.member.id).toBe('a');
    const apart = pairsOf(place(groupOf([member('a', { x: 0.15 }), member('b', { x: 0.85 })]), [3, 3]));
    expect(apart[0]).toMatchObject({ covered: [], handOnHand: false });
  });
  it('a hand on a hand is found though neither covers a joint', () => {
    const placed = (id: string, x: number): Placed => ({
      member: member(id),
      k: 1,
      left: 0,
      top: 0,
      middleX: x,
      footY: 300,
      heightMm: 200,
      headMm: 26,
      rings: [],
      hidden: new Set(),
      marks: new Map<string, Point>([['left wrist', [x + 20, 150]]]),
    });
    expect(pairsOf([placed('a', 100), placed('b', 110)])[0]).toMatchObject({ handOnHand: true, covered: [] });
    expect(pairsOf([placed('a', 100), placed('b', 160)])[0].handOnHand).toBe(false);
  });
  it('by points alone a limb covers what lies on it', () => {
    const marks = new Map<string, Point>([
      ['left shoulder', [0, 0]],
      ['left elbow', [0, 60]],
    ]);
    expect(covers({ rings: [], marks, headMm: 26 }, [5, 30])).toBe(true);
    expect(covers({ rings: [], marks, headMm: 26 }, [25, 30])).toBe(false);
  });
});

describe('neighbors', () => {
  it('that repeat a pose or mirror it are told, also with another between them', () => {
    const twice = groupOf([member('a', { x: 0.2 }), member('b', { x: 0.8, foot: 0.7 })]);
    expect(neighborsOf(place(twice, [3, 3]))[0].alike).toBe('repeats');
    const mirrored = groupOf([member('a', { x: 0.2 }), member('b', { x: 0.8, mirrored: true })]);
    expect(neighborsOf(place(mirrored, [12, 12]))[0].alike).toBe('mirrors');
    const between = groupOf([member('a', { x: 0.2 }), member('b', { x: 0.5 }), member('c', { x: 0.8 })]);
    expect(neighborsOf(place(between, [3, 40, 3])).map(({ alike }) => alike)).toEqual([
      undefined,
      'repeats',
      undefined,
    ]);
  });
  it('a pose is as far from itself as nothing, however large it stands', () => {
    const { marks } = shape(7);
    const larger = new Map([...marks].map(([name, [x, y]]): [string, Point] => [name, [3 * x + 40, 3 * y - 9]]));
    expect(poseDifference(marks, larger, false)).toBeCloseTo(0, 9);
    expect(poseDifference(marks, new Map(), false)).toBeUndefined();
  });
  it('that lift the same leg are told once', () => {
    const lifted = (side: 'left' | 'right', x: number): Placed => ({
      member: member(`${side}${String(x)}`),
      k: 1,
      left: 0,
      top: 0,
      middleX: x,
      footY: 300,
      heightMm: 200,
      headMm: 26,
      rings: [],
      hidden: new Set(),
      marks: new Map<string, Point>([
        ['left ankle', [x, side === 'left' ? 230 : 290]],
        ['right ankle', [x + 9, side === 'left' ? 290 : 230]],
      ]),
    });
    expect(liftedLeg(lifted('left', 10))).toBe('left');
    const hints = (all: Placed[]) => neighborsOf(all).filter(({ lifts }) => lifts).length;
    expect(hints([lifted('left', 10), lifted('left', 100)])).toBe(1);
    expect(hints([lifted('left', 10), lifted('right', 60), lifted('left', 100)])).toBe(0);
  });
});

describe('the largest empty circle', () => {
  it('of an empty sheet fills its shorter side', () => {
    const circle = emptyCircle([], 420, 297);
    expect(circle.r).toBeCloseTo(297 / 2, -0.5);
    expect(circle.share).toBeCloseTo((Math.PI * 148.5 ** 2) / (420 * 297), 1);
  });
  it('touches nobody, and is smaller when somebody stands in it', () => {
    const one = place(groupOf([member('a', { x: 0.15 })]), [3]);
    const before = emptyCircle(one, 420, 297);
    for (const ring of one[0].rings)
      for (const [x, y] of ring) expect(Math.hypot(x - before.x, y - before.y)).toBeGreaterThan(before.r - 6);
    const two = place(groupOf([member('a', { x: 0.15 }), member('b', { x: before.x / 420, foot: 0.85 })]), [3, 20]);
    expect(emptyCircle(two, 420, 297).share).toBeLessThan(before.share);
  });
});

describe('what is told of a group', () => {
  it('who floats, who is larger behind, and who has another light', () => {
    const group = groupOf([member('a', { x: 0.2, foot: 0.7 }), member('b', { x: 0.8, foot: 0.95 })]);
    const placed = place(group, [1, 20]);
    expect(standsBefore(placed)).toHaveLength(1);
    expect(largerBehind(placed)).toHaveLength(1);
    const { sentences, pairs } = findingsOf(
      group,
      placed,
      new Map([
        ['a', 'right' as const],
        ['b', 'left' as const],
      ]),
    );
    expect(sentences).toContain('1 is before 2, but stands farther off on the ground.');
    expect(sentences).toContain('On 1 the light comes from the other side: mirror it, or draw its shadows turned.');
    expect(pairs.map(({ words }) => words)).toEqual(['1 before 2: nothing is lost.']);
    // A giant may be as large as is wished.
    const giant = groupOf([group.members[0], { ...group.members[1], giant: 1.5 }]);
    expect(largerBehind(place(giant, [1, 20]))).toEqual([]);
  });
  it('says nothing of an empty sheet', () => {
    expect(findingsOf(groupOf([]), [], new Map()).sentences).toEqual([]);
  });
});

describe('drafts', () => {
  it('are many, three of them shown, and none is lost', () => {
    let all: Group[] = Array.from({ length: 12 }, (_, i) => nextDraft(freshGroup('x', 1), `d${String(i)}`, i));
    for (const { id } of all.slice(0, 5)) {
      const next = withShown(
        all.find((g) => g.id === id)!,
        true,
        all,
      );
      if (next) all = all.map((g) => (g.id === id ? next : g));
    }
    expect(all.filter(({ shown }) => shown)).toHaveLength(3);
    expect(all).toHaveLength(12);
    const back = withShown(all[0], false, all)!;
    expect(back.shown).toBeUndefined();
    expect(nextDraft({ ...all[0], shown: true }, 'n', 9).shown).toBeUndefined();
    for (const group of all) expect(groupSchema.parse(group)).toEqual(group);
  });
  it('become a session: each figure from the front on one sheet, finishing after the bell apart', () => {
    const group = groupOf([member('a'), member('b'), member('c')], {
      drawMs: 120_000,
      finishMs: 300_000,
      name: 'Market',
    });
    const plan = planSchema.parse(groupPlan(group, 1));
    const { segments } = expandPlan(plan);
    const drawn = segments.filter(isOnSheet);
    expect(drawn.map(({ startMs, endMs }) => endMs - startMs)).toEqual([120_000, 120_000, 120_000, 300_000]);
    expect(segments.flatMap((s, i) => (isOnSheet(s) ? [sheetNumber(plan, segments, i)] : [])).slice(0, 3)).toEqual([
      0, 0, 0,
    ]);
    // The three poses are a block of their own: what comes after the bell is in none of their times.
    expect(plan.blocks.map((b) => (b.kind === 'poses' ? b.poses.reduce((sum, p) => sum + p.drawMs, 0) : 0))).toEqual([
      360_000, 300_000,
    ]);
    expect(groupPlan({ ...group, finishMs: 0 }, 1)!.blocks).toHaveLength(1);
    expect(groupPlan(groupOf([]), 1)).toBeUndefined();
  });
});
