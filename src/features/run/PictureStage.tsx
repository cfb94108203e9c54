'use client';
import { useEffect, useRef } from 'react';

/** A decoded picture on a canvas that fills its place; drawn while hidden, so that showing it is only a change of visibility. */
export function PictureStage({
  bitmap,
  visible,
  dim,
  aside,
  label,
}: {
  bitmap: ImageBitmap;
  visible: boolean;
  dim: boolean;
  /** Shown beside words, not alone. */
  aside: boolean;
  label: string;
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
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      aria-hidden={!visible}
      className={`absolute inset-0 h-full w-full object-contain px-[34px] py-[30px] ${visible ? '' : 'invisible'} ${dim ? 'opacity-45' : ''} ${aside ? 'sm:object-[88%_50%]' : 'sm:object-[62%_50%]'}`}
    />
  );
}
