'use client';
import type { Route } from 'next';
import { Link } from '@/ui/Link';
import { type ReactNode, useId, useState } from 'react';
import { anchorOf, GLOSSARY, type GlossaryWord } from '@/core/handbook/glossary';

/** A word in a sense of the program's own: pressed, it says what it means where it stands; all of them are in the handbook's list. */
export function Word({
  of,
  children = of,
  givesKeysBack = false,
}: {
  of: GlossaryWord;
  children?: ReactNode;
  /** In a session: once pressed it is no longer focused, so that keys go on steering. */
  givesKeysBack?: boolean;
}) {
  const id = useId();
  // What is not shown is not in the text either.
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        popoverTarget={id}
        // In a session it stands by itself, and is to be hit with charcoal on the hand.
        className={givesKeysBack ? 'word inline-block! min-h-8 py-1' : 'word'}
        onClick={(event) => {
          if (givesKeysBack) event.currentTarget.blur();
        }}
      >
        {children}
      </button>
      <span
        id={id}
        popover="auto"
        className="word-meaning"
        onBeforeToggle={(event) => {
          if (event.newState === 'open') setOpen(true);
        }}
        // Once it is closed: what had the focus in it gives it back to the word first.
        onToggle={(event) => {
          if (event.newState === 'closed') setOpen(false);
        }}
      >
        {open && (
          <>
            <b>{of}</b>: {GLOSSARY[of]}.{' '}
            <Link className="link-quiet" href={`/handbook/words#${anchorOf(of)}` as Route}>
              All words
            </Link>
          </>
        )}
      </span>
    </>
  );
}
