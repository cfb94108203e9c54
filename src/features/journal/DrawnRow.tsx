'use client';
import { useMemo } from 'react';
import type { Session } from '@/core/journal/session';
import { durationWords } from '@/core/practice/duration';
import { expandPlan } from '@/core/practice/timeline';
import { visitSpentMs } from '@/core/clock/account';
import { stateOnTimeline } from '@/core/clock/run';
import { useReferenceThumbnail } from '@/storage/useThumbnail';
import { knownFacts } from '@/storage/references';

interface Drawn {
  key: string;
  referenceId: string | null;
  spentMs: number;
}

/** What was drawn, pose by pose, with how long. */
export function DrawnRow({ session }: { session: Session }) {
  const drawn = useMemo((): Drawn[] => {
    const timeline = expandPlan(session.plan);
    const { visits } = stateOnTimeline(timeline, session.log, session.lastSeenMs);
    const bySegment = new Map<number, Drawn>();
    for (const visit of visits) {
      const { kind, blockIndex, poseIndex } = timeline.segments[visit.segmentIndex];
      const block = session.plan.blocks[blockIndex];
      if (kind !== 'draw' || block.kind !== 'poses') continue;
      const before = bySegment.get(visit.segmentIndex)?.spentMs ?? 0;
      bySegment.set(visit.segmentIndex, {
        key: String(visit.segmentIndex),
        referenceId: block.poses[poseIndex].referenceId,
        spentMs: before + visitSpentMs(visit),
      });
    }
    return [...bySegment.values()];
  }, [session]);
  if (drawn.length === 0) return null;
  return (
    <ul aria-label="Poses drawn" className="mt-4 flex flex-wrap gap-3">
      {drawn.map((d) => (
        <DrawnPose key={d.key} drawn={d} />
      ))}
    </ul>
  );
}

function DrawnPose({ drawn }: { drawn: Drawn }) {
  const url = useReferenceThumbnail(drawn.referenceId);
  const name = drawn.referenceId === null ? 'No reference' : (knownFacts(drawn.referenceId)?.name ?? 'Picture');
  return (
    <li className="w-[76px] text-center text-[13px]">
      <span className="grid h-[92px] place-items-center bg-plate p-1">
        {url ? (
          <img src={url} alt={name} title={name} className="max-h-[84px] max-w-full" />
        ) : (
          <span className="sr-only">{name}</span>
        )}
      </span>
      <span className="text-quiet">{durationWords(drawn.spentMs)}</span>
    </li>
  );
}
