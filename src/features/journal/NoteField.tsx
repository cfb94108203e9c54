'use client';
import { useState } from 'react';
import { saveNote } from '@/storage/sessions/sessions';
import { storageProblem } from '@/storage/problems';

/** One line about the session; kept as soon as the field is left or Enter is pressed. */
export function NoteField({ sessionId, note, question }: { sessionId: string; note: string; question: string }) {
  const [text, setText] = useState(note);
  const [told, setTold] = useState('');
  const save = (): void => {
    if (text === note) return;
    saveNote(sessionId, text.trim()).then(
      () => setTold('Kept.'),
      (error: unknown) => setTold(storageProblem(error)),
    );
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save();
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
            setTold('');
          }}
          onBlur={save}
        />
      </label>
      <p role="status" className="mt-1 min-h-[20px] text-[14px] text-quiet">
        {told}
      </p>
    </form>
  );
}
