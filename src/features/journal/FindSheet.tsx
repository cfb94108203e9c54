'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Session } from '@/core/journal/session';
import { parseSheetCode, sessionOfCode } from '@/core/journal/sheetCode';
import { listPages } from '@/storage/sessions/pages';

/** A sheet by the code on its corner. */
export function FindSheet({ sessions }: { sessions: readonly Session[] }) {
  const router = useRouter();
  const [typed, setTyped] = useState('');
  const [told, setTold] = useState('');
  const find = async (): Promise<void> => {
    const code = parseSheetCode(typed);
    if (!code) {
      setTold('A code is month and day, session and sheet: 0417-21-3.');
      return;
    }
    const session = sessionOfCode(sessions, code);
    if (!session) {
      setTold('There is no session of that day and number here.');
      return;
    }
    const page = (await listPages(session.id)).at(code.sheet - 1);
    const at = encodeURIComponent(session.id);
    router.push(page ? `/desk?session=${at}&page=${encodeURIComponent(page.id)}` : `/journal?session=${at}`);
    setTold(page ? '' : 'That sheet was not photographed yet: here is its session.');
  };
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        find().catch(() => setTold('The pages could not be looked through. Try again.'));
      }}
    >
      <label className="flex items-center gap-2">
        Code on a sheet
        <input
          className="input w-[130px] input-sm max-sm:h-12"
          placeholder="0417-21-3"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      <button type="submit" className="btn-quiet btn btn-sm max-sm:h-12" disabled={typed.trim() === ''}>
        Find it
      </button>
      <span role="status" className="text-[14px] text-quiet">
        {told}
      </span>
    </form>
  );
}
