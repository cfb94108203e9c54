import type { Figure } from '@/core/figure/figure';
import { poseOf } from '@/core/figure/catalogue/reference';
import { figureReferenceId, type FigureReference } from '@/core/figure/catalogue/referenceId';
import { marginsFor, sceneOf, shownPositions } from '@/core/figure/picture/draft';
import { type Camera, cameraOf, project } from '@/core/figure/picture/raster';
import { contained, type Frame, frameFigure } from '@/core/figure/picture/view';
import { movedId } from '@/core/figure/poses/movedPose';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { asJoints, type JointPose } from '@/core/figure/skeleton/jointPose';
import { poseSkeleton } from '@/core/figure/skeleton/kinematics';
import { type HandleId, handlePlace, HANDLES, moveJoint, settleJoints } from '@/core/figure/skeleton/moveJoint';
import { add, dot, scale, sub, type Vec3 } from '@/core/figure/skeleton/vector';

/** What is seen of a figure that is taken hold of: pixels of the canvas it is shown in. */
export interface Held {
  /** The figure as it is now. */
  id: string;
  handles: { id: HandleId; x: number; y: number }[];
  /** Why the last move went no farther, or what came of settling; undefined when there is nothing to say. */
  told: string | undefined;
}

/** A figure that is taken hold of. */
export interface Hold {
  reference: () => FigureReference;
  /** Seen so for as long as it is held, however it moves. */
  frame: Frame;
  /** Where its handles are in a figure that was built of it. */
  see: (figure: Pick<Figure, 'rig'>, told?: string) => Held;
  /** Move a handle to a point of the canvas. @returns What stops it. */
  drag: (handle: HandleId, x: number, y: number, balanced: boolean) => string | undefined;
  /** Move a handle across the view, up it and toward the eye, head heights. */
  nudge: (handle: HandleId, by: Vec3, balanced: boolean) => string | undefined;
  settle: () => string;
}

/**
 * Take hold of a figure.
 * @param figure It as it is seen now.
 * @param size Of the canvas it is shown in, pixels.
 */
export function holdFigure(
  reference: FigureReference,
  figure: Figure,
  covered: boolean,
  size: { width: number; height: number },
): Hold {
  const build = BUILDS[reference.build];
  const points = shownPositions(sceneOf(figure, covered));
  const frame = contained(frameFigure(points, reference.view, marginsFor(figure, true)), size.width / size.height);
  const camera: Camera = cameraOf(frame, Math.max(size.width, size.height));
  let pose: JointPose = asJoints(poseOf(reference.poseId).pose, build);
  let rig = figure.rig;
  let moved = false;

  const move = (handle: HandleId, by: Vec3, balanced: boolean): string | undefined => {
    const { pose: next, stopped } = moveJoint(
      pose,
      build,
      handle,
      add(handlePlace(poseSkeleton(pose, build), handle), by),
      balanced,
    );
    pose = next;
    moved = true;
    return stopped;
  };
  const now = (): FigureReference =>
    moved ? { ...reference, poseId: movedId(reference.poseId, pose.joints, pose.root.pos) } : reference;
  return {
    reference: now,
    frame,
    see(built, told) {
      rig = built.rig;
      const handles = HANDLES.map(({ id }) => {
        const [x, y] = project(camera, handlePlace(rig, id));
        return { id, x, y };
      });
      return { id: figureReferenceId(now()), handles, told };
    },
    drag(handle, x, y, balanced) {
      // The hand moves in a plane that faces the eye.
      const { eye, right, up, backward } = camera;
      const at = handlePlace(rig, handle);
      const depth = -dot(sub(at, eye), backward);
      const u = x / camera.scale + camera.left;
      const v = camera.top - y / camera.scale;
      const to = add(eye, scale(sub(add(scale(right, u), scale(up, v)), backward), depth));
      return move(handle, sub(to, at), balanced);
    },
    nudge: (handle, [across, upward, toward], balanced) =>
      move(
        handle,
        add(add(scale(camera.right, across), scale(camera.up, upward)), scale(camera.backward, toward)),
        balanced,
      ),
    settle() {
      const { pose: next, told } = settleJoints(pose, build);
      pose = next;
      moved = true;
      return told;
    },
  };
}
