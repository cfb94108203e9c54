import { drawingHistory } from '@/core/journal/history';
import { demoSessions } from '@/core/demo';
import { proposePlan } from '@/core/practice/start/propose';
import { countFacings, type ReferenceFacts } from '@/core/references/coverage';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { shippedReferences } from '@/storage/references/referenceFacts';
import type { Measured } from './references';

const MINUTES = [5, 10, 15, 20, 30, 45, 60];
const SEEDS = 30;
const UP_DEG = 50;

const isUp = (deg: number | null | undefined): boolean =>
  typeof deg === 'number' && Math.abs(((deg + 90 + 540) % 360) - 180) < UP_DEG;
/** Both upper arms point up in the picture. */
const armsUp = ({ limbs }: ReferenceFacts): boolean => isUp(limbs?.[2]) && isUp(limbs?.[4]);

/** What sessions proposed by Today are made of, against what there is: 210 of them, 5 to 60 minutes, half after a first dozen evenings. */
export function varietyRows(): Measured[] {
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
  const percent = (n: number, of: number): string => `${((100 * n) / of).toFixed(1)} %`;
  const count = (test: (s: readonly ReferenceFacts[]) => boolean): string =>
    `${String(sessions.filter((s) => test(s.shown)).length)} of ${String(sessions.length)}`;
  const back = ({ viewName }: ReferenceFacts): boolean => viewName === 'back';
  return [
    {
      name: `back views in ${String(sessions.length)} proposals (in the set ${percent(pool.filter(back).length, pool.length)})`,
      value: percent(all.filter(back).length, all.length),
    },
    {
      name: 'sessions with three back views or more, both arms up',
      value: count((s) => s.filter((r) => back(r) && armsUp(r)).length >= 3),
      limit: '0',
    },
    {
      name: 'sessions with a pose twice',
      value: count((s) => new Set(s.map((r) => r.pose)).size < s.length),
      limit: '0',
    },
    {
      name: 'neighbors of one family',
      value: percent(pairs.filter(([a, b]) => a.family === b.family).length, pairs.length),
      limit: '3 %',
    },
    {
      name: 'neighbors of one build',
      value: percent(pairs.filter(([a, b]) => a.build === b.build).length, pairs.length),
      limit: '2 %',
    },
    {
      name: '“a gentle pose first” said where it is not',
      value: `${String(sessions.filter((s) => s.untrue).length)} of ${String(sessions.length)}`,
      limit: '0',
    },
  ];
}
