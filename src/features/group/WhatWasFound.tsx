import type { Findings } from '@/core/group/findings';
import { counted } from '@/core/words';

/** What was found in a group: first what there is to look at again, then pair by pair. */
export function WhatWasFound({ findings }: { findings: Findings }) {
  return (
    <section aria-label="What was found" className="mt-4">
      <h2 className="text-[18px]">What was found</h2>
      <div role="status">
        {findings.sentences.length === 0 ? (
          <p>Nothing is lost, repeated or left empty.</p>
        ) : (
          <ul className="mt-1 flex flex-col gap-1">
            {findings.sentences.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        )}
      </div>
      <p className="mt-1 text-[14px] text-quiet">
        Largest empty circle: {(findings.circle.share * 100).toFixed(0)} % of the sheet. Found from points and outlines;
        what is meant is yours to say.
      </p>
      <details className="mt-2">
        <summary className="cursor-pointer">Pair by pair, {counted(findings.pairs.length, 'pair')}</summary>
        <ul className="mt-1 text-[15px]">
          {findings.pairs.map(({ words, clash }) => (
            <li key={words} className={clash ? '' : 'text-quiet'}>
              {words}
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}
