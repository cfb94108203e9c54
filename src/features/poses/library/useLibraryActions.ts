'use client';
import { useMemo } from 'react';
import { toast, toastProblem } from '@/ui/toast/toast';
import { FACT_WORDS, type FactName } from '@/core/references/facts';
import type { Picture, PictureSet, Rights } from '@/core/references/picture';
import { counted } from '@/core/words';
import { alterPictures, alterSet, type Done, undoLast } from '@/storage/pictures/history';
import { storageProblem } from '@/storage/problems';

const fail = (error: unknown): void => {
  toastProblem(storageProblem(error));
};

/** Say what was done, with undoing it at hand. */
export function told(work: Promise<void>, words: string): void {
  work.then(
    () =>
      toast(`${words}.`, {
        action: {
          label: 'Undo',
          onClick: () => {
            undoLast().then((done: Done | undefined) => done && toast(`Undone: ${done.words}.`), fail);
          },
        },
      }),
    fail,
  );
}

export interface LibraryActions {
  bin: (ids: readonly string[]) => void;
  putBack: (ids: readonly string[]) => void;
  correct: (ids: readonly string[], name: FactName, value: string | undefined) => void;
  addTheme: (ids: readonly string[], theme: string) => void;
  removeTheme: (ids: readonly string[], theme: string) => void;
  setLicense: (ids: readonly string[], license: Rights['license']) => void;
  setRights: (ids: readonly string[], part: Partial<Rights>) => void;
  putIntoSet: (ids: readonly string[], set: PictureSet) => void;
  takeOutOfSet: (ids: readonly string[], set: PictureSet) => void;
  later: (ids: readonly string[], on: boolean) => void;
  pin: (set: PictureSet, ids: readonly string[], on: boolean) => void;
  felt: (ids: readonly string[], by: 1 | -1) => void;
  keepBeside: (group: readonly Picture[]) => void;
  order: (set: PictureSet, ids: readonly string[]) => void;
}

/** Everything that is done to pictures from Poses, each told and each to be undone. */
export function useLibraryActions(): LibraryActions {
  return useMemo((): LibraryActions => {
    const alter = (words: string, ids: readonly string[], update: (p: Picture) => Partial<Picture>): void =>
      told(alterPictures(words, ids, update), words);
    const many = (ids: readonly string[]): string => counted(ids.length, 'picture');
    return {
      bin: (ids) => alter(`${many(ids)} put in the bin for 30 days`, ids, () => ({ binnedAtMs: Date.now() })),
      putBack: (ids) => alter(`${many(ids)} put back`, ids, () => ({ binnedAtMs: null })),
      correct: (ids, name, value) =>
        alter(`${FACT_WORDS[name]} of ${many(ids)} ${value === undefined ? 'as found' : 'said'}`, ids, (p) => {
          const others = Object.fromEntries(Object.entries(p.corrected).filter(([n]) => n !== name));
          return { corrected: value === undefined ? others : { ...others, [name]: value } };
        }),
      addTheme: (ids, theme) =>
        alter(`${many(ids)} given the theme ${theme}`, ids, (p) => ({ tags: [...new Set([...p.tags, theme])] })),
      removeTheme: (ids, theme) =>
        alter(`Theme ${theme} taken off ${many(ids)}`, ids, (p) => ({ tags: p.tags.filter((t) => t !== theme) })),
      setLicense: (ids, license) =>
        alter(`Rights of ${many(ids)} said`, ids, (p) => ({ rights: { ...p.rights, license } })),
      setRights: (ids, part) =>
        alter(`Rights of ${many(ids)} said`, ids, (p) => ({ rights: { ...p.rights, ...part } })),
      putIntoSet: (ids, set) =>
        alter(`${many(ids)} put into “${set.name}”`, ids, (p) => ({ setIds: [...new Set([...p.setIds, set.id])] })),
      takeOutOfSet: (ids, set) =>
        alter(`${many(ids)} taken out of “${set.name}”`, ids, (p) => ({
          setIds: p.setIds.filter((id) => id !== set.id),
        })),
      later: (ids, on) =>
        alter(on ? `${many(ids)} put on the later shelf` : `${many(ids)} taken off the later shelf`, ids, () => ({
          laterAtMs: on ? Date.now() : null,
        })),
      pin: (set, ids, on) => {
        const others = (set.pins ?? []).filter((id) => !ids.includes(id));
        const words = on ? `${many(ids)} pinned: every pick takes them` : `${many(ids)} unpinned`;
        told(alterSet(words, { ...set, pins: on ? [...others, ...ids] : others }, Date.now()), words);
      },
      felt: (ids, by) =>
        alter(by > 0 ? 'Harder than expected, noted' : 'Easier than expected, noted', ids, (p) => ({
          felt: Math.max(-100, Math.min(100, p.felt + by)),
        })),
      keepBeside: (group) =>
        alter(
          'Alike pictures kept beside each other',
          group.map((p) => p.id),
          (p) => ({
            keptBeside: [...new Set([...p.keptBeside, ...group.map((g) => g.id).filter((id) => id !== p.id)])],
          }),
        ),
      order: (set, ids) => {
        alterSet('Order changed', { ...set, order: [...ids] }, Date.now()).catch(fail);
      },
    };
  }, []);
}
