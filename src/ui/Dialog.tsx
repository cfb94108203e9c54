'use client';
import { X } from 'lucide-react';
import { type ReactNode, useLayoutEffect, useRef } from 'react';

/** A dialog over a page: the browser's own, so that Escape, focus and screen readers work as they should. */
export function Dialog({
  title,
  onClose,
  children,
  wide,
}: {
  title: string;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}) {
  const ref = useRef<HTMLDialogElement>(null);
  // A layout effect closes the dialog while it is still in the page, so the browser returns the focus to what opened it.
  useLayoutEffect(() => {
    const dialog = ref.current;
    dialog?.showModal();
    return () => dialog?.close();
  }, []);
  return (
    <dialog
      ref={ref}
      aria-label={title}
      className={`m-auto max-h-[92dvh] overflow-y-auto rounded-[4px] border border-ink bg-ground p-5 text-ink backdrop:bg-black/40`}
      style={{ width: `min(${wide ? '1060px' : '640px'}, 94vw)` }}
      onClose={onClose}
    >
      <div className="mb-3 flex items-baseline gap-4">
        <h2 className="text-[22px]">{title}</h2>
        <button type="button" className="btn ml-auto border-0 btn-ghost btn-sm" aria-label="Close" onClick={onClose}>
          <X size={18} aria-hidden />
        </button>
      </div>
      {children}
    </dialog>
  );
}
