'use client';
import { useState } from 'react';
import { causesText } from '@/storage/causes';
import { toast, toastProblem } from '@/ui/toast/toast';

/** What went wrong lately, to be passed on to somebody who helps. Nothing is sent anywhere. */
export function Causes() {
  const [text] = useState(() => (typeof localStorage === 'undefined' ? '' : causesText()));
  if (text === '') return null;
  return (
    <section aria-labelledby="causes-heading">
      <h2 id="causes-heading" className="text-[20px]">
        Error details
      </h2>
      <p className="mt-1">
        What went wrong lately, for someone who helps you. It stays in this browser until you copy it.
      </p>
      <details className="mt-2">
        <summary className="cursor-pointer">Show</summary>
        <pre className="mt-1 max-h-[200px] overflow-auto border border-hairline bg-sheet p-2 text-[13px] whitespace-pre-wrap">
          {text}
        </pre>
      </details>
      <button
        type="button"
        className="btn-quiet btn mt-2"
        onClick={() => {
          navigator.clipboard.writeText(text).then(
            () => toast('Copied.'),
            () => toastProblem('This browser didn’t allow copying. Select the text and copy it by hand.'),
          );
        }}
      >
        Copy details
      </button>
    </section>
  );
}
