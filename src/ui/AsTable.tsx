'use client';
import { type ReactNode, useState } from 'react';

/** The table behind a drawing, made when it is asked for: of some years it has hundreds of rows. */
export function AsTable({ head, rows }: { head: readonly string[]; rows: () => readonly (readonly ReactNode[])[] }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="no-print mt-2" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer py-1 text-quiet">As a table</summary>
      {open && (
        <table className="table w-auto table-sm">
          <thead>
            <tr>
              {head.map((name) => (
                <th key={name} scope="col">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows().map(([first, ...others], i) => (
              <tr key={i}>
                <th scope="row" className="font-normal">
                  {first}
                </th>
                {others.map((cell, k) => (
                  <td key={k} className="tabular-nums">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </details>
  );
}
