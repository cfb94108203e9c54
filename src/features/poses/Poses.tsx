'use client';
import dynamic from 'next/dynamic';
import { useRouter, useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { toast, toastProblem } from '@/ui/toast/toast';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { builtInSet, BUILT_IN_SETS } from '@/core/references/builtIn';
import { BUILT_IN_SET_ID, LATER_ID, LIBRARY_ID, type PictureSet } from '@/core/references/picture';
import { counted } from '@/core/words';
import { useLibrary } from '@/storage/pictures/library';
import { binSet, listBinnedSets, listSets, saveSet } from '@/storage/pictures/pictures';
import { storageProblem } from '@/storage/problems';
import { saveSetting } from '@/storage/settings';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { BuiltInFigures } from './BuiltInFigures';
import { NewSet } from './NewSet';
import { Shelf, type ShelfEntry } from './Shelf';

// Each place is fetched when it is opened: the figures that ship are there at once.
const waiting = () => <div className="mt-4 h-[320px] skeleton" aria-label="Opening" />;
const LibraryPage = dynamic(() => import('./library/LibraryPage').then((m) => m.LibraryPage), { loading: waiting });
const ChanceFigures = dynamic(() => import('./ChanceFigures').then((m) => m.ChanceFigures), { loading: waiting });
const CoverageView = dynamic(() => import('./CoverageView').then((m) => m.CoverageView), { loading: waiting });
const Bin = dynamic(() => import('./Bin').then((m) => m.Bin), { loading: waiting });
const MotionImport = dynamic(() => import('./MotionImport').then((m) => m.MotionImport), { loading: waiting });

const CHANCE = 'chance';
const COVERAGE = 'coverage';
const BIN = 'bin';
const PLACES: readonly string[] = [CHANCE, COVERAGE, BIN, LIBRARY_ID, LATER_ID];

export function Poses() {
  const router = useRouter();
  const wanted = useSearchParams().get('set') ?? BUILT_IN_SET_ID;
  const sets = useStored(listSets, ['sets'], []);
  const binnedSets = useStored(listBinnedSets, ['sets'], []).value ?? [];
  const { pictures } = useLibrary();
  const [adding, setAdding] = useState<'set' | 'file'>();
  const open = sets.value?.find((set) => set.id === wanted);
  const place = open?.id ?? (PLACES.includes(wanted) ? wanted : BUILT_IN_SET_ID);
  const fail = (error: unknown): void => {
    toastProblem(storageProblem(error));
  };
  const show = (id: string): void =>
    router.push(id === BUILT_IN_SET_ID ? '/poses' : `/poses?set=${encodeURIComponent(id)}`);

  const create = (name: string): void => {
    const set: PictureSet = { id: crypto.randomUUID(), name, createdAtMs: Date.now(), binnedAtMs: null };
    saveSet(set).then(() => {
      setAdding(undefined);
      show(set.id);
    }, fail);
  };
  const practice = (setId: string): void => {
    saveSetting('setId', setId).then(() => router.push('/'), fail);
  };
  const putAway = (set: PictureSet): void => {
    binSet(set.id, Date.now()).then(() => {
      show(BUILT_IN_SET_ID);
      toast(`“${set.name}” is in the bin for 30 days; its pictures stay in your library.`, {
        action: { label: 'Put back', onClick: () => void binSet(set.id, null).then(() => show(set.id), fail) },
      });
    }, fail);
  };
  const entries = shelfEntries(sets.value ?? [], pictures ?? [], binnedSets.length);
  return (
    <>
      <h1 className="sr-only">Poses</h1>
      {sets.problem && <Notice>{sets.problem}</Notice>}
      <Shelf
        current={place}
        entries={entries}
        onShow={show}
        onNew={() => setAdding('set')}
        onFile={() => setAdding('file')}
      />
      {adding === 'set' && <NewSet onCreate={create} onCancel={() => setAdding(undefined)} />}
      {adding === 'file' && (
        <MotionImport
          onCancel={() => setAdding(undefined)}
          onKept={(id) => {
            setAdding(undefined);
            show(id);
          }}
        />
      )}
      {open || place === LIBRARY_ID || place === LATER_ID ? (
        <LibraryPage
          key={place}
          placeId={place}
          set={open}
          sets={sets.value ?? []}
          onPractice={() => practice(place)}
          onPutAway={() => open && putAway(open)}
          onShow={show}
        />
      ) : place === CHANCE ? (
        <ChanceFigures onKept={show} />
      ) : place === COVERAGE ? (
        <CoverageView />
      ) : place === BIN ? (
        <Bin />
      ) : (
        <BuiltInFigures
          set={builtInSet(wanted) ?? BUILT_IN_SETS[0]}
          onPractice={() => practice((builtInSet(wanted) ?? BUILT_IN_SETS[0]).id)}
          onAddOwn={() => show(LIBRARY_ID)}
        />
      )}
    </>
  );
}

/** What stands on the shelf, with how much is in it. */
function shelfEntries(
  sets: readonly PictureSet[],
  pictures: readonly { setIds: readonly string[]; binnedAtMs: number | null; laterAtMs: number | null }[],
  binnedSets: number,
): ShelfEntry[] {
  const kept = pictures.filter((p) => p.binnedAtMs === null);
  const perSet = new Map<string, number>();
  for (const { setIds } of kept) for (const id of setIds) perSet.set(id, (perSet.get(id) ?? 0) + 1);
  const later = kept.filter((p) => p.laterAtMs !== null).length;
  const binned = pictures.length - kept.length + binnedSets;
  return [
    { id: BUILT_IN_SET_ID, name: 'Lantern pageant figures', told: `${String(CATALOGUE.length)} views` },
    { id: CHANCE, name: 'Chance poses', told: 'as many as you like' },
    {
      id: LIBRARY_ID,
      name: 'All your pictures',
      told: kept.length === 0 ? 'none yet' : counted(kept.length, 'picture'),
    },
    ...sets.map((set) => {
      const figures = set.figures?.length ?? 0;
      const count = (perSet.get(set.id) ?? 0) + figures;
      const told = set.rule
        ? 'fills by a rule'
        : `${String(count)} ${figures > 0 && figures === count ? 'poses' : count === 1 ? 'picture' : 'pictures'}`;
      return { id: set.id, name: set.name, told };
    }),
    ...(later > 0 ? [{ id: LATER_ID, name: 'Later', told: counted(later, 'picture') }] : []),
    { id: COVERAGE, name: 'What I have drawn', told: 'and what is missing' },
    ...(binned > 0 ? [{ id: BIN, name: 'Bin', told: String(binned) }] : []),
  ];
}
