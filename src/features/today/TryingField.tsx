'use client';
import { useState } from 'react';

/** A lesson that is tried in this session: its name goes with it, and sessions with it can be set beside those without. */
export function TryingField({ lesson, onLesson }: { lesson: string; onLesson: (lesson: string) => void }) {
  const [open, setOpen] = useState(lesson !== '');
  if (!open)
    return (
      <button type="button" className="link-quiet ml-3 text-[14px] text-quiet" onClick={() => setOpen(true)}>
        Trying something?
      </button>
    );
  return (
    <label className="ml-3 inline-flex flex-wrap items-center gap-2 text-[15px]">
      Trying:
      <input
        // eslint-disable-next-line jsx-a11y/no-autofocus -- it was asked for a moment ago
        autoFocus
        className="input w-[320px] max-w-full input-sm max-sm:h-12"
        maxLength={120}
        placeholder="the lesson, in your words"
        value={lesson}
        onChange={({ target }) => onLesson(target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          event.stopPropagation();
          event.currentTarget.blur();
        }}
      />
    </label>
  );
}
