import type { Picture } from '@/core/references/picture';
import { announce } from '@/storage/changes';
import { atomically, db, put } from '@/storage/db';
import type { Folder } from '@/storage/stores';
import { changePictures } from './pictures';

/** File System Access is not in every browser, nor in every version of TypeScript's DOM types. */
interface PermissionHandle {
  queryPermission?: (options: { mode: 'read' }) => Promise<PermissionState>;
  requestPermission?: (options: { mode: 'read' }) => Promise<PermissionState>;
}
interface Chooser {
  showDirectoryPicker?: (options: { mode: 'read' }) => Promise<FileSystemDirectoryHandle>;
}

export const canLinkFolders = (): boolean =>
  typeof window !== 'undefined' && typeof (window as Chooser).showDirectoryPicker === 'function';

/** Ask for a folder. @returns undefined when the learner changed their mind. */
export async function chooseFolder(): Promise<FileSystemDirectoryHandle | undefined> {
  try {
    return await (window as Chooser).showDirectoryPicker?.({ mode: 'read' });
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return undefined;
    throw error;
  }
}

export async function keepFolder(folder: Folder): Promise<void> {
  await atomically(['folders'], (tx) => put(tx, 'folders', folder));
  announce('folders');
}
export async function loadFolder(id: string): Promise<Folder | undefined> {
  return (await db()).get('folders', id);
}

/** Whether the folder may be read now. @param ask Only from a click: the browser then asks the learner. */
export async function mayRead({ handle }: Folder, ask: boolean): Promise<boolean> {
  const { queryPermission, requestPermission } = handle as PermissionHandle;
  const state = (await queryPermission?.call(handle, { mode: 'read' })) ?? 'granted';
  if (state === 'granted' || !ask) return state === 'granted';
  return (await requestPermission?.call(handle, { mode: 'read' })) === 'granted';
}

interface FolderFile {
  path: string;
  file: File;
}
const MAX_FOLDER_FILES = 20_000;

/** Files in a folder and the folders in it, by path; hidden ones are left out. */
export async function* filesIn(directory: FileSystemDirectoryHandle, path = ''): AsyncGenerator<FolderFile> {
  for await (const [name, entry] of directory as unknown as AsyncIterable<[string, FileSystemHandle]>) {
    if (name.startsWith('.')) continue;
    if (entry.kind === 'directory') yield* filesIn(entry as FileSystemDirectoryHandle, `${path}${name}/`);
    else yield { path: `${path}${name}`, file: await (entry as FileSystemFileHandle).getFile() };
  }
}

export interface FolderScan {
  /** Not known yet, or changed since they were read. */
  fresh: FolderFile[];
  /** Pictures whose file is no longer there. */
  gone: string[];
  /** Pictures whose file is there again. */
  back: string[];
  /** Pictures whose file was written anew: their place holds a `fresh` one. */
  replaced: string[];
}

/** Compare a folder with what is known of it. @throws when it can no longer be read. */
export async function scanFolder(folder: Folder, pictures: readonly Picture[]): Promise<FolderScan> {
  const known = new Map(
    pictures.filter((p) => p.inFolder?.folderId === folder.id).map((p) => [p.inFolder?.path ?? '', p]),
  );
  const scan: FolderScan = { fresh: [], gone: [], back: [], replaced: [] };
  const met = new Set<string>();
  for await (const entry of filesIn(folder.handle)) {
    if (met.size >= MAX_FOLDER_FILES) break;
    met.add(entry.path);
    const picture = known.get(entry.path);
    const same =
      picture?.inFolder?.bytes === entry.file.size && picture.inFolder.modifiedMs === entry.file.lastModified;
    if (!picture || !same) scan.fresh.push(entry);
    if (picture && !same) scan.replaced.push(picture.id);
    else if (picture?.inFolder?.gone) scan.back.push(picture.id);
  }
  for (const [path, { id, inFolder }] of known) if (!met.has(path) && !inFolder?.gone) scan.gone.push(id);
  return scan;
}

/** Mark pictures whose files went or came back. */
export async function markGone(ids: readonly string[], gone: boolean): Promise<void> {
  await changePictures(ids, ({ inFolder }) => (inFolder ? { inFolder: { ...inFolder, gone } } : {}));
}

/** The file of a picture that stays in a folder on disk; undefined when it cannot be read now. */
export async function folderImage({ inFolder }: Picture): Promise<Blob | undefined> {
  if (!inFolder) return undefined;
  const folder = await loadFolder(inFolder.folderId);
  if (!folder || !(await mayRead(folder, false))) return undefined;
  try {
    const parts = inFolder.path.split('/');
    let directory = folder.handle;
    for (const part of parts.slice(0, -1)) directory = await directory.getDirectoryHandle(part);
    return await (await directory.getFileHandle(parts[parts.length - 1])).getFile();
  } catch {
    return undefined;
  }
}
