import type { Random } from '../random';
import { type FacingCount, type ReferenceFacts } from './coverage';
import { mirroredFacing } from './mirrorReference';
import { alikeness, mirroredLimbs } from './unlike';

/** A reference that may be chosen, as it is or mirrored. */
export interface Candidate {
  /** As it is shown. */
  facts: ReferenceFacts;
  /** Its own id, mirrored or not. */
  source: string;
  mirrored: boolean;
}

/** A reference as it is. */
export const plainly = (facts: ReferenceFacts): Candidate => ({ facts, source: facts.id, mirrored: false });
/** A reference as a mirror shows it. */
export const inMirror = (facts: ReferenceFacts): Candidate => ({
  facts: {
    ...facts,
    facing: mirroredFacing(facts.facing),
    ...(facts.limbs && { limbs: mirroredLimbs(facts.limbs) }),
  },
  source: facts.id,
  mirrored: true,
});

/** What a choice is measured by beside what it holds. */
export interface ChoiceContext {
  /** How many there shall be. */
  count: number;
  /** Shares of the values of each attribute among all there is: what a session is expected to hold. */
  shares: Shares;
  /** Facings of the last drawings, to be brought level; missing leaves facings to their shares. */
  level?: FacingCount | undefined;
  /** References that face this side may be mirrored. */
  mirrored?: 'left' | 'right' | undefined;
  /** Chosen before for the same session: their poses are not repeated, and what is like them is avoided. */
  beside: readonly ReferenceFacts[];
  /** Drawn in the last sessions: what is like them is avoided, a little. */
  recent: readonly ReferenceFacts[];
}

/** Attributes whose values a session should hold in about the shares in which the whole choice holds them, and how much each counts. */
const EXPECTED = { viewName: 1.5, facing: 0.5, family: 1.5, build: 1, props: 0.7, eyeLevel: 0.5 } as const;
type Attribute = keyof typeof EXPECTED;
const ATTRIBUTES = Object.keys(EXPECTED) as Attribute[];
export type Shares = Readonly<Record<Attribute, ReadonlyMap<string, number>>>;

/** Weights of the parts of `choiceCost`, from what must be to what is nice. */
const COST = { unlevel: 50, samePose: 400, mirrored: 3, alike: 6, recent: 2 };

/** By pool: many picks are made from one. */
const knownShares = new WeakMap<readonly ReferenceFacts[], Shares>();
/** Shares of the values of each attribute in a pool; what is not known is in no share. */
export function sharesOf(pool: readonly ReferenceFacts[]): Shares {
  const known = knownShares.get(pool);
  if (known) return known;
  const shares = Object.fromEntries(ATTRIBUTES.map((name) => [name, shareOf(pool, name)])) as unknown as Shares;
  knownShares.set(pool, shares);
  return shares;
}
function shareOf(pool: readonly ReferenceFacts[], name: Attribute): Map<string, number> {
  const counts = new Map<string, number>();
  let known = 0;
  for (const { [name]: value } of pool) {
    if (value === undefined) continue;
    known++;
    counts.set(value, (counts.get(value) ?? 0) + 1);
  }
  for (const [value, n] of counts) counts.set(value, n / known);
  return counts;
}

/** A choice as it grows, with what is needed to say at once what one more would cost. */
interface Tally {
  chosen: Candidate[];
  counts: Record<Attribute, Map<string, number>>;
  poses: Map<string, number>;
  rights: number;
  lefts: number;
}

const side = ({ facts }: Candidate): -1 | 0 | 1 => (facts.facing === 'right' ? 1 : facts.facing === 'left' ? -1 : 0);

/** (count - expected)^2 / expected of one value, Pearson's measure of how far a sample is from its expectation; a value is expected a third of a time at least, so that a rare one may be had once. */
const offShare = (count: number, expected: number): number => (count - expected) ** 2 / Math.max(1 / 3, expected);

function expectationCost(tally: Tally, { count, shares, level }: ChoiceContext): number {
  let cost = 0;
  for (const name of ATTRIBUTES) {
    if (name === 'facing' && level) continue;
    for (const [value, share] of shares[name])
      cost += EXPECTED[name] * offShare(tally.counts[name].get(value) ?? 0, share * count);
  }
  return cost;
}

/** Of a long session only the last so many are held against what comes: what was long ago is not felt. */
const NEAR = 40;
const alikeTo = (candidate: Candidate, others: readonly ReferenceFacts[]): number =>
  others.slice(-NEAR).reduce((sum, other) => sum + alikeness(candidate.facts, other), 0);

/**
 * What a choice costs, the less the better. In this order of weight: poses that come twice, against one another and against those beside
 * it; facings that stay unlevel; how far each attribute is from its share; pictures that look alike, within the choice and against those
 * beside it; pictures like those of the last sessions; mirror images.
 */
export function choiceCost(chosen: readonly Candidate[], context: ChoiceContext): number {
  const tally = tallyOf(chosen, context);
  const { level, beside, recent, count } = context;
  let cost = expectationCost(tally, context);
  for (const n of tally.poses.values()) cost += (COST.samePose * (n * (n - 1))) / 2;
  if (level) cost += COST.unlevel * (level.right + tally.rights - level.left - tally.lefts) ** 2;
  chosen.forEach((candidate, i) => {
    const others = [...chosen.slice(0, i).map((c) => c.facts), ...beside];
    cost += (COST.alike * alikeTo(candidate, others)) / Math.max(1, count);
    cost += (COST.recent * alikeTo(candidate, recent)) / Math.max(1, recent.length);
    if (candidate.mirrored) cost += COST.mirrored;
  });
  return cost;
}

function tallyOf(chosen: readonly Candidate[], { beside }: ChoiceContext): Tally {
  const tally: Tally = {
    chosen: [],
    counts: Object.fromEntries(ATTRIBUTES.map((name) => [name, new Map<string, number>()])) as Tally['counts'],
    poses: new Map(),
    rights: 0,
    lefts: 0,
  };
  for (const { pose } of beside) if (pose !== undefined) tally.poses.set(pose, (tally.poses.get(pose) ?? 0) + 1);
  for (const candidate of chosen) count(tally, candidate, 1);
  return tally;
}

function count(tally: Tally, candidate: Candidate, by: 1 | -1): void {
  const { facts } = candidate;
  for (const name of ATTRIBUTES) {
    const value = facts[name];
    if (value !== undefined) tally.counts[name].set(value, (tally.counts[name].get(value) ?? 0) + by);
  }
  if (facts.pose !== undefined) tally.poses.set(facts.pose, (tally.poses.get(facts.pose) ?? 0) + by);
  if (side(candidate) === 1) tally.rights += by;
  if (side(candidate) === -1) tally.lefts += by;
  if (by === 1) tally.chosen.push(candidate);
  else tally.chosen.splice(tally.chosen.indexOf(candidate), 1);
}

/** A value of an attribute, and what one more of it would cost now. */
interface Value {
  name: Attribute;
  value: string;
  addsCost: number;
}

/** The values each candidate has, kept up to date as the choice grows: one object a value, whoever has it. */
function valuesOf(tally: Tally, all: readonly Candidate[], { shares, count: wanted, level }: ChoiceContext) {
  const known = new Map<string, Value>();
  const update = (of: Value): void => {
    const n = tally.counts[of.name].get(of.value) ?? 0;
    const expected = (shares[of.name].get(of.value) ?? 0) * wanted;
    of.addsCost = EXPECTED[of.name] * (offShare(n + 1, expected) - offShare(n, expected));
  };
  const byCandidate = new Map(
    all.map((candidate): [Candidate, Value[]] => [
      candidate,
      ATTRIBUTES.flatMap((name): Value[] => {
        const value = candidate.facts[name];
        if (value === undefined || (name === 'facing' && level)) return [];
        const key = `${name} ${value}`;
        let of = known.get(key);
        if (!of) {
          known.set(key, (of = { name, value, addsCost: 0 }));
          update(of);
        }
        return [of];
      }),
    ]),
  );
  return {
    addsCost: (candidate: Candidate): number => {
      let cost = 0;
      for (const of of byCandidate.get(candidate) ?? []) cost += of.addsCost;
      return cost;
    },
    moved: (candidate: Candidate): void => byCandidate.get(candidate)?.forEach(update),
  };
}

/** What one more adds to the cost beside its values and what it looks like. */
function addedCost(tally: Tally, candidate: Candidate, { level }: ChoiceContext): number {
  const { facts } = candidate;
  let cost = candidate.mirrored ? COST.mirrored : 0;
  if (facts.pose !== undefined) cost += COST.samePose * (tally.poses.get(facts.pose) ?? 0);
  if (level) {
    const off = level.right + tally.rights - level.left - tally.lefts;
    cost += COST.unlevel * ((off + side(candidate)) ** 2 - off ** 2);
  }
  return cost;
}

/** Candidates looked at for each place; more of a large choice would hardly be better, and take long. */
const LOOKED_AT = { least: 48, perPlace: 3, most: 96 };
/** Exchanges are tried until none helps, this often at most. */
const ROUNDS = 2;
/** Sessions up to so many places have two exchanged at once as well. */
const PAIRS_UP_TO = 12;
const LEAST_GAIN = 1e-9;
/** A little chance, so that another seed is another choice. */
const CHANCE = 0.8;

/** Some of a list, each as likely as any other, in an order of chance. */
function sample<T>(list: readonly T[], size: number, random: Random): T[] {
  const taken = [...list];
  const n = Math.min(size, taken.length);
  for (let i = 0; i < n; i++) {
    const j = i + Math.floor(random() * (taken.length - i));
    [taken[i], taken[j]] = [taken[j], taken[i]];
  }
  return taken.slice(0, n);
}

/** Some of a tier, as many of each side: a side that is rare must not be missed. */
function lookedAt(tier: readonly ReferenceFacts[], room: number, random: Random): ReferenceFacts[] {
  const size = Math.min(LOOKED_AT.most, Math.max(LOOKED_AT.least, LOOKED_AT.perPlace * room));
  if (tier.length <= size) return sample(tier, tier.length, random);
  const left: ReferenceFacts[] = [];
  const right: ReferenceFacts[] = [];
  const neither: ReferenceFacts[] = [];
  for (const r of tier) (r.facing === 'left' ? left : r.facing === 'right' ? right : neither).push(r);
  return [left, right, neither].flatMap((some) => sample(some, Math.ceil(size / 2), random));
}

/**
 * Choose as a whole what a session is drawn from: of the tiers in order (the least drawn first) as many as are wanted, so that
 * `choiceCost` is small. A tier is used up before the next is touched, but for poses that are chosen already: those wait until nothing
 * else is left. Greedy, then exchanges within the last tier until none helps.
 * @param given Those that must be among them.
 */
export function chooseSet(
  tiers: readonly (readonly ReferenceFacts[])[],
  given: readonly Candidate[],
  context: ChoiceContext,
  random: Random,
): Candidate[] {
  const tally = tallyOf(given, context);
  const used = new Set(given.map((c) => c.source));
  const isNew = ({ pose }: ReferenceFacts): boolean => pose === undefined || (tally.poses.get(pose) ?? 0) === 0;
  for (const repeating of [false, true])
    for (const tier of tiers) {
      const room = context.count - tally.chosen.length;
      if (room <= 0) return tally.chosen;
      const open = tier.filter((r) => !used.has(r.id) && (repeating || isNew(r)));
      if (open.length > 0) fillFrom(open, room, tally, used, context, random, repeating);
    }
  return tally.chosen;
}

/** Take from one tier until there is no room, or nothing of it may be taken. */
function fillFrom(
  open: readonly ReferenceFacts[],
  room: number,
  tally: Tally,
  used: Set<string>,
  context: ChoiceContext,
  random: Random,
  repeating: boolean,
): void {
  const { beside, recent, count: wanted, mirrored } = context;
  // A tier that is used up whole leaves no choice but which view of a pose.
  const some = open.length <= room ? open : lookedAt(open, room, random);
  const all = some.flatMap((facts) =>
    mirrored !== undefined && facts.facing === mirrored ? [plainly(facts), inMirror(facts)] : [plainly(facts)],
  );
  /** How alike each is to those that were moved in or out. */
  const rows = new Map<Candidate, Float64Array>();
  const rowOf = (candidate: Candidate): Float64Array => {
    let row = rows.get(candidate);
    if (!row) rows.set(candidate, (row = Float64Array.from(all, (other) => alikeness(other.facts, candidate.facts))));
    return row;
  };
  const before = [...beside, ...tally.chosen.map((c) => c.facts)];
  /** What each costs for how it looks. */
  const looks = Float64Array.from(
    all,
    (candidate) =>
      CHANCE * random() +
      (COST.alike * alikeTo(candidate, before)) / Math.max(1, wanted) +
      (COST.recent * alikeTo(candidate, recent)) / Math.max(1, recent.length),
  );
  const place = new Map(all.map((candidate, i) => [candidate, i]));
  const values = valuesOf(tally, all, context);
  const free = new Set(all);
  const mayTake = ({ source, facts }: Candidate): boolean =>
    !used.has(source) && (repeating || facts.pose === undefined || (tally.poses.get(facts.pose) ?? 0) === 0);
  const cost = (candidate: Candidate): number =>
    addedCost(tally, candidate, context) + values.addsCost(candidate) + looks[place.get(candidate) ?? 0];
  const move = (candidate: Candidate, by: 1 | -1): void => {
    count(tally, candidate, by);
    values.moved(candidate);
    if (by === 1) {
      used.add(candidate.source);
      free.delete(candidate);
    } else {
      used.delete(candidate.source);
      free.add(candidate);
    }
    const sign = by * (COST.alike / Math.max(1, wanted));
    const row = rowOf(candidate);
    all.forEach((other, i) => {
      if (other !== candidate) looks[i] += sign * row[i];
    });
  };
  const cheapest = (): Candidate | undefined => {
    let best: Candidate | undefined;
    let least = Infinity;
    for (const candidate of free) {
      if (!mayTake(candidate)) continue;
      const c = cost(candidate);
      if (c < least) [best, least] = [candidate, c];
    }
    return best;
  };
  const taken: Candidate[] = [];
  for (let i = 0; i < room; i++) {
    const best = cheapest();
    if (!best) break;
    move(best, 1);
    taken.push(best);
  }
  if (free.size === 0) return;
  for (let round = 0; round < ROUNDS; round++) if (!exchangeOne() && !exchangeTwo()) return;

  /** Put another in the place of each, where that costs less. */
  function exchangeOne(): boolean {
    let helped = false;
    for (const [at, out] of taken.entries()) {
      move(out, -1);
      const best = cheapest();
      const better = best && best !== out && cost(best) < cost(out) - LEAST_GAIN ? best : out;
      move(better, 1);
      if (better === out) continue;
      taken[at] = better;
      helped = true;
    }
    return helped;
  }

  /** The same for two at once, in short sessions: what balances two others cannot be exchanged alone. */
  function exchangeTwo(): boolean {
    if (taken.length > PAIRS_UP_TO) return false;
    let helped = false;
    for (let i = 0; i < taken.length; i++)
      for (let j = i + 1; j < taken.length; j++) {
        const [p, q] = [taken[i], taken[j]];
        move(p, -1);
        move(q, -1);
        const costOf = (first: Candidate, then: Candidate | undefined): [Candidate, number] | undefined => {
          const alone = cost(first);
          move(first, 1);
          const second = then ?? cheapest();
          const both: [Candidate, number] | undefined = second && [second, alone + cost(second)];
          move(first, -1);
          return both;
        };
        const before = costOf(p, q)?.[1] ?? Infinity;
        const first = cheapest();
        const pair = first && costOf(first, undefined);
        const better = first && pair && pair[1] < before - LEAST_GAIN ? [first, pair[0]] : [p, q];
        for (const candidate of better) move(candidate, 1);
        if (better[0] === p && better[1] === q) continue;
        [taken[i], taken[j]] = better;
        helped = true;
      }
    return helped;
  }
}
