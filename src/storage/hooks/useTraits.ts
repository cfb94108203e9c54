'use client';
import { mirroredLight, type PictureTraits } from '@/core/practice/rules/pictureCues';
import { traitsOfFigure, traitsOfPicture } from '@/storage/references/traits';
import { useStored } from './useStored';

const NOTHING: PictureTraits = {};

/** What of a reference calls for a word before it is drawn; nothing until that is known. @param mirrored It is seen in a mirror. */
export function useTraits(referenceId: string | null, mirrored: boolean): PictureTraits {
  const known = referenceId === null ? NOTHING : traitsOfFigure(referenceId);
  const read = useStored(
    async () => (referenceId === null || known !== undefined ? NOTHING : traitsOfPicture(referenceId)),
    ['pictures'],
    [referenceId],
  );
  const traits = known ?? read.value ?? NOTHING;
  return mirrored && traits.lightFrom ? { ...traits, lightFrom: mirroredLight(traits.lightFrom) } : traits;
}
