'use client';
import { type ReactNode, useEffect, useRef } from 'react';
import { type Rect, type Turned, turnedStyle } from '@/core/seeing/place';

/**
 * A decoded picture on a canvas in its place; drawn while hidden, so that showing it is only a change of visibility, and seen otherwise
 * only by what the compositor does with it.
 */
export function PictureStage({
  bitmap,
  place,
  turned,
  filter,
  ground,
  visible,
  dim,
  label,
  children,
}: {
  bitmap: ImageBitmap;
  place: Rect;
  turned: Turned;
  filter: string | undefined;
  /** What is transparent is filled with the plate's color before it is filtered: so many values, and no more. */
  ground: boolean;
  visible: boolean;
  dim: boolean;
  label: string;
  /** Drawn over it, turned with it. */
  children?: ReactNode;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    element.width = bitmap.width;
    element.height = bitmap.height;
    element.getContext('2d')?.drawImage(bitmap, 0, 0);
  }, [bitmap]);
  return (
    <div
      className={`absolute origin-center ${visible ? '' : 'invisible'} ${dim ? 'opacity-45' : ''}`}
      style={{ left: place.x, top: place.y, width: place.width, height: place.height, transform: turnedStyle(turned) }}
    >
      <canvas
        ref={canvas}
        role="img"
        aria-label={label}
        aria-hidden={!visible}
        style={{ filter, background: ground ? 'var(--plate)' : undefined }}
        className="h-full w-full"
      />
      {visible && children}
    </div>
  );
}
