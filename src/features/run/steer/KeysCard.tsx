'use client';
import { useEffect, useRef } from 'react';
import { RUN_KEYS } from '@/core/handbook/runKeys';

/** Every key of a session. It takes the focus and gives it back to the session. */
export function KeysCard({ onClose }: { onClose: () => void }) {
  const close = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const before = document.activeElement;
    close.current?.focus();
    return () => (before instanceof HTMLElement ? before : document.querySelector('main'))?.focus();
  }, []);
  return (
    <section
      role="dialog"
      aria-label="Keys"
      className="absolute right-8 bottom-6 z-20 max-h-[92%] w-[min(720px,92%)] overflow-y-auto border border-rule bg-sheet p-5 max-sm:right-3"
    >
      <div className="flex items-baseline justify-between">
        <h2 className="text-[20px]">Keys</h2>
        <button ref={close} type="button" className="btn-quiet btn btn-sm" onClick={onClose}>
          Close
        </button>
      </div>
      <div className="mt-2 grid gap-x-8 gap-y-4 sm:grid-cols-2">
        {RUN_KEYS.map(([heading, keys]) => (
          <div key={heading}>
            <h3 className="text-[16px]">{heading}</h3>
            <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5 text-[15px]">
              {keys.map(([key, what]) => (
                <div key={key} className="contents">
                  <dt className="font-semibold">{key}</dt>
                  <dd className="text-quiet">{what}</dd>
                </div>
              ))}
            </dl>
          </div>
        ))}
        <p className="text-[14px] text-quiet">Other keys, pedals and presenters are learned on the page “Your room”.</p>
      </div>
    </section>
  );
}
