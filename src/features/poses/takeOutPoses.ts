import { toastProblem } from '@/ui/toast/toast';
import { poseSetJson } from '@/core/interchange/poseSet';
import { describeFigures } from '@/storage/references/describeFigures';
import { download } from '@/ui/download';

/** Save figures as a file of poses. */
export function takeOutPoses(name: string, ids: readonly string[]): void {
  describeFigures(ids).then(
    (described) =>
      download(new Blob([poseSetJson(name, described)], { type: 'application/json' }), 'fox-minute-poses.json'),
    () => toastProblem('The file could not be made here. Nothing else has changed; try again.'),
  );
}
