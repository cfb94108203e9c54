'use client';
import { catalogued } from '@/core/figure/catalogue/catalogue';
import { useHidden } from '@/storage/references/hiddenReference';
import { smallPictureUrl } from '@/storage/references/references';
import { useCovered } from './useCovered';

/** Addresses of small pictures of figures in the sets, covered where the screen is shared; none while drawn from memory. */
export function useSmallPictureUrl(): (referenceId: string) => string | undefined {
  const covered = useCovered();
  const isHidden = useHidden();
  return (referenceId) => {
    const entry = isHidden(referenceId) ? undefined : catalogued(referenceId);
    return entry && covered !== undefined ? smallPictureUrl(entry, covered) : undefined;
  };
}
