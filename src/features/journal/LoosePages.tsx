'use client';
import { useState } from 'react';
import { NO_SESSION, type Page } from '@/core/journal/session';
import { counted } from '@/core/words';
import { useStored } from '@/storage/hooks/useStored';
import { listPages } from '@/storage/sessions/pages';
import { PagePhotos } from './PagePhotos';

const loosePages = (): Promise<Page[]> => listPages(NO_SESSION);

/** Sheets that were drawn apart from any session. */
export function LoosePages() {
  const pages = useStored(loosePages, ['pages'], []);
  const [open, setOpen] = useState(false);
  const known = pages.value?.length ?? 0;
  return (
    <details className="mt-6 border-t border-hairline pt-3" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer py-1 font-serif text-[18px]">
        Sheets of no session{known > 0 && `, ${counted(known, 'page')}`}
      </summary>
      {open && (
        <div className="mt-3">
          <PagePhotos sessionId={NO_SESSION} pastes={false} />
        </div>
      )}
    </details>
  );
}
