'use client';
import { useMemo, useState } from 'react';
import { posesDrawn } from '@/core/journal/drawings';
import { judgingShut } from '@/core/journal/reflect';
import type { Page, Session } from '@/core/journal/session';
import { imageKey } from '@/storage/images';
import { listPages } from '@/storage/sessions/pages';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { useImageUrl } from '@/storage/hooks/useThumbnail';
import { useStored } from '@/storage/hooks/useStored';
import { useNow } from '@/ui/useNow';

/** The first page of a session against its last, side by side at one height; where both are of one picture, with the picture. */
export function FirstAndLast({ session }: { session: Session }) {
  const pages = useStored(() => listPages(session.id), ['pages'], [session.id]);
  const [shown, setShown] = useState(false);
  const nowMs = useNow(60_000);
  const subject = useMemo(() => subjectOf(session), [session]);
  const first = pages.value?.at(0);
  const last = pages.value?.at(-1);
  // Comparing is judging: it waits as long as that does.
  if (!first || !last || first.id === last.id || judgingShut(session, nowMs)) return null;
  return (
    <div className="mt-4">
      <button type="button" className="btn-quiet btn" aria-expanded={shown} onClick={() => setShown(!shown)}>
        First against last
      </button>
      {shown && (
        <div className="mt-3 flex flex-wrap gap-5">
          <Side page={first} words="The first page" />
          <Side page={last} words="The last page" />
          {subject !== null && <Subject referenceId={subject} />}
        </div>
      )}
    </div>
  );
}

/** The one picture that a session was about, or the last one that was drawn to be compared; null where there is none. */
function subjectOf(session: Session): string | null {
  const drawn = posesDrawn(session);
  const last = drawn.findLast((d) => d.exercise.rule.review === 'pair') ?? drawn.at(-1);
  const alone = drawn.every((d) => d.referenceId === last?.referenceId);
  return last && (alone || last.exercise.rule.review === 'pair') ? last.referenceId : null;
}

function Subject({ referenceId }: { referenceId: string }) {
  const url = useReferenceImage(referenceId);
  if (!url) return null;
  return (
    <figure>
      <img
        src={url}
        alt="What was drawn"
        className="h-[min(56vh,520px)] max-w-full border border-hairline bg-plate object-contain"
      />
      <figcaption className="text-[14px] text-quiet">What was drawn</figcaption>
    </figure>
  );
}

function Side({ page, words }: { page: Page; words: string }) {
  const url = useImageUrl(imageKey('page', page.id));
  return (
    <figure>
      {url && (
        <img src={url} alt={words} className="h-[min(56vh,520px)] max-w-full border border-rule object-contain" />
      )}
      <figcaption className="text-[14px] text-quiet">{words}</figcaption>
    </figure>
  );
}
