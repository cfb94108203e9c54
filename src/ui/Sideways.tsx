'use client';
import { type ReactNode, useEffect, useRef } from 'react';

/** A drawing that goes sideways where there is little width: its newest end is seen first, and its scale stays where it is. */
export function Sideways({
  label,
  scale,
  width,
  children,
}: {
  label: string;
  scale: ReactNode;
  /** Of what goes sideways, pixels. */
  width: number;
  children: ReactNode;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  useEffect(() => {
    scroller.current?.scrollTo({ left: width });
  }, [width]);
  return (
    <div className="mt-3 flex">
      {scale}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- what goes sideways must be reached by keys */}
      <div ref={scroller} className="min-w-0 overflow-x-auto" tabIndex={0} role="group" aria-label={label}>
        {children}
      </div>
    </div>
  );
}
