'use client';
import type { Route } from 'next';
import { Link } from '@/ui/Link';
import { useMemo } from 'react';
import { poseRecord } from '@/core/journal/poseRecord';
import { type Drawing, posesDrawn } from '@/core/journal/drawings';
import type { Session } from '@/core/journal/session';
import { toolsWords } from '@/core/journal/toolsWords';
import { linePagesOf } from '@/core/journal/linePages';
import { linesAndTones } from '@/core/journal/lineAndTone';
import { clockDigits, durationWords } from '@/core/practice/time/duration';
import { parsePictureReference } from '@/core/references/picture';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { knownFacts } from '@/core/figure/catalogue/catalogue';

/** What was drawn, pose by pose, with how long. */
export function DrawnRow({ session }: { session: Session }) {
  const drawn = useMemo(() => posesDrawn(session), [session]);
  const pages = useMemo(() => linePagesOf(session), [session]);
  if (drawn.length + pages.length === 0) return null;
  const tools = toolsWords(session);
  return (
    <>
      {drawn.length > 0 && (
        <ul aria-label="Poses drawn" className="mt-4 flex flex-wrap gap-3">
          {drawn.map((d) => (
            <DrawnPose key={d.drawing} drawn={d} />
          ))}
        </ul>
      )}
      {tools !== '' && <p className="mt-2 text-[14px] text-quiet">{tools}</p>}
      {pages.length > 0 && (
        <p className="mt-2 text-[14px]">
          Pages of lines:{' '}
          {pages.map(({ motif, spentMs }) => `${motif.toLowerCase()} ${clockDigits(wholeSeconds(spentMs))}`).join(', ')}
          .
        </p>
      )}
      {linesAndTones(session).map(({ line, tone }) => (
        <p key={line.segmentIndex} className="mt-2 text-[14px]">
          One pose in two: line {clockDigits(line.spentMs)} and tone {clockDigits(tone.spentMs)}, together{' '}
          {clockDigits(line.spentMs + tone.spentMs)}.
        </p>
      ))}
    </>
  );
}

const wholeSeconds = (ms: number): number => Math.round(ms / 1000) * 1000;

/** Where a picture or a figure is seen with every drawing made of it. */
function pageOf(referenceId: string | null): Route | undefined {
  if (referenceId === null) return undefined;
  const pictureId = parsePictureReference(referenceId);
  const [place, id] = pictureId ? ['picture', pictureId] : ['figure', referenceId];
  return `/poses/${place}?id=${encodeURIComponent(id)}` as Route;
}

function DrawnPose({ drawn }: { drawn: Drawing }) {
  const url = useReferenceThumbnail(drawn.referenceId);
  const name = drawn.referenceId === null ? 'No reference' : (knownFacts(drawn.referenceId)?.name ?? 'Picture');
  const href = pageOf(drawn.referenceId);
  const picture = url ? (
    <img src={url} alt={name} className="max-h-[84px] max-w-full" />
  ) : (
    <span className="sr-only">{name}</span>
  );
  return (
    <li className="w-[76px] text-center text-[13px]">
      {href ? (
        <Link href={href} className="grid h-[92px] place-items-center bg-plate p-1 hover:bg-hairline" title={name}>
          {picture}
        </Link>
      ) : (
        <span className="grid h-[92px] place-items-center bg-plate p-1">{picture}</span>
      )}
      <span className="text-quiet">
        {drawn.label && `${drawn.label}, `}
        {durationWords(drawn.spentMs)}
        {drawn.visit.intoRoom && ', in a setting'}
      </span>
      {poseRecord(drawn).map((words) => (
        <span key={words} className="block leading-tight text-quiet">
          {words}
        </span>
      ))}
    </li>
  );
}
