import { beforeAll, describe, expect, it } from 'vitest';
import { PART_FAMILIES } from '@/core/figure/catalogue/families';
import { biasOf, type BiasId, type MeasuredDrawing } from '@/core/growing/biases';
import { type Piece, piecesOf } from '@/core/growing/pieces';
import { type Day, dayOf } from '@/core/growing/today/dayOf';
import { type Known, knownOf } from '@/core/growing/today/known';
import { exerciseWanted, OFFERS, possibleIn } from '@/core/growing/today/offers';
import { proposeToday, type TodayInput } from '@/core/growing/today/proposeToday';
import type { Session } from '@/core/journal/session';
import { localDay } from '@/core/moment';
import { exerciseById } from '@/core/practice/exercises';
import { FAMILIES } from '@/core/practice/exercises/exercise';
import type { Plan } from '@/core/practice/plan/schema';
import { AIMS, type Wish } from '@/core/practice/start/aims';
import { sumPlan } from '@/core/practice/time/sums';
import { expandPlan } from '@/core/practice/time/timeline';
import { countFacings, type ReferenceFacts } from '@/core/references/coverage';
import { BUILT_IN_SET_ID, builtInFamilySetId } from '@/core/references/picture';
import { shippedReferences } from '@/core/references/referenceFacts';
import { seededRandom } from '@/core/random';
import { sessionOf } from './sessions';

const references = shippedReferences(BUILT_IN_SET_ID) ?? [];
const parts = PART_FAMILIES.flatMap((family) => shippedReferences(builtInFamilySetId(family)) ?? []);
const facts = new Map([...references, ...parts].map((r) => [r.id, r]));
const familyOf = (id: string): string | undefined => facts.get(id)?.family;
const noon = (day: number): number => new Date(2026, 0, 5 + day, 12).getTime();

/** What is known of a learner after some sessions. */
function after(sessions: readonly Session[], day: number, measured: readonly MeasuredDrawing[] = []): Known {
  const pieces = sessions.flatMap(piecesOf);
  const drawn = pieces.flatMap(({ referenceId }) => facts.get(referenceId ?? '') ?? []);
  return knownOf({
    sessions,
    pieces,
    familyOf,
    viewOf: (id) => facts.get(id)?.viewName,
    measured,
    facings: countFacings(drawn.slice(-40)),
    nowMs: noon(day),
  });
}
function propose(sessions: readonly Session[], day: number, more: Partial<TodayInput> = {}): Plan {
  const pieces = sessions.flatMap(piecesOf);
  const timesDrawn = new Map<string, number>();
  for (const { referenceId } of pieces)
    if (referenceId !== null) timesDrawn.set(referenceId, (timesDrawn.get(referenceId) ?? 0) + 1);
  return proposeToday({
    availableMs: 20 * 60_000,
    references,
    parts,
    history: { facings: { left: 0, right: 0 }, timesDrawn, ...(sessions.length > 0 && { daysSinceLast: 1 }) },
    seed: day,
    medium: 'pencil',
    known: after(sessions, day),
    scheduled: [],
    sessions,
    pieces,
    pools: { bySet: new Map(), timesDrawn },
    mix: 0,
    advice: true,
    ...more,
  }).plan;
}
/** A plan as it was drawn: every page of lines is full after as long as it was expected to take, and the end of eyes closed is heard. */
function drawnOn(plan: Plan, day: number): Session {
  const full = expandPlan(plan).segments.filter(({ open, answered }) => open || answered);
  return sessionOf(
    plan,
    full.map(({ endMs }) => ({ type: 'next', atMs: endMs })),
    { id: `s${String(day)}`, startedAtMs: noon(day), lastSeenMs: 24 * 3600_000 },
  );
}

describe('four weeks of twenty minutes a day', () => {
  const sessions: Session[] = [];
  beforeAll(() => {
    for (let day = 0; day < 28; day++) sessions.push(drawnOn(propose(sessions, day), day));
  });
  it('hold every family of exercises, heads and hands too, within their time', () => {
    const pieces = sessions.flatMap(piecesOf);
    const families = new Set(
      sessions.flatMap(({ plan }) =>
        plan.blocks.map((b) => (b.kind === 'poses' ? exerciseById(b.exercise).family : b.kind)),
      ),
    );
    for (const family of FAMILIES) expect(families).toContain(family);
    const drawn = new Set(pieces.map(({ referenceId }) => familyOf(referenceId ?? '')));
    for (const part of ['heads', 'hands', 'feet']) expect(drawn).toContain(part);
    for (const { plan } of sessions) expect(sumPlan(plan).totalMs).toBeLessThanOrEqual(20 * 60_000);
  });
  it('have no exercise at the same length two days running', () => {
    const lengths = sessions.map(
      ({ plan }) =>
        new Set(
          plan.blocks.flatMap((b) =>
            b.kind === 'poses' ? b.poses.map((p) => `${b.exercise} ${String(p.drawMs)}`) : [],
          ),
        ),
    );
    for (let day = 1; day < lengths.length; day++)
      expect([...lengths[day]].filter((one) => lengths[day - 1].has(one))).toEqual([]);
  });
  it('say one reason each, and not the same one for ever', () => {
    for (const { plan } of sessions) expect(plan.why.match(/because/g)).toHaveLength(1);
    expect(new Set(sessions.map(({ plan }) => plan.cause?.offer)).size).toBeGreaterThanOrEqual(4);
  });
});

describe('a day of any length', () => {
  const first = drawnOn(propose([], 0), 0);
  it('has in it what it says it is about, whatever is due and however long it is', () => {
    for (const minutes of [1, 2, 3, 5, 8, 10, 12, 15, 20, 30, 45, 60, 90])
      for (let mix = 0; mix < OFFERS.length; mix++) {
        const plan = propose([first], 20, { availableMs: minutes * 60_000, mix });
        const names = plan.blocks.flatMap((b) => (b.kind === 'poses' ? [exerciseById(b.exercise).name] : []));
        expect(names, `${String(minutes)} minutes: ${plan.why}`).toContain(plan.why.split(', because')[0]);
      }
  });
  it('keeps its word: what was missed is drawn, and where there is little of it all there is', () => {
    const missed: Record<string, (facts: ReferenceFacts) => string | undefined> = {
      'pose family': ({ family }) => family,
      view: ({ viewName }) => viewName,
      hands: ({ family }) => family,
      heads: ({ family }) => family,
      feet: ({ family }) => family,
    };
    const known = after([first], 20);
    for (const [offer, kindOf] of Object.entries(missed)) {
      const due = OFFERS.find(({ id }) => id === offer)?.due(known, possibleIn(1_200_000));
      if (!due?.from) continue;
      const mix = Array.from({ length: OFFERS.length }, (_, i) => i).find(
        (i) => propose([first], 20, { mix: i }).cause?.offer === offer,
      );
      const plan = propose([first], 20, { mix: mix ?? 0 });
      const block = plan.blocks.find((b) => b.kind === 'poses' && b.exercise === due.focus);
      const drawn = block?.kind === 'poses' ? block.poses.map((p) => facts.get(p.referenceId ?? '')) : [];
      const some = [...references, ...parts].filter(due.from).length;
      const kept = drawn.filter((one) => one && due.from?.(one));
      expect(kept.length, `${offer}: ${plan.why}`).toBe(Math.min(some, drawn.length));
      expect(new Set(kept.map((one) => one && kindOf(one))).size).toBe(1);
    }
  });
});

describe('the reason of a day', () => {
  const first = drawnOn(propose([], 0), 0);
  it('is what was wanted next, as soon as that names something', () => {
    const wanted: Session = { ...first, reflection: { nextTime: 'More hands, please.' } };
    const plan = propose([wanted], 1);
    expect(plan.why).toBe(
      'Hands and feet, because last time you wanted: “More hands, please”; it stays until that is drawn.',
    );
    const block = plan.blocks.find((b) => b.kind === 'poses' && b.exercise === 'hands-and-feet');
    const drawn = block?.kind === 'poses' ? block.poses.map((p) => familyOf(p.referenceId ?? '')) : [];
    expect(drawn.length).toBeGreaterThan(0);
    for (const family of drawn) expect(['hands', 'feet']).toContain(family);
    expect(propose([{ ...first, reflection: { nextTime: 'Sleep.' } }], 1).cause?.offer).not.toBe('wanted');
    expect(exerciseWanted('Both bars before any limb.', possibleIn(1_200_000))?.id).toBe('shoulder-and-hip-bars');
  });
  it('is the step that follows two yeses, at exactly that length', () => {
    const plan: Plan = {
      ...first.plan,
      blocks: [
        {
          kind: 'poses',
          exercise: 'flowing-gesture',
          changeMs: 0,
          poses: [0, 1].map((i) => ({
            referenceId: references[i].id,
            leadInMs: 0,
            lookMs: 0,
            drawMs: 90_000,
            lookAgainMs: 0,
          })),
        },
      ],
    };
    const said = [1, 2].map((n) => ({ type: 'whole' as const, atMs: n * 90_000 - 10, down: true }));
    const known = after([sessionOf(plan, said, { startedAtMs: noon(0), lastSeenMs: 180_000 })], 1);
    const due = OFFERS.find(({ id }) => id === 'working time')?.due(known, possibleIn(1_200_000));
    expect(due?.because).toBe('the whole figure was down twice in a row in 1½ min: 1 min is next');
    const day = dayOf(known, 1_200_000, (_, { id }) => id === 'flowing-gesture');
    expect(day?.mayLast('flowing-gesture', 60_000)).toBe(true);
    expect(day?.mayLast('flowing-gesture', 90_000)).toBe(false);
  });
  it('is a view that nobody was drawn in for long, and those are what is drawn', () => {
    const known = {
      ...after([first], 30),
      viewDay: new Map(['front', 'three-quarter', 'profile', 'back'].map((v) => [v, localDay(noon(29))])),
    };
    const due = OFFERS.find(({ id }) => id === 'view')?.due(known, possibleIn(1_200_000));
    expect(due?.because).toBe('nobody was drawn in three-quarter view from behind yet');
    expect(references.filter((r) => due?.from?.(r)).every(({ viewName }) => viewName === 'back three-quarter')).toBe(
      true,
    );
    const fresh = { ...known, viewDay: new Map([...known.viewDay, ['back three-quarter', localDay(noon(28))]]) };
    expect(OFFERS.find(({ id }) => id === 'view')?.due(fresh, possibleIn(1_200_000))).toBeUndefined();
  });
  it('is another one when another mix is asked for, and comes round again', () => {
    const known = after([first], 4);
    const offers = Array.from({ length: 12 }, (_, mix) => dayOf(known, 1_200_000, () => true, mix)?.offer);
    expect(new Set(offers).size).toBeGreaterThan(2);
    expect(offers.indexOf(offers[0], 1)).toBe(new Set(offers).size);
  });
  it('keeps to what there is to draw from', () => {
    const hers = propose([{ ...first, reflection: { nextTime: 'Hands.' } }], 1, { parts: [] });
    expect(hers.blocks.some((b) => b.kind === 'poses' && b.exercise === 'hands-and-feet')).toBe(false);
    expect(hers.why).not.toContain('hands');
  });
});

/** A weakness, and what a session does about it. */
interface Weakness {
  bias?: BiasId;
  /** At first, and where it is no more. */
  from: number;
  gone: number;
  helps: (main: ReadonlySet<string>) => boolean;
}
const biased = (bias: BiasId, from: number, gone: number, ...helping: string[]): Weakness => ({
  bias,
  from,
  gone,
  helps: (main) => helping.some((one) => main.has(one)),
});
/** Exercises that place the masses help; which of them does not depend on what is proposed. */
const WEAKNESSES: Record<string, Weakness> = {
  heads: biased('head', 0.16, 0.04, 'shoulder-and-hip-bars', 'structural-gesture'),
  tilts: biased('tilts', -0.45, -0.15, 'shoulder-and-hip-bars', 'structural-gesture', 'plumb-and-level'),
  edge: biased('edge', 0.5, 0.1, 'envelope', 'structural-gesture'),
};

/** Exercises of every day by a rota of all aims, one after another, for ever. */
const ROTA: readonly (readonly Wish[])[] = Object.values(AIMS).map(({ wishes }) => wishes);
/** What a session is really about: exercises with a third of its time or more. */
const mainOf = (wishes: readonly Wish[]): Set<string> => {
  const all = wishes.reduce((sum, { weight }) => sum + weight, 0);
  return new Set(wishes.filter(({ weight }) => weight >= all / 3).map(({ exercise }) => exercise));
};

/** A day's drawings as pieces. */
const piecesFor = (day: number, exercises: Iterable<string>, length: (id: string) => number): Piece[] =>
  [...exercises].flatMap((exerciseId) =>
    Array.from({ length: 3 }, (_, i): Piece => {
      const about = exerciseById(exerciseId).form?.about ?? ['seated', 'bending', 'reclining'];
      return {
        sessionId: `s${String(day)}`,
        atMs: noon(day),
        drawing: true,
        spentMs: 60_000,
        exercise: exerciseById(exerciseId).name,
        exerciseId,
        lengthMs: length(exerciseId),
        hand: 'usual hand',
        referenceId: about[(day + i) % about.length],
      };
    }),
  );

/** Two drawings measured a day, off by what the learner is off by, with noise. */
function measuredOn(day: number, { bias }: Weakness, off: number, random: () => number): MeasuredDrawing[] {
  const noise = (): number => (random() + random() + random() - 1.5) * 2;
  return [0, 1].map(() => {
    const seen = 6 + 10 * random();
    const value = bias === 'head' ? off + 0.04 * noise() : 0.01 * noise();
    const kept = bias === 'tilts' ? 1 + off : 1;
    return {
      atMs: noon(day),
      measured: {
        atMs: noon(day),
        of: [
          { id: 'head', seen: 0.13, off: value, sigma: 0.03 },
          { id: 'tilt of the shoulders', seen, off: (kept - 1) * seen + noise(), sigma: 1 },
        ],
        ...(bias === 'edge' && random() < off && { squeezed: true }),
      },
    };
  });
}

/** A year of a made-up learner: on which days the weakness was worked on, and when it was gone. */
function year(
  weakness: Weakness,
  seed: number,
  choose: (known: () => Known, day: number) => Pick<Day, 'wishes'> & Partial<Day>,
) {
  const random = seededRandom(seed);
  const pieces: Piece[] = [];
  const measured: MeasuredDrawing[] = [];
  const sessions: Session[] = [];
  const worked: number[] = [];
  let off = weakness.from;
  let gone = 365;
  for (let day = 0; day < 365 && gone === 365; day++) {
    const known = (): Known =>
      knownOf({
        sessions,
        pieces,
        familyOf: (id) => id,
        viewOf: () => undefined,
        measured,
        facings: { left: 5, right: 5 },
        nowMs: noon(day),
      });
    const { wishes, offer, remedy, mayLast } = choose(known, day);
    const exercises = new Set(wishes.map(({ exercise }) => exercise));
    pieces.push(
      ...piecesFor(day, exercises, (id) => {
        const { shortestMs, usualMs, longestMs } = exerciseById(id);
        return [usualMs, shortestMs, longestMs].find((ms) => mayLast?.(id, ms) ?? true) ?? usualMs;
      }),
    );
    const plan: Plan = {
      version: 2,
      title: 'Day',
      why: '',
      seed: 1,
      availableMs: 1_200_000,
      blocks: [{ kind: 'rest', durationMs: 1000 }],
      ...(offer && { cause: { offer, ...(remedy && { remedy }) } }),
    };
    sessions.push(drawnOn(plan, day));
    if (weakness.helps(mainOf(wishes))) {
      worked.push(day);
      off *= 0.88;
    }
    measured.push(...measuredOn(day, weakness, off, random));
    if (weakness.from !== 0 && Math.abs(off) <= Math.abs(weakness.gone)) gone = day;
  }
  return { gone, worked, measured };
}

describe('a year of made-up learners with a known weakness', () => {
  for (const [name, weakness] of Object.entries(WEAKNESSES))
    it(`meets ${name} sooner than a fixed rota of all aims does`, () => {
      const days = (choose: Parameters<typeof year>[2]): number[] =>
        [1, 2].map((seed) => year(weakness, seed, choose).gone);
      const ours = days((known) => dayOf(known(), 1_200_000, () => true) as Day);
      const rota = days((_, day) => ({
        wishes: [...ROTA[day % ROTA.length]],
      }));
      expect(Math.max(...ours)).toBeLessThan(Math.min(...rota));
    });
  it('never says that something is off which is not', () => {
    const { measured } = year(
      { from: 0, gone: 0, helps: () => false },
      4,
      (known) => dayOf(known(), 1_200_000, () => true) as Day,
    );
    let told = 0;
    for (let n = 20; n < measured.length; n += 10)
      for (const id of ['head', 'tilts', 'edge'] as const) if (biasOf(id, measured.slice(0, n)).off !== 'no') told++;
    expect(told).toBe(0);
  });
  it('leaves nothing out for long: heads, hands, feet and every exercise come round', () => {
    const last = new Map<string, number>();
    let longest = 0;
    const seen = new Set<string>();
    const reference = (family: string): ReferenceFacts => ({ id: family, family });
    year({ from: 0, gone: 0, helps: () => false }, 5, (known, day) => {
      const chosen = dayOf(
        known(),
        1_200_000,
        ({ from }) => !from || [...PART_FAMILIES].some((f) => from(reference(f))),
      ) as Day;
      for (const { exercise } of chosen.wishes) {
        seen.add(exercise);
        for (const part of exerciseById(exercise).form?.about ?? []) {
          longest = Math.max(longest, day - (last.get(part) ?? 0));
          last.set(part, day);
        }
      }
      return chosen;
    });
    for (const { id } of possibleIn(1_200_000)) expect(seen).toContain(id);
    expect(longest).toBeLessThanOrEqual(21);
  });
  it('knows its day by the calendar', () => expect(after([], 3).today).toBe(localDay(noon(3))));
});
