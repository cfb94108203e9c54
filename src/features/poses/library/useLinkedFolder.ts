'use client';
import { useCallback, useEffect, useState } from 'react';
import type { Picture, PictureSet } from '@/core/references/picture';
import { counted } from '@/core/words';
import type { Folder } from '@/storage/stores';
import { chooseFolder, keepFolder, loadFolder, markGone, mayRead, scanFolder } from '@/storage/pictures/folders';
import { stageFiles } from '@/storage/pictures/intake/stage';
import { changePictures, listPictures, saveSet } from '@/storage/pictures/pictures';

export type LinkState = 'none' | 'asleep' | 'reading' | 'open' | 'gone';

/** Link a folder as a set of its own. @returns The set's id, or undefined when the learner changed their mind. */
export async function linkFolder(nowMs: number): Promise<string | undefined> {
  const handle = await chooseFolder();
  if (!handle) return undefined;
  const folder: Folder = { id: crypto.randomUUID(), name: handle.name, setId: crypto.randomUUID(), handle };
  await keepFolder(folder);
  await saveSet({
    id: folder.setId,
    name: handle.name.slice(0, 80).trim() || 'Folder',
    createdAtMs: nowMs,
    binnedAtMs: null,
    folderId: folder.id,
  });
  return folder.setId;
}

/** Bring a linked set up to date with its folder. @returns What changed, in words. */
async function update(folder: Folder, set: PictureSet, kick: () => void): Promise<string> {
  const pictures: Picture[] = await listPictures(set.id);
  const { fresh, gone, back, replaced } = await scanFolder(folder, pictures);
  if (gone.length > 0) await markGone(gone, true);
  if (back.length > 0) await markGone(back, false);
  // What was said of a picture stays with its old version; the new one is read anew.
  if (replaced.length > 0)
    await changePictures(replaced, ({ setIds }) => ({
      setIds: setIds.filter((id) => id !== set.id),
      binnedAtMs: Date.now(),
    }));
  if (fresh.length > 0)
    await stageFiles(
      fresh.map(({ path, file }) => ({
        file,
        name: path,
        inFolder: { folderId: folder.id, path, bytes: file.size, modifiedMs: file.lastModified, gone: false },
      })),
      set.id,
      null,
      Date.now(),
      kick,
    );
  const parts = [
    fresh.length > replaced.length ? counted(fresh.length - replaced.length, 'new picture') : '',
    replaced.length > 0 ? `${counted(replaced.length, 'picture')} changed on disk and read again` : '',
    gone.length > 0 ? `${counted(gone.length, 'picture')} no longer in the folder` : '',
  ].filter(Boolean);
  return parts.join('; ');
}

/** The folder a set mirrors: opened again with one press after the browser was closed, and compared with what is known of it. */
export function useLinkedFolder(
  set: PictureSet | undefined,
  kick: () => void,
): { state: LinkState; told: string; open: () => void } {
  const [state, setState] = useState<LinkState>('none');
  const [told, setTold] = useState('');
  const open = useCallback(
    async (ask: boolean): Promise<void> => {
      const folder = set?.folderId ? await loadFolder(set.folderId) : undefined;
      if (!set || !folder) return;
      if (!(await mayRead(folder, ask))) {
        setState('asleep');
        return;
      }
      setState('reading');
      try {
        setTold(await update(folder, set, kick));
        setState('open');
      } catch {
        setState('gone');
      }
    },
    [set, kick],
  );
  const id = set?.id;
  useEffect(() => {
    const timer = setTimeout(() => void open(false).catch(() => setState('gone')));
    return () => clearTimeout(timer);
  }, [id]); // eslint-disable-line react-hooks/exhaustive-deps -- once for each set shown, not whenever its record changes
  return { state, told, open: () => void open(true).catch(() => setState('gone')) };
}
