'use client';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { StandingPicture } from '@/ui/StandingPicture';

export function StandingReference(props: { referenceId: string | null; width: number; every: number }) {
  return <StandingPicture {...props} url={useReferenceThumbnail(props.referenceId)} />;
}
