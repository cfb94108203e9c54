'use client';
import { Camera, FileArchive, FolderOpen, FolderSync, ImagePlus } from 'lucide-react';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { canLinkFolders } from '@/storage/folders';
import type { Given } from '@/storage/intake/stage';
import { fromInput } from './givenFiles';

const PICTURES = 'image/*,.heic,.heif,.avif';

/** All the ways to bring pictures in, behind one button. */
export function AddPictures({
  give,
  onLink,
}: {
  give: (files: readonly Given[]) => void;
  /** Link a folder that stays on disk. */
  onLink: () => void;
}) {
  const menu = useRef<HTMLDetailsElement>(null);
  const [linkable, setLinkable] = useState(false);
  const inputs = {
    files: useRef<HTMLInputElement>(null),
    folder: useRef<HTMLInputElement>(null),
    camera: useRef<HTMLInputElement>(null),
    zip: useRef<HTMLInputElement>(null),
  };
  useEffect(() => {
    const timer = setTimeout(() => setLinkable(canLinkFolders()));
    const closeOutside = (event: PointerEvent): void => {
      if (menu.current?.open && !menu.current.contains(event.target as Node)) menu.current.open = false;
    };
    document.addEventListener('pointerdown', closeOutside);
    return () => {
      clearTimeout(timer);
      document.removeEventListener('pointerdown', closeOutside);
    };
  }, []);
  const close = (): void => {
    if (menu.current) menu.current.open = false;
  };
  const entry = (icon: ReactNode, words: string, told: string, onChoose: () => void) => (
    <li>
      <button
        type="button"
        className="flex w-full items-center gap-3 px-3 py-2 text-left hover:bg-base-300 max-sm:py-3"
        onClick={() => {
          close();
          onChoose();
        }}
      >
        {icon}
        <span>
          <span className="block font-semibold">{words}</span>
          <span className="block text-[13px] text-quiet">{told}</span>
        </span>
      </button>
    </li>
  );
  const chooser = (
    name: keyof typeof inputs,
    label: string,
    accept: string,
    more: Record<string, string | boolean>,
  ) => (
    <input
      ref={inputs[name]}
      type="file"
      hidden
      aria-label={label}
      accept={accept}
      {...more}
      onChange={(event) => {
        give(fromInput(event.currentTarget.files));
        event.currentTarget.value = '';
      }}
    />
  );
  return (
    <div className="flex">
      <details
        ref={menu}
        className="relative"
        onKeyDown={(event) => {
          if (event.key === 'Escape') close();
        }}
      >
        <summary className="btn-quiet btn list-none max-sm:h-14">
          <ImagePlus size={17} aria-hidden /> Add pictures
        </summary>
        <ul className="absolute right-0 z-20 mt-1 w-[300px] border border-ink bg-sheet py-1 max-sm:right-auto max-sm:left-0">
          {entry(<ImagePlus size={18} aria-hidden />, 'Pictures', 'Choose files; you can also drop or paste them', () =>
            inputs.files.current?.click(),
          )}
          {entry(<FolderOpen size={18} aria-hidden />, 'A folder', 'Everything in it is copied in', () =>
            inputs.folder.current?.click(),
          )}
          {entry(<FileArchive size={18} aria-hidden />, 'A ZIP', 'Unpacked here', () => inputs.zip.current?.click())}
          {entry(<Camera size={18} aria-hidden />, 'The camera', 'Photograph what is before you', () =>
            inputs.camera.current?.click(),
          )}
          {linkable &&
            entry(
              <FolderSync size={18} aria-hidden />,
              'A folder that stays on disk',
              'Read from where it is, as a set of its own',
              onLink,
            )}
        </ul>
      </details>
      {chooser('files', 'Choose pictures', PICTURES, { multiple: true })}
      {chooser('folder', 'Choose a folder', '', { multiple: true, webkitdirectory: '' })}
      {chooser('zip', 'Choose a ZIP', '.zip,application/zip', { multiple: true })}
      {chooser('camera', 'Take a photograph', 'image/*', { capture: 'environment' })}
    </div>
  );
}
