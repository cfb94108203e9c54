'use client';
import { useRouter, useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { CATALOGUE } from '@/core/figure/catalogue';
import { builtInSet, BUILT_IN_SETS } from '@/core/references/builtIn';
import { BUILT_IN_SET_ID, type PictureSet } from '@/core/references/picture';
import { binSet, listPictures, listSets, saveSet } from '@/storage/pictures';
import { storageProblem } from '@/storage/problems';
import { saveSetting } from '@/storage/settings';
import { useStored } from '@/storage/useStored';
import { Notice } from '@/ui/Notice';
import { BuiltInFigures } from './BuiltInFigures';
import { ChanceFigures } from './ChanceFigures';
import { MotionImport } from './MotionImport';
import { NewSet } from './NewSet';
import { OwnSet } from './OwnSet';
import { Shelf } from './Shelf';

async function setsWithCounts(): Promise<{ set: PictureSet; count: number }[]> {
  const sets = await listSets();
  return Promise.all(
    sets.map(async (set) => ({ set, count: (await listPictures(set.id)).length + (set.figures?.length ?? 0) })),
  );
}

const CHANCE = 'chance';

const countWords = (set: PictureSet, count: number): string =>
  `${String(count)} ${set.figures && set.figures.length === count ? 'poses' : count === 1 ? 'picture' : 'pictures'}`;

export function Poses() {
  const router = useRouter();
  const wanted = useSearchParams().get('set') ?? BUILT_IN_SET_ID;
  const sets = useStored(setsWithCounts, ['sets', 'pictures'], []);
  const [adding, setAdding] = useState<'set' | 'file'>();
  const open = sets.value?.find(({ set }) => set.id === wanted);
  const fail = (error: unknown): void => {
    toast.error(storageProblem(error));
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
      toast(`“${set.name}” is in the bin for 30 days.`, {
        action: { label: 'Put back', onClick: () => void binSet(set.id, null).then(() => show(set.id), fail) },
      });
    }, fail);
  };

  return (
    <>
      <h1 className="sr-only">Poses</h1>
      {sets.problem && <Notice>{sets.problem}</Notice>}
      <Shelf
        current={open?.set.id ?? (wanted === CHANCE ? CHANCE : BUILT_IN_SET_ID)}
        entries={[
          { id: BUILT_IN_SET_ID, name: 'Lantern pageant figures', told: `${String(CATALOGUE.length)} views` },
          { id: CHANCE, name: 'Chance poses', told: 'as many as you like' },
          ...(sets.value ?? []).map(({ set, count }) => ({ id: set.id, name: set.name, told: countWords(set, count) })),
        ]}
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
      {open ? (
        <OwnSet
          key={open.set.id}
          set={open.set}
          onPractice={() => practice(open.set.id)}
          onPutAway={() => putAway(open.set)}
        />
      ) : wanted === CHANCE ? (
        <ChanceFigures onKept={show} />
      ) : (
        <BuiltInFigures
          set={builtInSet(wanted) ?? BUILT_IN_SETS[0]}
          onPractice={() => practice((builtInSet(wanted) ?? BUILT_IN_SETS[0]).id)}
          onAddOwn={() => setAdding('set')}
        />
      )}
    </>
  );
}
