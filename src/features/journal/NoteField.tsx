'use client';
import { useState } from 'react';
import { saveNote } from '@/storage/sessions/sessions';
import { useWriting } from '@/storage/hooks/useWriting';
import { storageProblem } from '@/storage/problems';

/** One line about the session; kept as it is written, and told. */
export function NoteField({ sessionId, note, question }: { sessionId: string; note: string; question: string }) {
  const [text, setText] = useState(note);
  const [told, setTold] = useState('');
  const keep = useWriting(sessionId, (written: string) => {
    saveNote(sessionId, written.trim()).then(
      () => setTold('Kept.'),
      (error: unknown) => setTold(storageProblem(error)),
    );
  });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
      }}
    >
      <label className="block">
        <span className="block font-semibold">One line for later</span>
        <input
          className="input mt-1 w-full max-w-[640px]"
          maxLength={500}
          placeholder={question}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            keep(event.target.value);
            setTold('');
          }}
        />
      </label>
      <p role="status" className="mt-1 min-h-[20px] text-[14px] text-quiet">
        {told}
      </p>
    </form>
  );
}
