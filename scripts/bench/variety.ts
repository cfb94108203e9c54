import { drawingHistory } from '@/core/journal/history';
import { demoSessions } from '@/core/demo';
import { proposePlan } from '@/core/practice/start/propose';
import { countFacings, type ReferenceFacts } from '@/core/references/coverage';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { shippedReferences } from '@/core/references/referenceFacts';
import { limited, type Row } from './row.mjs';

const MINUTES = [5, 10, 15, 20, 30, 45, 60];
const SEEDS = 30;
const UP_DEG = 50;

const isUp = (deg: number | null | undefined): boolean =>
  typeof deg === 'number' && Math.abs(((deg + 90 + 540) % 360) - 180) < UP_DEG;
/** Both upper arms point up in the picture. */
const armsUp = ({ limbs }: ReferenceFacts): boolean => isUp(limbs?.[2]) && isUp(limbs?.[4]);

/** What sessions proposed by Today are made of, against what there is: 210 of them, 5 to 60 minutes, half after a first dozen evenings. */
export function varietyRows(): Row[] {
  const pool = shippedReferences(BUILT_IN_SET_ID) ?? [];
  const facts = new Map(pool.map((r) => [r.id, r]));
  const nowMs = Date.UTC(2026, 10, 25, 12);
  const past = drawingHistory(demoSessions(pool, nowMs), nowMs);
  const lately = past.drawn.map((id) => facts.get(id) ?? { id });
  const histories = [
    { facings: { left: 0, right: 0 }, timesDrawn: new Map<string, number>() },
    { ...past, facings: countFacings(lately.slice(-40)), recent: lately.slice(-past.recent) },
  ];
  const sessions = MINUTES.flatMap((minutes) =>
    Array.from({ length: SEEDS }, (_, seed) => {
      const plan = proposePlan({
        availableMs: minutes * 60_000,
        references: pool,
        history: histories[seed % 2],
        seed: 2_000_000 + seed * 100,
      });
      const ids = plan.blocks.flatMap((b) => (b.kind === 'poses' ? b.poses.map((p) => p.referenceId) : []));
      const shown = ids.map((id): ReferenceFacts => facts.get(id ?? '') ?? { id: id ?? '' });
      const claims = plan.why.toLowerCase().includes('a gentle pose first') || plan.why.startsWith('A gentle first');
      return { shown, untrue: claims && (shown[0].difficulty ?? 5) > 2 };
    }),
  );
  const all = sessions.flatMap((s) => s.shown);
  const pairs = sessions.flatMap(({ shown }) =>
    shown.slice(1).map((b, i): [ReferenceFacts, ReferenceFacts] => [shown[i], b]),
  );
  const percent = (n: number, of: number): number => (100 * n) / of;
  const words = (share: number): string => `${share.toFixed(1)} %`;
  const none = (name: string, test: (s: (typeof sessions)[number]) => boolean): Row => {
    const n = sessions.filter(test).length;
    return limited(name, `${String(n)} of ${String(sessions.length)}`, n, 0, 'sessions');
  };
  const neighbors = (name: string, key: 'family' | 'build', most: number): Row => {
    const share = percent(pairs.filter(([a, b]) => a[key] === b[key]).length, pairs.length);
    return limited(name, words(share), share, most, '%');
  };
  const back = ({ viewName }: ReferenceFacts): boolean => viewName === 'back';
  const share = (of: readonly ReferenceFacts[]): string => words(percent(of.filter(back).length, of.length));
  return [
    {
      name: `back views in ${String(sessions.length)} proposals (in the set ${share(pool)})`,
      value: share(all),
    },
    none(
      'sessions with three back views or more, both arms up',
      ({ shown }) => shown.filter((r) => back(r) && armsUp(r)).length >= 3,
    ),
    none('sessions with a pose twice', ({ shown }) => new Set(shown.map((r) => r.pose)).size < shown.length),
    neighbors('neighbors of one family', 'family', 3),
    neighbors('neighbors of one build', 'build', 2),
    none('“a gentle pose first” said where it is not', ({ untrue }) => untrue),
  ];
}
