'use client';
import { type ReactNode, useState } from 'react';
import { type Gate, type Purpose, PURPOSES } from '@/core/references/exportGate';
import { Notice } from './Notice';

/** Taking something out to show it or to sell it, as far as what it was drawn from allows. Nothing is shown to anybody otherwise. */
export function TakeOut({
  onTake,
  problemOf,
  children,
}: {
  /** Takes it out where it may be, and tells whether it may. */
  onTake: (purpose: Purpose) => Promise<Gate>;
  problemOf: (error: unknown) => string;
  children?: ReactNode;
}) {
  const [gate, setGate] = useState<Gate>();
  const [problem, setProblem] = useState('');
  return (
    <section aria-label="Take it out">
      <h3 className="text-[17px]">Take it out</h3>
      <p className="text-[14px] text-quiet">Nothing leaves this browser but what you take out yourself.</p>
      {children}
      <div className="mt-2 flex flex-wrap gap-2">
        {PURPOSES.map((purpose) => (
          <button
            key={purpose}
            type="button"
            className="btn-quiet btn min-h-11"
            onClick={() => {
              setProblem('');
              setGate(undefined);
              onTake(purpose).then(setGate, (error: unknown) => setProblem(problemOf(error)));
            }}
          >
            {purpose === 'post' ? 'To show it' : 'To sell it'}
          </button>
        ))}
      </div>
      {gate && (
        <p className="mt-2 max-w-[44ch]" role="status">
          {gate.allowed ? `Taken out. ${gate.words}` : gate.words}
        </p>
      )}
      {problem && <Notice>{problem}</Notice>}
    </section>
  );
}
