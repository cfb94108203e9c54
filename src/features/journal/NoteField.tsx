'use client';
import { useState } from 'react';
import { saveNote } from '@/storage/sessions/sessions';
import { useWriting } from '@/storage/hooks/useWriting';
import { storageProblem } from '@/storage/problems';
import { useTypedText } from '@/ui/useTypedText';

/** One line about the session, kept as it is typed. */
export function NoteField({ sessionId, note, question }: { sessionId: string; note: string; question: string }) {
  const [status, setStatus] = useState('');
  const keep = useWriting(sessionId, (written: string) => {
    saveNote(sessionId, written.trim()).then(
      () => setStatus('Saved.'),
      (error: unknown) => setStatus(storageProblem(error)),
    );
  });
  const typed = useTypedText(note, (text) => {
    setStatus('');
    keep(text);
  });
  return (
    <div>
      <label className="block">
        <span className="block font-semibold">One line for later</span>
        <input className="input mt-1 w-full max-w-[640px]" maxLength={500} placeholder={question} {...typed} />
      </label>
      <p role="status" className="mt-1 min-h-[20px] text-[14px] text-quiet">
        {status}
      </p>
    </div>
  );
}
