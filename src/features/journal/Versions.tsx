'use client';
import { fullDate } from '@/core/dateWords';
import type { Route } from 'next';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { type Version, versionsOf } from '@/core/journal/versions';
import { clockDigits, durationWords } from '@/core/practice/time/duration';
import { ruleCard } from '@/core/practice/rules/ruleCard';
import { pictureReferenceId } from '@/core/references/picture';
import { counted } from '@/core/words';
import { useIsHidden } from '@/storage/references/hiddenReference';
import { imageKey } from '@/storage/images';
import { useLibrary } from '@/storage/pictures/library';
import { lookedAt } from '@/core/journal/whose';
import { listPages } from '@/storage/sessions/pages';
import { listSessions } from '@/storage/sessions/sessions';
import { useImageUrl } from '@/storage/hooks/useThumbnail';
import { useStored } from '@/storage/hooks/useStored';

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
  // Earlier drawings of it would help the memory as much as the picture.
  if (versions.length === 0 || hidden) return null;
  const shown = by === 'date' ? versions : [...versions].sort((a, b) => a.drawing.spentMs - b.drawing.spentMs);
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
      <ol className="mt-3 flex flex-wrap gap-x-6 gap-y-4">
        {shown.map((version) => (
          <VersionCell
            key={`${version.session.id} ${String(version.drawing.segmentIndex)}`}
            version={version}
            part={![whole, `${whole}~m`].includes(version.drawing.referenceId ?? '') && references.length > 1}
          />
        ))}
      </ol>
    </section>
  );
}

function VersionCell({ version: { session, drawing }, part }: { version: Version; part: boolean }) {
  const { exercise, spentMs, visit } = drawing;
  const page = useStored(async () => (await listPages(session.id)).at(0) ?? null, ['pages'], [session.id]);
  const url = useImageUrl(page.value ? imageKey('thumbnail', page.value.id) : undefined);
  const rule = ruleCard(exercise, false).at(0)?.words;
  return (
    <li className="w-[190px] border-l-2 border-hairline pl-3">
      {url && <img src={url} alt="The first page of that session" className="mb-1 max-h-[120px] max-w-full" />}
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
        ].join('; ')}
      </span>
      <Link className="link-quiet text-[14px]" href={`/journal?session=${session.id}` as Route}>
        {fullDate(session.startedAtMs)}
      </Link>
    </li>
  );
}
