import type { ReactNode } from 'react';

/** What happened, what is safe and what to do, where it happened. */
export function Notice({ children, tone = 'problem' }: { children: ReactNode; tone?: 'problem' | 'plain' }) {
  return (
    <div
      role={tone === 'problem' ? 'alert' : 'status'}
      className={`border-l-4 bg-sheet px-4 py-3 ${tone === 'problem' ? 'border-russet' : 'border-moss'}`}
    >
      {children}
    </div>
  );
}
