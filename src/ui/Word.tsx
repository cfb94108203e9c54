import type { Route } from 'next';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { anchorOf, GLOSSARY, type GlossaryWord } from '@/core/handbook/glossary';

/** A word in a sense of the program's own: explained where it stands, and in the handbook's list. */
export function Word({ of, children = of }: { of: GlossaryWord; children?: ReactNode }) {
  return (
    <Link
      href={`/handbook/words#${anchorOf(of)}` as Route}
      title={`${of}: ${GLOSSARY[of]}`}
      className="underline decoration-dotted underline-offset-4"
    >
      {children}
    </Link>
  );
}
