import type { ReactNode } from 'react';

/** One of the things that can be done with a plan. */
export function KeepPart({ title, words, children }: { title: string; words: string; children: ReactNode }) {
  return (
    <section className="border-t border-hairline py-3">
      <h3 className="text-[17px]">{title}</h3>
      <p className="text-[14px] text-quiet">{words}</p>
      <div className="mt-2 flex flex-wrap items-baseline gap-3">{children}</div>
    </section>
  );
}
