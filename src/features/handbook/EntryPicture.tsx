'use client';
import { useSmallPictureUrl } from '@/storage/hooks/useSmallPictureUrl';
import { ExercisePicture } from '@/ui/ExercisePicture';

/** The picture of an exercise beside its entry. */
export function EntryPicture({ exercise }: { exercise: string }) {
  const urlOf = useSmallPictureUrl();
  return <ExercisePicture exercise={exercise} height={150} maxWidth={110} urlOf={urlOf} />;
}
