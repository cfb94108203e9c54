import type { ReactNode } from 'react';
import { LATER_ID, LIBRARY_ID, type PictureSet } from '@/core/references/picture';

/** A place without pictures, and what to do about it. */
export function EmptyPlace({
  placeId,
  set,
  hasLibrary,
  onLibrary,
  add,
}: {
  placeId: string;
  set: PictureSet | undefined;
  hasLibrary: boolean;
  onLibrary: () => void;
  /** The ways to bring pictures in. */
  add: ReactNode;
}) {
  const title =
    placeId === LATER_ID ? 'Nothing waits here' : placeId === LIBRARY_ID ? 'No pictures yet' : 'An empty set';
  return (
    <div className="grid min-h-[260px] place-content-center justify-items-center gap-2 border border-dashed border-rule p-8 text-center">
      <p className="font-serif text-[22px]">{title}</p>
      {placeId === LATER_ID ? (
        <p className="max-w-[52ch]">
          Pictures you chose and did not get round to come here, and whatever you put here yourself.
        </p>
      ) : set?.rule ? (
        <p className="max-w-[52ch]">No picture you have fits its rule now. It fills by itself as pictures come in.</p>
      ) : set?.folderId ? (
        <p className="max-w-[52ch]">No pictures were found in the folder.</p>
      ) : (
        <>
          <p className="max-w-[56ch]">
            Choose pictures or a whole folder, drop them anywhere on this page, or paste one. JPEG, PNG, WebP, AVIF, GIF
            and HEIC, or a ZIP of them. They stay in this browser as they are, up to 24 megapixels each; where they were
            taken is left out.
          </p>
          <p className="max-w-[52ch] text-[14px] text-quiet">
            Pictures of people only with their permission or a license that allows it.
          </p>
          <div className="mt-2 text-left">{add}</div>
          {set && hasLibrary && (
            <button type="button" className="btn-quiet btn mt-2" onClick={onLibrary}>
              Choose from all your pictures
            </button>
          )}
        </>
      )}
    </div>
  );
}
