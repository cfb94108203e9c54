'use client';
import { useState } from 'react';
import { shortDate } from '@/core/dateWords';
import type { Fault } from '@/core/growing/faults';
import { counted } from '@/core/words';

/** Shown at first; the others when they are asked for. */
const FEW = 6;

/** What was marked on pages and said to be missing, with its first and its last day. */
export function Faults({ faults }: { faults: readonly Fault[] }) {
  const [all, setAll] = useState(false);
  const [most] = faults;
  return (
    <section aria-labelledby="faults" className="mt-6 border-t border-ink pt-4">
      <h2 id="faults" className="text-[20px]">
        Marked and missing
      </h2>
      <p className="mt-1">
        {most
          ? `Most often it was ${most.what}: ${counted(most.times, 'time')}, last on ${shortDate(most.lastMs)}.`
          : 'Nothing was marked on a page or said to be missing yet.'}
      </p>
      {most && (
        <table className="mt-2 w-full max-w-[720px] border-collapse">
          <thead className="text-left text-[14px] text-quiet">
            <tr>
              <th scope="col" className="font-normal">
                What
              </th>
              <th scope="col" className="text-right font-normal">
                Times
              </th>
              <th scope="col" className="pl-6 font-normal">
                First
              </th>
              <th scope="col" className="pl-6 font-normal">
                Last
              </th>
            </tr>
          </thead>
          <tbody>
            {(all ? faults : faults.slice(0, FEW)).map(({ what, times, firstMs, lastMs }) => (
              <tr key={what} className="border-t border-hairline">
                <th scope="row" className="py-1.5 text-left font-normal">
                  {what}
                </th>
                <td className="text-right tabular-nums">{times}</td>
                <td className="pl-6">{shortDate(firstMs)}</td>
                <td className="pl-6">{shortDate(lastMs)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {faults.length > FEW && !all && (
        <button type="button" className="no-print link-quiet mt-2 py-1" onClick={() => setAll(true)}>
          {faults.length - FEW} more
        </button>
      )}
    </section>
  );
}
