'use client';
import { Camera, FileArchive, FolderOpen, FolderSync, ImagePlus } from 'lucide-react';
import { type ReactNode, useEffect, useState } from 'react';
import { canLinkFolders } from '@/storage/pictures/folders';
import type { Given } from '@/storage/pictures/intake/stage';
import { fromInput } from '@/storage/pictures/intake/givenFiles';
import { Menu } from './Menu';

const WAYS = [
  {
    Icon: ImagePlus,
    words: 'Pictures',
    told: 'Choose files; you can also drop or paste them',
    label: 'Choose pictures',
    input: { accept: 'image/*,.heic,.heif,.avif', multiple: true },
  },
  {
    Icon: FolderOpen,
    words: 'A folder',
    told: 'Everything in it is copied in',
    label: 'Choose a folder',
    input: { multiple: true, webkitdirectory: '' },
  },
  {
    Icon: FileArchive,
    words: 'A ZIP',
    told: 'Unpacked here',
    label: 'Choose a ZIP',
    input: { accept: '.zip,application/zip', multiple: true },
  },
  {
    Icon: Camera,
    words: 'The camera',
    told: 'Photograph what is before you',
    label: 'Take a photograph',
    input: { accept: 'image/*', capture: 'environment' as const },
  },
] as const;

function Way({ icon, words, told }: { icon: ReactNode; words: string; told: string }) {
  return (
    <>
      {icon}
      <span>
        <span className="block font-semibold">{words}</span>
        <span className="block text-[13px] text-quiet">{told}</span>
      </span>
    </>
  );
}
const ROW =
  'flex w-full cursor-pointer items-center gap-3 px-1 py-2 text-left hover:bg-base-300 has-focus-visible:outline-2 has-focus-visible:outline-ink max-sm:py-3';

/** All the ways to bring pictures in, behind one button. */
export function AddPictures({
  give,
  onLink,
}: {
  give: (files: readonly Given[]) => void;
  /** Link a folder that stays on disk. */
  onLink: () => void;
}) {
  const [linkable, setLinkable] = useState(false);
  useEffect(() => {
    // Only the browser knows, so not before the page stands.
    const timer = setTimeout(() => setLinkable(canLinkFolders()));
    return () => clearTimeout(timer);
  }, []);
  return (
    <Menu
      className="max-sm:h-14"
      label={
        <>
          <ImagePlus size={17} aria-hidden /> Add pictures
        </>
      }
    >
      <ul>
        {WAYS.map(({ Icon, words, told, label, input }) => (
          <li key={words}>
            <label className={ROW} data-closes>
              <Way icon={<Icon size={18} aria-hidden />} words={words} told={told} />
              <input
                type="file"
                className="sr-only"
                aria-label={label}
                {...input}
                onChange={(event) => {
                  give(fromInput(event.currentTarget.files));
                  event.currentTarget.value = '';
                }}
              />
            </label>
          </li>
        ))}
        {linkable && (
          <li>
            <button type="button" className={ROW} data-closes onClick={onLink}>
              <Way
                icon={<FolderSync size={18} aria-hidden />}
                words="A folder that stays on disk"
                told="Read from where it is, as a set of its own"
              />
            </button>
          </li>
        )}
      </ul>
    </Menu>
  );
}
