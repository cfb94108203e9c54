'use client';
import { useState } from 'react';
import { saveNote } from '@/storage/sessions/sessions';
import { useWriting } from '@/storage/hooks/useWriting';
import { storageProblem } from '@/storage/problems';

/** One line about the session; kept as it is written, and told when the field is left or Enter is pressed. */
export function NoteField({ sessionId, note, question }: { sessionId: string; note: string; question: string }) {
  const [text, setText] = useState(note);
  const [told, setTold] = useState('');
  const write = (written: string): Promise<void> =>
    saveNote(sessionId, written.trim()).catch((error: unknown) => setTold(storageProblem(error)));
  const keep = useWriting(sessionId, (written: string) => void write(written));
  /** Something was written since it was last told that it is kept. */
  const [untold, setUntold] = useState(false);
  const save = (): void => {
    if (!untold) return;
    setUntold(false);
    void write(text).then(() => setTold((told) => told || 'Kept.'));
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
            keep(event.target.value);
            setUntold(true);
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
