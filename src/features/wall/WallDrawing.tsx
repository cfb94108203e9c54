'use client';
import type { Route } from 'next';
import { Link } from '@/ui/Link';
import { weekdayAndDay } from '@/core/dateWords';
import type { WallItem } from '@/core/growing/wall';
import { timeOn } from '@/core/journal/keptDrawing';
import type { SeenDrawing } from '@/core/journal/onPages';
import { durationWords } from '@/core/practice/time/duration';
import { listWords } from '@/core/words';
import { useCutDrawing } from '@/storage/hooks/useCutDrawing';
import { useKeptDrawing } from '@/storage/hooks/useKeptDrawing';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { storageProblem } from '@/storage/problems';
import { gateFor } from '@/storage/references/takingOut';
import { cutImage } from '@/storage/sessions/cutImage';
import { withCredits } from '@/ui/creditStrip';
import { CutDrawing } from '@/ui/CutDrawing';
import { Dialog } from '@/ui/Dialog';
import { download } from '@/ui/download';
import { deskPage, referencePage } from '@/ui/referencePage';
import { SaidOfDrawing } from '@/ui/SaidOfDrawing';
import { TakeOut } from '@/ui/TakeOut';
import { toastProblem } from '@/ui/toast/toast';
import { useNow } from '@/ui/useNow';

const TALL_PX = 420;

/** One drawing large, beside what it was drawn from, and the ways on from it. */
export function WallDrawing({
  item: { exercise, lookAt, atMs, spentMs, shutUntilMs, seen, referenceId, sessionId, drawing, facets },
  onClose,
}: {
  item: WallItem;
  onClose: () => void;
}) {
  const url = useReferenceImage(referenceId);
  const { kept, all, change } = useKeptDrawing(sessionId, drawing);
  const nowMs = useNow(60_000);
  return (
    <Dialog title={`${exercise}, ${durationWords(spentMs)}`} wide onClose={onClose}>
      <p>
        {weekdayAndDay(atMs)}, {facets.hand[0]}, {listWords(facets.medium)}.
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-5">
        {seen ? (
          <Large seen={seen} />
        ) : (
          <p className="max-w-[300px] text-quiet">
            It is on paper only. Add a photograph of its sheet to its session, and cut it out on the Desk.
          </p>
        )}
        {url && (
          <img src={url} alt="What it was drawn from" className="max-h-[420px] max-w-full bg-plate object-contain" />
        )}
      </div>
      <nav aria-label="From here" className="mt-4 flex flex-wrap gap-x-6 gap-y-2">
        {seen && (
          <Link className="link-quiet py-1" href={deskPage(sessionId, seen.page.id)}>
            Its sheet
          </Link>
        )}
        <Link className="link-quiet py-1" href={`/journal?session=${encodeURIComponent(sessionId)}` as Route}>
          Its session
        </Link>
        {referenceId !== null && (
          <Link className="link-quiet py-1" href={referencePage(referenceId)}>
            What it was drawn from, and all drawings of it
          </Link>
        )}
        {referenceId !== null && (
          <Link className="link-quiet py-1" href={`/journal/again?of=${encodeURIComponent(referenceId)}` as Route}>
            Then and now
          </Link>
        )}
      </nav>
      <section aria-label="What became of it" className="mt-4 flex flex-col gap-2 border-t border-hairline pt-3">
        <SaidOfDrawing
          kept={kept}
          all={all}
          aspects={lookAt}
          judgedForMs={nowMs < shutUntilMs ? undefined : timeOn({ spentMs }, kept).togetherMs}
          onChange={(how) => void change(how).catch((error: unknown) => toastProblem(storageProblem(error)))}
        />
      </section>
      {seen && (
        <div className="mt-4 border-t border-hairline pt-3">
          <TakeOut
            problemOf={storageProblem}
            onTake={async (purpose) => {
              const gate = await gateFor(purpose, [referenceId]);
              if (gate.allowed) download(await withCredits(await cutImage(seen), gate.credits), 'drawing.jpg');
              return gate;
            }}
          />
        </div>
      )}
    </Dialog>
  );
}

function Large({ seen }: { seen: SeenDrawing }) {
  return <CutDrawing {...useCutDrawing(seen)} tall={TALL_PX} widest={620} alt="The drawing" />;
}
