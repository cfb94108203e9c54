'use client';
import { useRef, useState } from 'react';
import { wipeEverything } from '@/storage/everything';
import { storageProblem } from '@/storage/problems';

/** Everything gone, after a second question. */
export function WipeAll() {
  const dialog = useRef<HTMLDialogElement>(null);
  const [told, setTold] = useState('');
  return (
    <section aria-labelledby="wipe-heading">
      <h2 id="wipe-heading" className="text-[20px]">
        Wipe everything
      </h2>
      <p className="mt-1">Sessions, pages, pictures and settings, from this browser, for good. Take them out first.</p>
      <button type="button" className="btn-quiet btn mt-3" onClick={() => dialog.current?.showModal()}>
        Wipe everything
      </button>
      <p role="status" className="mt-1 min-h-[20px] text-quiet">
        {told}
      </p>
      <dialog ref={dialog} className="modal" aria-labelledby="wipe-question">
        <div className="max-w-[460px] border border-rule bg-ground p-6">
          <p id="wipe-question" className="font-serif text-[24px] leading-tight">
            Wipe everything Fox Minute keeps in this browser?
          </p>
          <p className="mt-2">It cannot be undone here. A ZIP you took out puts it all back.</p>
          <form method="dialog" className="mt-5 flex justify-end gap-3">
            <button className="btn">Keep it</button>
            <button
              className="btn-quiet btn"
              onClick={() => {
                wipeEverything().then(
                  () => setTold('Everything is wiped.'),
                  (error: unknown) => setTold(storageProblem(error)),
                );
              }}
            >
              Wipe it
            </button>
          </form>
        </div>
      </dialog>
    </section>
  );
}
