import { type Random, seededRandom } from '../random';
import { arrange } from './arrange';
import { cellOf, type FacingCount, type ReferenceFacts } from './coverage';
import { HAND_SHAPES } from './facts';
import { mirroredFacing, mirroredReference } from './mirrorReference';

export const PICK_ORDERS = ['own order', 'shuffled', 'gentle to hard', 'widen', 'same again'] as const;
export type PickOrder = (typeof PICK_ORDERS)[number];

export interface PickRequest {
  /** What there is, in the learner's own order. */
  pool: readonly ReferenceFacts[];
  count: number;
  order: PickOrder;
  seed: number;
  /** How often each reference was drawn before; missing is never. Nothing comes back before all were used. */
  timesDrawn: ReadonlyMap<string, number>;
  /** Facings of the last drawings, to be brought level with this pick; missing leaves facings alone. */
  level?: FacingCount | undefined;
  /** Mirror pictures where the weak side has too few. */
  mirror?: boolean;
  /** References that must be among them: at a slot, or anywhere with null. */
  pins?: readonly { id: string; slot: number | null }[];
  /** One of these, outside the theme, takes the last place. */
  oddPool?: readonly ReferenceFacts[];
  /** What was picked before, for the same again. */
  previous?: readonly string[];
  /** Times drawn by coverage cell (see `cellOf`), for widening. */
  cells?: ReadonlyMap<string, number>;
  /** The first should have difficulty 2 or less. */
  gentleStart?: boolean;
}

export interface Picked {
  id: string;
  /** Shown as its mirror image, and counted for the side it then faces. */
  mirrored: boolean;
  pinned: boolean;
  odd: boolean;
  /** All were used before it came again. */
  again: boolean;
  /** It has the view and facing of the one before: the choice offered no way around. */
  likeTheLast: boolean;
}

/** The first so many should not have to be waited for. */
const READY_FIRST = 3;

/** How many of `count` should face right so that, with those before, both sides come as near to level as can be. */
export function rightsToLevel({ left, right }: FacingCount, count: number): number {
  return Math.min(count, Math.max(0, Math.round((left + right + count) / 2) - right));
}

/** The reference that a pick shows, or shows the mirror image of. */
export const sourceOf = ({ id, mirrored }: Pick<Picked, 'id' | 'mirrored'>): string =>
  mirrored ? mirroredReference(id) : id;

/** Times drawn with those of mirror images: who was drawn mirrored was drawn. */
function countingMirrors(timesDrawn: ReadonlyMap<string, number>): Map<string, number> {
  const out = new Map(timesDrawn);
  for (const [id, times] of timesDrawn) {
    if (!/~m(\/|$)/.test(id)) continue;
    const source = mirroredReference(id);
    out.set(source, (out.get(source) ?? 0) + times);
  }
  return out;
}

interface Candidate {
  reference: ReferenceFacts;
  mirrored: boolean;
}
const facingOf = ({ reference, mirrored }: Candidate): ReferenceFacts['facing'] =>
  mirrored ? mirroredFacing(reference.facing) : reference.facing;
/** View and facing together; undefined where either is not known. */
const lookOf = (c: Candidate): string | undefined => {
  const facing = facingOf(c);
  return c.reference.viewName === undefined || facing === undefined ? undefined : `${c.reference.viewName} ${facing}`;
};

/** Fisher and Yates, in place. */
function shuffle<T>(list: T[], random: Random): T[] {
  for (let i = list.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [list[i], list[j]] = [list[j], list[i]];
  }
  return list;
}

/** One from each look in turn, so that no look fills a choice alone; within a look in the order given, and no more than can be wanted. */
function spreadByLook(tier: readonly ReferenceFacts[], wanted: number): Candidate[] {
  const byLook = new Map<string, Candidate[]>();
  for (const reference of tier) {
    const look = `${reference.viewName ?? ''} ${reference.facing ?? ''}`;
    const group = byLook.get(look);
    if (!group) byLook.set(look, [{ reference, mirrored: false }]);
    else if (group.length < wanted) group.push({ reference, mirrored: false });
  }
  const groups = [...byLook.values()];
  const most = Math.max(0, ...groups.map((g) => g.length));
  const out: Candidate[] = [];
  for (let round = 0; round < most; round++)
    for (const group of groups) if (round < group.length) out.push(group[round]);
  return out;
}

/** Which of the references that must not wait are chosen: those drawn least, the sides as wanted, as many looks as there are. */
function choose(request: PickRequest, pool: readonly ReferenceFacts[], count: number, random: Random): Candidate[] {
  const { timesDrawn, level, mirror = false, order, cells } = request;
  const pinned = new Set(request.pins?.map((p) => p.id));
  const chosen: Candidate[] = pool
    .filter((r) => pinned.has(r.id))
    .slice(0, count)
    .map((reference) => ({ reference, mirrored: false }));
  const times = (r: ReferenceFacts): number => timesDrawn.get(r.id) ?? 0;
  const tiers = new Map<number, ReferenceFacts[]>();
  for (const reference of pool) {
    if (pinned.has(reference.id)) continue;
    const tier = tiers.get(times(reference));
    if (tier) tier.push(reference);
    else tiers.set(times(reference), [reference]);
  }
  for (const [, tier] of [...tiers].sort(([a], [b]) => a - b)) {
    const room = count - chosen.length;
    if (room <= 0) break;
    shuffle(tier, random);
    if (order === 'widen' && cells) {
      const drawn = new Map(tier.map((r) => [r, cells.get(cellOf(r)) ?? 0]));
      tier.sort((a, b) => (drawn.get(a) as number) - (drawn.get(b) as number));
    }
    const spread =
      order === 'widen'
        ? tier.map((reference): Candidate => ({ reference, mirrored: false }))
        : spreadByLook(tier, room);
    chosen.push(...(level ? leveled(spread, room, level, chosen, count, mirror) : spread.slice(0, room)));
  }
  if (request.gentleStart) withGentle(chosen, pool, pinned, times);
  return chosen;
}

/** Of a tier those that bring the facings level, mirrored where the weak side has too few and the learner allows it. */
function leveled(
  tier: readonly Candidate[],
  room: number,
  level: FacingCount,
  chosen: readonly Candidate[],
  count: number,
  mirror: boolean,
): Candidate[] {
  const already = (side: 'left' | 'right'): number => chosen.filter((c) => facingOf(c) === side).length;
  const rights = Math.min(room, Math.max(0, rightsToLevel(level, count) - already('right')));
  const lefts = Math.max(0, room - rights);
  const facing = (side: 'left' | 'right'): Candidate[] => tier.filter((c) => facingOf(c) === side);
  const taken = new Set<ReferenceFacts>();
  const out: Candidate[] = [];
  const take = (from: readonly Candidate[], want: number, mirrored: boolean): number => {
    let left = want;
    for (const candidate of from) {
      if (left === 0) break;
      if (taken.has(candidate.reference)) continue;
      taken.add(candidate.reference);
      out.push({ reference: candidate.reference, mirrored });
      left--;
    }
    return left;
  };
  const missingRights = take(facing('right'), rights, false);
  const missingLefts = take(facing('left'), lefts, false);
  const open =
    mirror && missingRights > 0
      ? take(facing('left'), missingRights, true) + missingLefts
      : mirror && missingLefts > 0
        ? take(facing('right'), missingLefts, true) + missingRights
        : missingLefts + missingRights;
  // Those that face neither side hurt the balance less than more of the strong side.
  const neutral = tier.filter((c) => facingOf(c) !== 'left' && facingOf(c) !== 'right');
  take(tier, take(neutral, open, false), false);
  return out;
}

/** Make sure something gentle is there to begin with, in place of the last chosen. */
function withGentle(
  chosen: Candidate[],
  pool: readonly ReferenceFacts[],
  pinned: ReadonlySet<string>,
  times: (r: ReferenceFacts) => number,
): void {
  const isGentle = (r: ReferenceFacts): boolean => (r.difficulty ?? 3) <= 2;
  if (chosen.length === 0 || chosen.some((c) => isGentle(c.reference))) return;
  const last = chosen.findLastIndex((c) => !pinned.has(c.reference.id));
  if (last < 0) return;
  const gentle = pool
    .filter((r) => isGentle(r) && times(r) <= times(chosen[last].reference))
    .sort((a, b) => times(a) - times(b));
  if (gentle.length > 0) chosen[last] = { reference: gentle[0], mirrored: false };
}

/**
 * Choose references for the poses of a session. No reference returns before all were used, those drawn least come first, and neighbors
 * differ in view or facing while that can be had (see `arrange`). The same request gives the same pick.
 * @returns `count` of them in order; none when there is nothing to choose from.
 */
export function pick(wanted: PickRequest): Picked[] {
  const request = { ...wanted, timesDrawn: countingMirrors(wanted.timesDrawn) };
  const { pool, count, order, seed, oddPool = [] } = request;
  if (count <= 0 || pool.length === 0) return [];
  const random = seededRandom(seed);
  const plain = count - (oddPool.length > 0 && count > 1 ? 1 : 0);
  const picked: Picked[] =
    order === 'own order' || order === 'same again' ? inOrder(request, plain) : rounds(request, plain, random);
  if (plain < count) {
    const others = oddPool.filter((r) => !picked.some((p) => p.id === r.id));
    const from = others.length > 0 ? others : oddPool;
    const odd = from[Math.floor(random() * from.length)];
    picked.push({ ...NOTHING_SPECIAL, id: odd.id, odd: true });
  }
  return picked;
}

const NOTHING_SPECIAL = { mirrored: false, pinned: false, odd: false, again: false, likeTheLast: false };

/** How hard a reference is to draw, 1 to 5: of a hand by itself, how far it is open says it, so that every fist comes before open fingers. */
function hardnessOf({ hand, difficulty }: ReferenceFacts): number {
  const shape = (HAND_SHAPES as readonly (string | undefined)[]).indexOf(hand);
  return shape < 0 ? (difficulty ?? 3) : 1 + 2 * shape;
}

/** References as they stand, from the first again when they are used up. */
function inOrder({ pool, order, previous, pins }: PickRequest, count: number): Picked[] {
  const list = order === 'same again' && previous?.length ? previous : pool.map((r) => r.id);
  const pinned = new Set(pins?.map((p) => p.id));
  return Array.from({ length: count }, (_, i) => {
    const id = list[i % list.length];
    return { ...NOTHING_SPECIAL, id, pinned: pinned.has(id), mirrored: /~m(\/|$)/.test(id), again: i >= list.length };
  });
}

/** Chosen and arranged, everything once before anything again. */
function rounds(request: PickRequest, count: number, random: Random): Picked[] {
  const { pool, order, pins = [] } = request;
  const out: Picked[] = [];
  let last: Candidate | undefined;
  while (out.length < count) {
    const begun = out.length;
    const size = Math.min(pool.length, count - begun);
    const candidates = choose(begun === 0 ? request : { ...request, pins: [] }, pool, size, random);
    const slots = new Map<number, Candidate>();
    if (begun === 0)
      for (const { id, slot } of pins) {
        const candidate = candidates.find((c) => c.reference.id === id);
        if (candidate && slot !== null && slot < candidates.length) slots.set(slot, candidate);
      }
    const arranged = arrange(candidates, {
      look: lookOf,
      level: order === 'gentle to hard' ? ({ reference }) => hardnessOf(reference) : undefined,
      first: begun === 0 ? ({ reference }) => reference.ready !== false : undefined,
      firstCount: READY_FIRST,
      slots,
      before: last,
      random,
    });
    for (const { item, conflict } of arranged)
      out.push({
        id: item.mirrored ? mirroredReference(item.reference.id) : item.reference.id,
        mirrored: item.mirrored,
        pinned: begun === 0 && pins.some((p) => p.id === item.reference.id),
        odd: false,
        again: begun > 0,
        likeTheLast: conflict,
      });
    last = arranged.at(-1)?.item;
  }
  return out;
}

/** One more from the pool in place of a pick: not among those picked, drawn least, of a look unlike its neighbors'. */
export function replacement(request: PickRequest, picked: readonly Picked[], slot: number): Picked | undefined {
  const used = new Set(picked.map(sourceOf));
  const timesDrawn = countingMirrors(request.timesDrawn);
  const factsById = new Map(request.pool.map((r) => [r.id, r]));
  const look = (p: Picked | undefined): string | undefined => {
    const reference = p && factsById.get(sourceOf(p));
    return reference && lookOf({ reference, mirrored: p.mirrored });
  };
  const beside = [look(picked[slot - 1]), look(picked[slot + 1])];
  const before = factsById.get(sourceOf(picked[slot]));
  const random = seededRandom(request.seed + slot);
  const cost = (reference: ReferenceFacts): number => {
    const own = lookOf({ reference, mirrored: false });
    return (
      10 * (timesDrawn.get(reference.id) ?? 0) +
      (own !== undefined && beside.includes(own) ? 5 : 0) +
      Math.abs((reference.difficulty ?? 3) - (before?.difficulty ?? 3)) +
      random()
    );
  };
  let best: { reference: ReferenceFacts; cost: number } | undefined;
  for (const reference of request.pool) {
    if (used.has(reference.id)) continue;
    const c = cost(reference);
    if (!best || c < best.cost) best = { reference, cost: c };
  }
  return best && { ...NOTHING_SPECIAL, id: best.reference.id };
}
