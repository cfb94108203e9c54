'use client';
import { useSyncExternalStore } from 'react';
import { availability, forgetWhenClosed, onAvailability } from '@/storage/availability';
import { closeDb } from '@/storage/db';

/** Says when this browser keeps nothing, and offers to draw without keeping when it does not answer. */
export function Availability() {
  const state = useSyncExternalStore(onAvailability, availability, () => 'kept' as const);
  if (state === 'kept' || state === 'old code') return null;
  return (
    <div role="status" className="border-b border-hairline bg-sheet px-4 py-2 text-[14px] sm:px-10">
      {state === 'in memory' ? (
        'This browser doesn’t let Fox Minute keep anything. You can draw as usual, but everything is gone when you close this tab. Allow site data for this address, or leave the private window, to keep it.'
      ) : (
        <>
          This browser isn’t answering when Fox Minute asks for its storage. Nothing is lost. Close other tabs of Fox
          Minute and load this page again, or{' '}
          <button
            type="button"
            className="link-quiet"
            onClick={() => {
              closeDb(true)
                .then(forgetWhenClosed)
                .catch(() => undefined);
            }}
          >
            draw now without keeping anything
          </button>
          .
        </>
      )}
    </div>
  );
}
