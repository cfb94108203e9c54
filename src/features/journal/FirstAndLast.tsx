'use client';
import { useMemo, useState } from 'react';
import { type Drawing, posesDrawn } from '@/core/journal/drawings';
import { firstAndLastSeen, type SeenDrawing } from '@/core/journal/onPages';
import { judgingShut } from '@/core/journal/reflect';
import type { Page, Session } from '@/core/journal/session';
import { durationWords } from '@/core/practice/time/duration';
import { imageKey } from '@/storage/images';
import { listPages } from '@/storage/sessions/pages';
import { useCutDrawing } from '@/storage/hooks/useCutDrawing';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { useImageUrl } from '@/storage/hooks/useThumbnail';
import { useStored } from '@/storage/hooks/useStored';
import { CutDrawing } from '@/ui/CutDrawing';
import { useNow } from '@/ui/useNow';

/** Height of what is laid side by side. */
const TALL = 'h-[min(56vh,520px)]';
const TALL_PX = 460;

/**
 * The first drawing of a session against its last, each with what it was drawn from; where they were not cut out of their pages, the
 * first page against the last.
 */
export function FirstAndLast({ session }: { session: Session }) {
  const pages = useStored(() => listPages(session.id), ['pages'], [session.id]);
  const [shown, setShown] = useState(false);
  const nowMs = useNow(60_000);
  const drawn = useMemo(() => posesDrawn(session), [session]);
  const ends = useMemo(() => firstAndLastSeen(drawn, pages.value ?? []), [drawn, pages.value]);
  const first = pages.value?.at(0);
  const last = pages.value?.at(-1);
  const sheets = first && last && first.id !== last.id;
  // Comparing is judging: it waits as long as that does.
  if ((!ends && !sheets) || judgingShut(session, nowMs)) return null;
  return (
    <div className="mt-4">
      <button type="button" className="btn-quiet btn" aria-expanded={shown} onClick={() => setShown(!shown)}>
        First against last
      </button>
      {shown && ends && <DrawnEnds ends={ends} />}
      {shown && !ends && sheets && (
        <div className="mt-3 flex flex-wrap gap-5">
          <Side page={first} words="The first page" />
          <Side page={last} words="The last page" />
          <Subject referenceId={subjectOf(drawn)} words="What was drawn" />
        </div>
      )}
    </div>
  );
}

function DrawnEnds({ ends: [first, last] }: { ends: NonNullable<ReturnType<typeof firstAndLastSeen<Drawing>>> }) {
  const same = first.drawn.referenceId === last.drawn.referenceId;
  return (
    <div className="mt-3 flex flex-wrap items-end gap-5">
      {!same && <Subject referenceId={first.drawn.referenceId} words="What the first was drawn from" small />}
      <Cut seen={first} words="The first drawing" />
      <Cut seen={last} words="The last drawing" />
      <Subject
        referenceId={last.drawn.referenceId}
        words={same ? 'What was drawn' : 'What the last was drawn from'}
        small={!same}
      />
    </div>
  );
}

function Cut({ seen, words }: { seen: SeenDrawing & { drawn: Drawing }; words: string }) {
  const { exercise, spentMs } = seen.drawn;
  return (
    <figure>
      <CutDrawing {...useCutDrawing(seen)} tall={TALL_PX} alt={words} />
      <figcaption className="text-[14px] text-quiet">
        {words}: {exercise.name}, {durationWords(spentMs)}
      </figcaption>
    </figure>
  );
}

/** The one picture that a session was about, or the last one that was drawn to be compared; null where there is none. */
function subjectOf(drawn: readonly Drawing[]): string | null {
  const last = drawn.findLast((d) => d.exercise.rule.review === 'pair') ?? drawn.at(-1);
  const alone = drawn.every((d) => d.referenceId === last?.referenceId);
  return last && (alone || last.exercise.rule.review === 'pair') ? last.referenceId : null;
}

function Subject({
  referenceId,
  words,
  small = false,
}: {
  referenceId: string | null;
  words: string;
  /** Only to recall it by. */
  small?: boolean;
}) {
  const url = useReferenceImage(referenceId);
  if (!url) return null;
  return (
    <figure>
      <img
        src={url}
        alt={words}
        className={`${small ? 'h-[200px]' : TALL} max-w-full border border-hairline bg-plate object-contain`}
      />
      <figcaption className="text-[14px] text-quiet">{words}</figcaption>
    </figure>
  );
}

function Side({ page, words }: { page: Page; words: string }) {
  const url = useImageUrl(imageKey('page', page.id));
  return (
    <figure>
      {url && <img src={url} alt={words} className={`${TALL} max-w-full border border-rule object-contain`} />}
      <figcaption className="text-[14px] text-quiet">{words}</figcaption>
    </figure>
  );
}
