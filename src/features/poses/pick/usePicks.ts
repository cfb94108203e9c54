'use client';
import { useMemo, useState } from 'react';
import { drawingHistory } from '@/core/journal/history';
import { replayOf } from '@/core/journal/replay';
import { picturesOf } from '@/core/practice/plan/planPoses';
import type { Session } from '@/core/journal/session';
import { proposePlan } from '@/core/practice/start/propose';
import type { Plan } from '@/core/practice/plan/schema';
import { countPoses } from '@/core/practice/time/sums';
import { countCells, countFacings, type ReferenceFacts } from '@/core/references/coverage';
import { mirroredFacing } from '@/core/references/mirrorReference';
import { pick, type Picked, type PickRequest, replacement, sourceOf } from '@/core/references/pick';
import type { PickOrder } from '@/core/references/pickOrder';
import { pickReason } from '@/core/references/pickWords';

/** Drawings that tell which side is weak. */
const RECENT = 20;

export interface PickSettings {
  minutes: number;
  order: PickOrder;
  level: boolean;
  mirror: boolean;
  odd: boolean;
  seed: number;
}

export interface Picks {
  picked: readonly Picked[];
  reasons: readonly string[];
  plan: Plan | undefined;
  /** Chosen pictures that found no place: they go to the later shelf. */
  surplus: readonly string[];
  facing: (p: Picked) => ReferenceFacts['facing'];
  replace: (slot: number) => boolean;
  pinned: ReadonlySet<string>;
  togglePin: (slot: number) => void;
}

export interface PickSource {
  pool: readonly ReferenceFacts[];
  /** Where the odd one out comes from. */
  elsewhere: readonly ReferenceFacts[];
  /** Facts of what was drawn, the newest last. */
  drawn: readonly ReferenceFacts[];
  sessions: readonly Session[];
  /** Pinned in the set itself. */
  pins: readonly string[];
  /** The pool was chosen by hand, so that what is left of it is kept for later. */
  byHand: boolean;
}

/** A session's pictures from a pool, with the plan they make. */
export function usePicks(source: PickSource, settings: PickSettings, nowMs: number): Picks {
  const { pool, elsewhere, drawn, sessions, pins, byHand } = source;
  const { minutes, order, level, mirror, odd, seed } = settings;
  const [swaps, setSwaps] = useState<ReadonlyMap<string, Picked>>(new Map());
  const [slots, setSlots] = useState<ReadonlyMap<number, string>>(new Map());
  const past = useMemo(() => drawingHistory(sessions, nowMs), [sessions, nowMs]);
  const base = useMemo(() => {
    const { timesDrawn, daysSinceLast } = past;
    const facings = countFacings(drawn.slice(-RECENT));
    return { availableMs: minutes * 60_000, references: pool, history: { facings, timesDrawn, daysSinceLast }, seed };
  }, [past, drawn, pool, minutes, seed]);
  const request = useMemo((): PickRequest | undefined => {
    if (pool.length === 0) return undefined;
    const [last] = sessions;
    const previous = last && picturesOf(replayOf(last).plan);
    return {
      pool,
      count: countPoses(proposePlan(base)),
      order,
      seed,
      timesDrawn: base.history.timesDrawn,
      level: level ? base.history.facings : undefined,
      mirror,
      pins: [
        ...[...slots].map(([slot, id]) => ({ slot, id })),
        ...pins.filter((id) => ![...slots.values()].includes(id)).map((id) => ({ slot: null, id })),
      ],
      ...(odd && { oddPool: elsewhere }),
      ...(previous && { previous }),
      cells: countCells(drawn),
      recent: past.recent > 0 ? drawn.slice(-past.recent) : [],
      gentleStart: order === 'gentle to hard',
    };
  }, [pool, sessions, base, past.recent, order, seed, level, mirror, slots, pins, odd, elsewhere, drawn]);
  const fresh = useMemo(() => (request ? pick(request) : []), [request]);
  const picked = useMemo(() => fresh.map((p, i) => swaps.get(`${String(i)} ${p.id}`) ?? p), [fresh, swaps]);
  const facts = useMemo(() => {
    const known = new Map([...pool, ...elsewhere].map((r) => [r.id, r]));
    return new Map(
      picked.map((p): [string, ReferenceFacts] => {
        const own = known.get(p.id) ?? known.get(sourceOf(p)) ?? { id: p.id };
        return [p.id, p.mirrored ? { ...own, facing: mirroredFacing(own.facing) } : own];
      }),
    );
  }, [picked, pool, elsewhere]);
  return {
    picked,
    reasons: request && picked.length > 0 ? pickReason(request, picked, facts) : [],
    plan: useMemo(
      () => (picked.length > 0 ? { ...proposePlan({ ...base, picked }), why: 'You chose these pictures.' } : undefined),
      [base, picked],
    ),
    surplus: byHand ? pool.map((r) => r.id).filter((id) => !picked.some((p) => sourceOf(p) === id)) : [],
    facing: (p) => facts.get(p.id)?.facing,
    replace(slot) {
      const next = request && replacement(request, picked, slot);
      if (!next) return false;
      setSwaps(new Map(swaps).set(`${String(slot)} ${fresh[slot].id}`, next));
      return true;
    },
    pinned: new Set([...slots.values(), ...pins]),
    togglePin(slot) {
      const next = new Map(slots);
      if (next.get(slot) === sourceOf(picked[slot])) next.delete(slot);
      else next.set(slot, sourceOf(picked[slot]));
      setSlots(next);
    },
  };
}
