import type { Given } from './stage';

/** Files chosen one by one or as a folder: then with the path inside it. */
export const fromInput = (files: FileList | null): Given[] =>
  [...(files ?? [])].map((file) => ({ file, name: file.webkitRelativePath || file.name || 'Pasted picture' }));

const fileOf = (entry: FileSystemFileEntry): Promise<File> =>
  new Promise((resolve, reject) => {
    entry.file(resolve, reject);
  });

/** All entries of a directory: a reader hands them out about a hundred at a time. */
async function entriesOf(directory: FileSystemDirectoryEntry): Promise<FileSystemEntry[]> {
  const reader = directory.createReader();
  const out: FileSystemEntry[] = [];
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => {
      reader.readEntries(resolve, reject);
    });
    if (some.length === 0) return out;
    out.push(...some);
  }
}

async function filesUnder(entry: FileSystemEntry, path: string): Promise<Given[]> {
  if (entry.name.startsWith('.')) return [];
  const name = `${path}${entry.name}`;
  if (entry.isFile) return [{ file: await fileOf(entry as FileSystemFileEntry), name }];
  const inside = await entriesOf(entry as FileSystemDirectoryEntry);
  const all: Given[] = [];
  for (const child of inside) all.push(...(await filesUnder(child, `${name}/`)));
  return all;
}

/** Files and folders dropped or pasted. Must be called within the event: the transfer is empty after it. */
export function fromTransfer(transfer: DataTransfer | null): Promise<Given[]> {
  if (!transfer) return Promise.resolve([]);
  const entries = [...transfer.items].map((item) => item.webkitGetAsEntry?.() ?? null);
  const files = [...transfer.files];
  if (entries.some((entry) => entry?.isDirectory))
    return Promise.all(entries.filter((e) => e !== null).map((entry) => filesUnder(entry, ''))).then((all) =>
      all.flat(),
    );
  return Promise.resolve(files.map((file) => ({ file, name: file.name || 'Pasted picture' })));
}
