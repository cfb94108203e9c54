'use client';
import { group } from 'd3-array';
import { useSearchParams } from 'next/navigation';
import { useMemo } from 'react';
import { type DatedDrawing, pairsOf, returnsDue } from '@/core/growing/again';
import { readBlind, readWaits } from '@/core/growing/waits';
import { seenOnPages } from '@/core/journal/onPages';
import { judgingShut } from '@/core/journal/reflect';
import type { Page, Session } from '@/core/journal/session';
import { lookedAt } from '@/core/journal/whose';
import { localDay } from '@/core/moment';
import { mirroredReference } from '@/core/references/mirrorReference';
import { demoPagesOnce } from '@/storage/demoPages';
import { seedOnFirstVisit } from '@/storage/seed';
import { loadSetting } from '@/storage/settings';
import { allPages } from '@/storage/sessions/pages';
import { listSessions } from '@/storage/sessions/sessions';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { useNow } from '@/ui/useNow';
import { Due } from './Due';
import { Pairs } from './Pairs';
import { Waits } from './Waits';

interface Kept {
  of: string | undefined;
  sessions: Session[];
  pages: ReadonlyMap<string, Page[]>;
}
async function load(): Promise<Kept> {
  await seedOnFirstVisit(Date.now());
  const { sessions, of } = lookedAt((await listSessions()).filter(({ status }) => status === 'kept'));
  if (of) demoPagesOnce();
  return { of, sessions, pages: group(await allPages(), ({ sessionId }) => sessionId) };
}
const loadSettings = async () => ({
  waits: readWaits(await loadSetting('againWaits')),
  blind: readBlind(await loadSetting('blindPairs')),
});

/** Pictures that come back to be drawn again, and what was drawn of one picture then and now. */
export function Again() {
  const kept = useStored(load, ['sessions', 'pages'], []);
  const settings = useStored(loadSettings, ['settings'], []);
  const problem = kept.problem ?? settings.problem;
  if (problem) return <Notice>{problem}</Notice>;
  if (!kept.value || !settings.value) return <div className="h-60" aria-busy />;
  return <ThenAndNow {...kept.value} {...settings.value} />;
}

function ThenAndNow({ of, sessions, pages, waits, blind }: Kept & Awaited<ReturnType<typeof loadSettings>>) {
  const nowMs = useNow(60_000);
  const wanted = useSearchParams().get('of');
  const today = localDay(nowMs);
  // Comparing is judging: it waits as long as that does.
  const open = useMemo(() => sessions.filter((session) => !judgingShut(session, nowMs)), [sessions, nowMs]);
  const seen = useMemo(
    () =>
      ({ session, drawing }: DatedDrawing) =>
        seenOnPages(pages.get(session.id) ?? [], drawing.drawing),
    [pages],
  );
  const due = useMemo(
    () => returnsDue(open, today, waits, (drawing) => seen(drawing) !== undefined),
    [open, today, waits, seen],
  );
  const pairs = useMemo(() => {
    const all = pairsOf(open).flatMap((pair) => {
      const [older, newer] = [seen(pair.older), seen(pair.newer)];
      return older && newer ? [{ ...pair, seen: { older, newer } }] : [];
    });
    if (wanted === null) return all;
    const same = new Set([wanted, mirroredReference(wanted)]);
    return all.filter(({ older }) => same.has(older.drawing.referenceId ?? ''));
  }, [open, seen, wanted]);
  return (
    <>
      <h1 className="text-[30px]">Then and now</h1>
      <Due due={due} of={of} seen={seen} />
      <Pairs pairs={pairs} of={wanted} blind={blind} />
      {!of && <Waits waits={waits} />}
    </>
  );
}
