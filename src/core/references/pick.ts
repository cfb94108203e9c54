import { type Random, seededRandom } from '../random';
import { arrange, CONFLICT } from './arrange';
import { type Candidate, type ChoiceContext, chooseSet, inMirror, plainly, sharesOf } from './chooseSet';
import { cellOf, type FacingCount, type ReferenceFacts, UNKNOWN_DIFFICULTY } from './coverage';
import { HAND_SHAPES } from './facts';
import { mirroredReference } from './mirrorReference';
import type { PickOrder } from './pickOrder';
import { alikeness } from './unlike';

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
  /** The first has difficulty 2 or less, in any order, where there is one. */
  gentleStart?: boolean;
  /** Chosen before for the same session, in order: no pose of theirs again, and unlike the last of them to begin with. */
  beside?: readonly ReferenceFacts[];
  /** Drawn in the last sessions: what is like them is avoided. */
  recent?: readonly ReferenceFacts[];
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

/** The hardest that is still gentle. */
const GENTLE = 2;

/** The first so many should not have to be waited for. */
const READY_FIRST = 3;

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

/** View and facing together; where either is not known, the picture itself, which must not follow itself. */
const lookOf = ({ source, facts: { viewName, facing } }: Candidate): string =>
  viewName === undefined || facing === undefined ? source : `${viewName} ${facing}`;

/** What there is in tiers: those drawn least first; for widening, within them those of the coverage cells drawn least. */
function tiersOf({ timesDrawn, order, cells }: PickRequest, pool: readonly ReferenceFacts[]): ReferenceFacts[][] {
  const tiers = new Map<number, ReferenceFacts[]>();
  for (const facts of pool) {
    const seldom = order === 'widen' && cells ? (cells.get(cellOf(facts)) ?? 0) : 0;
    const at = (timesDrawn.get(facts.id) ?? 0) * MANY + Math.min(MANY - 1, seldom);
    const tier = tiers.get(at);
    if (tier) tier.push(facts);
    else tiers.set(at, [facts]);
  }
  return [...tiers].sort(([a], [b]) => a - b).map(([, tier]) => tier);
}
/** More than any coverage cell is drawn. */
const MANY = 1e6;

const isGentle = ({ difficulty }: ReferenceFacts): boolean => (difficulty ?? UNKNOWN_DIFFICULTY) <= GENTLE;

/** The references of one round: chosen as a whole, with something gentle to begin with where that is wanted and there. */
function choose(
  request: PickRequest,
  pool: readonly ReferenceFacts[],
  context: ChoiceContext,
  random: Random,
): Candidate[] {
  const pinned = new Set(request.pins?.map((p) => p.id));
  const given = pool
    .filter((r) => pinned.has(r.id))
    .slice(0, context.count)
    .map(plainly);
  const tiers = tiersOf(request, pinned.size > 0 ? pool.filter((r) => !pinned.has(r.id)) : pool);
  const { level, mirror } = request;
  const mirrored = mirror && level ? (level.left > level.right ? 'left' : 'right') : undefined;
  const chosen = chooseSet(tiers, given, { ...context, mirrored }, random);
  if (!request.gentleStart || chosen.some((c) => isGentle(c.facts)) || chosen.length === given.length) return chosen;
  // Whatever has been drawn least of all that is gentle takes the place of the last chosen.
  const poses = new Set([...chosen.map((c) => c.facts.pose), ...context.beside.map((r) => r.pose)]);
  const gentle = tiers.flat().find((r) => isGentle(r) && (r.pose === undefined || !poses.has(r.pose)));
  return gentle ? [...chosen.slice(0, -1), plainly(gentle)] : chosen;
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
  // An odd one out comes from somewhere else, or there is none.
  const inPool = new Set(oddPool.length > 0 ? pool.map((r) => r.id) : []);
  const elsewhere = oddPool.filter((r) => !inPool.has(r.id));
  const odd = count > 1 && elsewhere.length > 0 ? elsewhere[Math.floor(random() * elsewhere.length)] : undefined;
  const plain = count - (odd ? 1 : 0);
  const picked: Picked[] =
    order === 'own order' || order === 'same again' ? inOrder(request, plain) : rounds(request, plain, random);
  return odd ? [...picked, { ...NOTHING_SPECIAL, id: odd.id, odd: true }] : picked;
}

const NOTHING_SPECIAL = { mirrored: false, pinned: false, odd: false, again: false, likeTheLast: false };

/** How hard a reference is to draw, 1 to 5: of a hand by itself, how far it is open says it, so that every fist comes before open fingers. */
function hardnessOf({ hand, difficulty }: ReferenceFacts): number {
  const shape = (HAND_SHAPES as readonly (string | undefined)[]).indexOf(hand);
  return shape < 0 ? (difficulty ?? UNKNOWN_DIFFICULTY) : 1 + 2 * shape;
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

/** Chosen and arranged, everything once before anything again; a round begins unlike the end of the one before. */
function rounds(request: PickRequest, count: number, random: Random): Picked[] {
  const { pool, order, pins = [], gentleStart = false, beside = [], recent = [], level } = request;
  const out: Picked[] = [];
  const shares = sharesOf(pool);
  let last: Candidate | undefined = beside.length > 0 ? plainly(beside[beside.length - 1]) : undefined;
  while (out.length < count) {
    const begun = out.length;
    const first = begun === 0;
    const size = Math.min(pool.length, count - begun);
    const context: ChoiceContext = {
      count: size,
      shares,
      level: first ? level : undefined,
      beside: first ? beside : [],
      recent,
    };
    // A shorter last round skips the picture just shown.
    const shown = last?.source;
    const from = !first && size < pool.length ? pool.filter((r) => r.id !== shown) : pool;
    const candidates = choose(first ? request : { ...request, pins: [], gentleStart: false }, from, context, random);
    const slots = new Map<number, Candidate>();
    if (first)
      for (const { id, slot } of pins) {
        const candidate = candidates.find((c) => c.source === id);
        if (candidate && slot !== null && slot < candidates.length) slots.set(slot, candidate);
      }
    if (first && gentleStart && !slots.has(0)) {
      const placed = new Set(slots.values());
      const gentle = candidates.filter((c) => isGentle(c.facts) && !placed.has(c));
      const ready = gentle.filter(({ facts }) => facts.ready !== false);
      const opener = (ready.length > 0 ? ready : gentle).sort((a, b) => hardnessOf(a.facts) - hardnessOf(b.facts))[0];
      if (opener) slots.set(0, opener);
    }
    const arranged = arrange(candidates, {
      look: lookOf,
      level: order === 'gentle to hard' ? ({ facts }) => hardnessOf(facts) : undefined,
      first: first ? ({ facts }) => facts.ready !== false : undefined,
      firstCount: READY_FIRST,
      alike: (a, b) => (a.source === b.source ? SAME_PICTURE : 0) + neighborCost(a.facts, b.facts),
      slots,
      before: last,
      random,
    });
    for (const { item, conflict } of arranged)
      out.push({
        id: item.mirrored ? mirroredReference(item.source) : item.source,
        mirrored: item.mirrored,
        pinned: first && pins.some((p) => p.id === item.source),
        odd: false,
        again: !first,
        likeTheLast: conflict,
      });
    last = arranged.at(-1)?.item;
  }
  return out;
}

/** What it costs that two stand side by side: the same family, the same build, the same props; then how alike they look. */
const neighborCost = (a: ReferenceFacts, b: ReferenceFacts): number =>
  SAME.reduce((sum, name) => sum + (a[name] !== undefined && a[name] !== '' && a[name] === b[name] ? 1 : 0), 0) +
  alikeness(a, b);
/** Cost of a picture next to itself: more than any two different pictures. */
const SAME_PICTURE = 2 * CONFLICT;
const SAME = ['family', 'build', 'props', 'viewName', 'pose'] as const;

/** One more from the pool in place of a pick: not among those picked, drawn least, of a look unlike its neighbors'. */
export function replacement(request: PickRequest, picked: readonly Picked[], slot: number): Picked | undefined {
  const used = new Set(picked.map(sourceOf));
  const timesDrawn = countingMirrors(request.timesDrawn);
  const factsById = new Map(request.pool.map((r) => [r.id, r]));
  const shown = (p: Picked | undefined): Candidate | undefined => {
    const facts = p && factsById.get(sourceOf(p));
    return facts && (p.mirrored ? inMirror(facts) : plainly(facts));
  };
  const beside = [shown(picked[slot - 1]), shown(picked[slot + 1])].filter((c) => c !== undefined);
  const poses = new Set(picked.filter((_, i) => i !== slot).map((p) => shown(p)?.facts.pose));
  const before = factsById.get(sourceOf(picked[slot]));
  const random = seededRandom(request.seed + slot);
  const cost = (reference: ReferenceFacts): number => {
    const own = lookOf(plainly(reference));
    return (
      10 * (timesDrawn.get(reference.id) ?? 0) +
      (reference.pose !== undefined && poses.has(reference.pose) ? 100 : 0) +
      (beside.some((c) => lookOf(c) === own) ? 5 : 0) +
      beside.reduce((sum, c) => sum + neighborCost(reference, c.facts), 0) +
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
