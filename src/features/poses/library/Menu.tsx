'use client';
import { type ReactNode, useEffect, useRef } from 'react';

/** A button that opens a small panel; closed by Escape, by a press outside, or by what is chosen in it. */
export function Menu({
  label,
  children,
  up = false,
}: {
  label: ReactNode;
  children: (close: () => void) => ReactNode;
  /** The panel opens upward, for a bar at the bottom. */
  up?: boolean;
}) {
  const menu = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    const closeOutside = (event: PointerEvent): void => {
      if (menu.current?.open && !menu.current.contains(event.target as Node)) menu.current.open = false;
    };
    document.addEventListener('pointerdown', closeOutside);
    return () => document.removeEventListener('pointerdown', closeOutside);
  }, []);
  const close = (): void => {
    if (!menu.current) return;
    menu.current.open = false;
    menu.current.querySelector('summary')?.focus();
  };
  return (
    <details
      ref={menu}
      className="relative"
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !menu.current?.open) return;
        event.stopPropagation();
        close();
      }}
    >
      <summary className="btn-quiet btn list-none btn-sm max-sm:h-12">{label}</summary>
      <div
        className={`absolute left-0 z-30 max-h-[50dvh] w-[290px] overflow-auto border border-ink bg-sheet p-3 ${up ? 'bottom-full mb-1' : 'mt-1'}`}
      >
        {children(close)}
      </div>
    </details>
  );
}
