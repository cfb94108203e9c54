'use client';
import { codeWordsOf } from '@/core/journal/sheetCode';
import { useStored } from '@/storage/hooks/useStored';
import { listSessions } from '@/storage/sessions/sessions';
import { Dialog } from '@/ui/Dialog';
import { PagePhotos } from './PagePhotos';

/** The pages of a session that is under way: put away while the hand rests. */
export function PagesDialog({ sessionId, onClose }: { sessionId: string; onClose: () => void }) {
  const sessions = useStored(listSessions, ['sessions'], []);
  const session = sessions.value?.find(({ id }) => id === sessionId);
  return (
    <Dialog title="The pages so far" onClose={onClose} wide>
      <p className="mb-3 max-w-[60ch] text-quiet">
        The session is on hold as long as this is open. A sheet can also be put away afterward, or any day later.
      </p>
      <PagePhotos
        sessionId={sessionId}
        codeOf={(sheet) => session && codeWordsOf(sessions.value ?? [], session, sheet)}
      />
    </Dialog>
  );
}
