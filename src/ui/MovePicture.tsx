import type { ComponentProps } from 'react';
import { MOVE_PICTURES } from '@/core/practice/start/warmUp';

const FADES = { above: 'fades-above', below: 'fades-below' } as const;

/**
 * One picture of a warm-up move. An arm that leaves the picture fades out at its edge.
 * @param move A name in `MOVE_PICTURES`.
 * @param frame Which of its pictures, from 0.
 */
export function MovePicture({
  move,
  frame,
  className = '',
  ...image
}: { move: string; frame: number } & ComponentProps<'img'>) {
  const { file, armLeaves } = MOVE_PICTURES[move];
  return (
    <img
      src={`/figures/moves/${file}-${String(frame + 1)}.webp`}
      alt=""
      className={`${armLeaves ? FADES[armLeaves] : ''} ${className}`}
      {...image}
    />
  );
}
