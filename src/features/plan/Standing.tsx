'use client';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { StandingPicture } from '@/ui/StandingPicture';

/** The reference of a pose on its cell; several small ones stand for every pose of a narrow block. */
export function Standing(props: { referenceId: string | null; width: number; every: number }) {
  return <StandingPicture {...props} url={useReferenceThumbnail(props.referenceId)} />;
}
