'use client';
import { drawingHistory } from '@/core/journal/history';
import type { ReferenceFacts } from '@/core/references/coverage';
import type { PickOrder } from '@/core/references/pickOrder';
import { BUILT_IN_SET_ID, LIBRARY_ID, pictureReferenceId } from '@/core/references/picture';
import { shippedReferences } from '@/core/references/referenceFacts';
import { factsOf, referencesOf } from '@/storage/references/choices';
import { listOwnSessions } from '@/storage/sessions/sessions';
import { loadSetting } from '@/storage/settings';
import { useStored } from '@/storage/hooks/useStored';
import { PickPanel } from './PickPanel';
import type { PickSource } from './usePicks';

const DEFAULT_MINUTES = 20;
/** Facts of this many drawings are read: enough for habits, and quickly done. */
const REMEMBERED = 400;

/** What is to be picked from: a place, some pictures of it, or references given by hand. */
export interface PickTarget {
  name: string;
  /** A set, the library or the shelf; missing where references are given. */
  placeId?: string;
  /** Only these of the place. */
  only?: readonly string[];
  references?: readonly ReferenceFacts[];
  pins?: readonly string[];
  byHand?: boolean;
  order?: PickOrder;
}

async function sourceOf(target: PickTarget): Promise<{ source: PickSource; minutes: number }> {
  const [all, library, sessions, minutes] = await Promise.all([
    target.references ?? referencesOf(target.placeId ?? BUILT_IN_SET_ID),
    referencesOf(LIBRARY_ID),
    listOwnSessions(),
    loadSetting('minutes'),
  ]);
  const only = target.only && new Set(target.only.map((id) => pictureReferenceId(id)));
  const pool = only ? inOrder(all, target.only ?? []) : all;
  const inPool = new Set(pool.map((r) => r.id));
  const kept = sessions.filter((s) => s.status === 'kept');
  const { drawn } = drawingHistory(kept, Date.now());
  const elsewhere = library.filter((r) => !inPool.has(r.id));
  return {
    minutes: minutes ?? DEFAULT_MINUTES,
    source: {
      pool,
      elsewhere:
        elsewhere.length > 0 ? elsewhere : (shippedReferences(BUILT_IN_SET_ID) ?? []).filter((r) => !inPool.has(r.id)),
      drawn: await factsOf(drawn.slice(-REMEMBERED)),
      sessions: kept,
      pins: (target.pins ?? []).map((id) => pictureReferenceId(id)).filter((id) => inPool.has(id)),
      byHand: target.byHand ?? false,
    },
  };
}

function inOrder(all: readonly ReferenceFacts[], ids: readonly string[]): ReferenceFacts[] {
  const byId = new Map(all.map((r) => [r.id, r]));
  return ids.flatMap((id) => byId.get(pictureReferenceId(id)) ?? []);
}

/** Pick a session's pictures from a place or from what was chosen in it. */
export function PickFor({ target, onClose }: { target: PickTarget; onClose: () => void }) {
  const loaded = useStored(() => sourceOf(target), [], [target]);
  if (!loaded.value) return null;
  return (
    <PickPanel
      source={loaded.value.source}
      minutes={loaded.value.minutes}
      name={target.name}
      order={target.order ?? (target.byHand ? 'own order' : 'gentle to hard')}
      onClose={onClose}
    />
  );
}
