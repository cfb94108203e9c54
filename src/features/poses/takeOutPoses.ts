import { toastProblem } from '@/ui/toast/toast';
import { describeFigures } from '@/storage/references/describeFigures';
import { download } from '@/ui/download';

/** Save figures as a file of poses. */
export function takeOutPoses(name: string, ids: readonly string[]): void {
  // Fetched when asked for: it brings every pose along.
  Promise.all([describeFigures(ids), import('@/core/interchange/poseSet')]).then(
    ([described, { poseSetJson }]) =>
      download(new Blob([poseSetJson(name, described)], { type: 'application/json' }), 'fox-minute-poses.json'),
    () => toastProblem('The file could not be made here. Nothing else has changed; try again.'),
  );
}
