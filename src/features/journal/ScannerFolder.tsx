'use client';
import { FolderInput } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { arrivals, type SeenFile, watchFrom, type Watched } from '@/core/desk/arrivals';
import { counted } from '@/core/words';
import { chooseFolder, filesIn } from '@/storage/pictures/folders';

/** Between two looks into the folder. */
const LOOK_EVERY_MS = 2000;

/** The files of a folder by their path, and how each of them is seen. */
async function look(folder: FileSystemDirectoryHandle): Promise<{ files: Map<string, File>; seen: SeenFile[] }> {
  const files = new Map<string, File>();
  for await (const { path, file } of filesIn(folder)) files.set(path, file);
  const seen = [...files].map(([name, { size, lastModified }]): SeenFile => ({ name, size, modifiedMs: lastModified }));
  return { files, seen };
}

/** A folder that a scanner fills: whatever lands there is put away, as long as one stays here. */
export function ScannerFolder({ onFiles }: { onFiles: (files: File[]) => void }) {
  const [folder, setFolder] = useState<FileSystemDirectoryHandle>();
  const [arrived, setArrived] = useState(0);
  const [gone, setGone] = useState(false);
  const told = useRef(onFiles);
  useEffect(() => {
    told.current = onFiles;
  });
  useEffect(() => {
    if (!folder) return;
    let current = true;
    let watched: Watched | undefined;
    let timer: ReturnType<typeof setTimeout>;
    const watch = async (): Promise<void> => {
      const { files, seen } = await look(folder);
      if (!current) return;
      if (!watched) watched = watchFrom(seen);
      else {
        const now = arrivals(watched, seen);
        watched = now.watched;
        const some = now.arrived.flatMap(({ name }) => files.get(name) ?? []);
        if (some.length > 0) {
          setArrived((count) => count + some.length);
          told.current(some);
        }
      }
      timer = setTimeout(() => void watch().catch(fail), LOOK_EVERY_MS);
    };
    const fail = (): void => {
      if (!current) return;
      setGone(true);
      setFolder(undefined);
    };
    watch().catch(fail);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [folder]);
  if (!folder)
    return (
      <>
        <button
          type="button"
          className="btn-quiet btn max-sm:h-14"
          onClick={() => {
            setGone(false);
            setArrived(0);
            chooseFolder().then(setFolder, () => setGone(true));
          }}
        >
          <FolderInput size={17} aria-hidden /> A scanner’s folder
        </button>
        {gone && (
          <p role="status" className="w-full text-[14px]">
            The folder cannot be read any more. What came from it is kept.
          </p>
        )}
      </>
    );
  return (
    <>
      <button type="button" className="btn max-sm:h-14" onClick={() => setFolder(undefined)}>
        Stop watching “{folder.name}”
      </button>
      <p role="status" className="w-full text-[14px] text-quiet">
        {arrived === 0
          ? 'Scan now: what lands in the folder from now on is put away here.'
          : `${counted(arrived, 'page')} came from the folder.`}
      </p>
    </>
  );
}
