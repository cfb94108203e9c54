'use client';
import { type ReactNode, useEffect, useRef } from 'react';

/**
 * A button that opens a small panel. Escape closes it, a press outside, sending a form in it, and pressing anything marked with
 * `data-closes`.
 */
export function Menu({
  label,
  children,
  up = false,
  className = 'btn-sm max-sm:h-12',
}: {
  label: ReactNode;
  children: ReactNode;
  /** The panel opens upward, for a bar at the bottom. */
  up?: boolean;
  className?: string;
}) {
  const menu = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    const details = menu.current;
    if (!details) return;
    const close = (focus: boolean): void => {
      details.open = false;
      if (focus) details.querySelector('summary')?.focus();
    };
    const onPointerDown = (event: PointerEvent): void => {
      if (details.open && !details.contains(event.target as Node)) close(false);
    };
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape' || !details.open) return;
      event.stopPropagation();
      close(true);
    };
    const onClick = (event: MouseEvent): void => {
      if ((event.target as HTMLElement).closest('[data-closes]')) close(true);
    };
    const onSubmit = (): void => close(true);
    document.addEventListener('pointerdown', onPointerDown);
    details.addEventListener('keydown', onKeyDown);
    details.addEventListener('click', onClick);
    details.addEventListener('submit', onSubmit);
    return () => {
      document.removeEventListener('pointerdown', onPointerDown);
      details.removeEventListener('keydown', onKeyDown);
      details.removeEventListener('click', onClick);
      details.removeEventListener('submit', onSubmit);
    };
  }, []);
  return (
    <details ref={menu} className="relative">
      <summary className={`btn-quiet btn list-none ${className}`}>{label}</summary>
      <div
        className={`absolute left-0 z-30 max-h-[50dvh] w-[290px] overflow-auto border border-ink bg-sheet p-3 text-left ${up ? 'bottom-full mb-1' : 'mt-1'}`}
      >
        {children}
      </div>
    </details>
  );
}
