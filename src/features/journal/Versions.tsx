'use client';
import { fullDate } from '@/core/dateWords';
import type { Route } from 'next';
import { Link } from '@/ui/Link';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { featureCounts, type KeptDrawing, keptDrawingId, keptThroughout } from '@/core/journal/keptDrawing';
import { judgingShut } from '@/core/journal/reflect';
import { type SeenDrawing, seenOnPages } from '@/core/journal/onPages';
import type { Page } from '@/core/journal/session';
import { type Version, versionsOf } from '@/core/journal/versions';
import { clockDigits, durationWords } from '@/core/practice/time/duration';
import { ruleCard } from '@/core/practice/rules/ruleCard';
import { pictureReferenceId } from '@/core/references/picture';
import { counted, listPhrases } from '@/core/words';
import { useIsHidden } from '@/storage/references/hiddenReference';
import { imageKey } from '@/storage/images';
import { useLibrary } from '@/storage/pictures/library';
import { lookedAt } from '@/core/journal/whose';
import { allKeptDrawings } from '@/storage/sessions/keptDrawings';
import { listPages } from '@/storage/sessions/pages';
import { listSessions } from '@/storage/sessions/sessions';
import { useCutDrawing } from '@/storage/hooks/useCutDrawing';
import { useImageUrl } from '@/storage/hooks/useThumbnail';
import { useStored } from '@/storage/hooks/useStored';
import { CutDrawing } from '@/ui/CutDrawing';
import { useNow } from '@/ui/useNow';

/** Every drawing made of the picture whose page this is, and of its parts, in one strip. */
export function PictureVersions() {
  const id = useSearchParams().get('id') ?? '';
  const { pictures } = useLibrary();
  const references = useMemo(
    () => [
      pictureReferenceId(id),
      ...(pictures ?? []).filter((p) => p.partOf?.pictureId === id).map((p) => pictureReferenceId(p.id)),
    ],
    [id, pictures],
  );
  return <Versions references={references} whole={references[0]} />;
}

/** Every drawing made of the figure whose page this is, seen as it is now. */
export function FigureVersions() {
  const id = useSearchParams().get('id') ?? '';
  const references = useMemo(() => [id], [id]);
  return <Versions references={references} whole={id} />;
}

function Versions({ references, whole }: { references: readonly string[]; whole: string }) {
  const sessions = useStored(listSessions, ['sessions'], []);
  const hidden = useIsHidden(whole);
  const [by, setBy] = useState<'date' | 'time'>('date');
  const versions = useMemo(
    () => versionsOf(lookedAt(sessions.value ?? []).sessions, references),
    [sessions.value, references],
  );
  const said = useStored(allKeptDrawings, ['drawings'], []);
  const keptOf = ({ session, drawing }: Version): KeptDrawing | undefined => {
    const id = keptDrawingId(session.id, drawing.drawing);
    return said.value?.find((one) => one.id === id);
  };
  // Earlier drawings of it would help the memory as much as the picture.
  if (versions.length === 0 || hidden) return null;
  const shown = by === 'date' ? versions : [...versions].sort((a, b) => a.drawing.spentMs - b.drawing.spentMs);
  // Of the versions that were gone through feature by feature.
  const ticked = versions.flatMap((version) => keptOf(version) ?? []).filter(({ features }) => features?.length);
  const remains = ticked.length > 1 ? keptThroughout(ticked) : [];
  const together = versions.reduce((sum, v) => sum + v.drawing.spentMs, 0);
  return (
    <section aria-label="Drawn before" className="mt-8 border-t border-hairline pt-5">
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h2 className="text-[20px]">
          {versions.length === 1 ? 'Drawn once' : `Drawn ${String(versions.length)} times`}
        </h2>
        <p className="text-quiet">
          {clockDigits(together)}
          {versions.length > 1 && ' together'}
        </p>
        {versions.length > 1 && (
          <div role="group" aria-label="Order" className="flex gap-2">
            {(['date', 'time'] as const).map((order) => (
              <button
                key={order}
                type="button"
                aria-pressed={by === order}
                className={`btn min-h-10 px-3 btn-sm ${by === order ? 'bg-ink/10' : 'btn-quiet'}`}
                onClick={() => setBy(order)}
              >
                {order === 'date' ? 'by date' : 'by time drawn'}
              </button>
            ))}
          </div>
        )}
      </div>
      {remains.length > 0 && <p className="mt-1">In every version: {listPhrases(remains)}.</p>}
      <ol className="mt-3 flex flex-wrap gap-x-6 gap-y-4">
        {shown.map((version) => (
          <VersionCell
            key={`${version.session.id} ${String(version.drawing.segmentIndex)}`}
            version={version}
            kept={keptOf(version)}
            part={![whole, `${whole}~m`].includes(version.drawing.referenceId ?? '') && references.length > 1}
          />
        ))}
      </ol>
    </section>
  );
}

function Cut({ seen }: { seen: SeenDrawing }) {
  return <CutDrawing {...useCutDrawing(seen)} tall={150} widest={170} alt="The drawing" />;
}

function FirstPage({ page }: { page: Page }) {
  const url = useImageUrl(imageKey('thumbnail', page.id));
  return url ? <img src={url} alt="The first page of that session" className="mb-1 max-h-[120px] max-w-full" /> : null;
}

function VersionCell({
  version: { session, drawing },
  kept,
  part,
}: {
  version: Version;
  /** What was said of it. */
  kept: KeptDrawing | undefined;
  part: boolean;
}) {
  const { exercise, spentMs, visit } = drawing;
  const pages = useStored(() => listPages(session.id), ['pages'], [session.id]);
  const nowMs = useNow(60_000);
  // Beside the picture itself it would be judged.
  const shut = judgingShut(session, nowMs);
  const seen = shut ? undefined : seenOnPages(pages.value ?? [], drawing.drawing);
  const counts = featureCounts(shut ? undefined : kept);
  const rule = ruleCard(exercise, false).at(0)?.words;
  return (
    <li className="w-[190px] border-l-2 border-hairline pl-3 [contain-intrinsic-size:190px_230px] [content-visibility:auto]">
      {seen ? <Cut seen={seen} /> : !shut && pages.value?.[0] && <FirstPage page={pages.value[0]} />}
      <b className="block digits text-[24px] leading-tight">{durationWords(spentMs)}</b>
      <span className="block">
        {exercise.name}
        {drawing.label && `: ${drawing.label}`}
        {exercise.rule.hand === 'other' && ', other hand'}
        {part && ', a part of it'}
      </span>
      <span className="block text-[14px] text-quiet">
        {[
          ...(rule ? [rule] : []),
          ...(visit.peeks.length > 0 ? [counted(visit.peeks.length, 'peek')] : []),
          ...(visit.lifts > 0 ? [counted(visit.lifts, 'lift')] : []),
          ...(counts.share !== undefined
            ? [
                `${String(counts.kept)} of ${String(counts.listed)} features, ${String(Math.round(counts.share * 100))} %`,
              ]
            : []),
        ].join('; ')}
      </span>
      <Link className="link-quiet text-[14px]" href={`/journal?session=${session.id}` as Route}>
        {fullDate(session.startedAtMs)}
      </Link>
    </li>
  );
}
