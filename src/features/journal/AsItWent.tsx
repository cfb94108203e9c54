'use client';
import { useMemo } from 'react';
import { actualRibbon } from '@/core/clock/ribbon';
import type { Session } from '@/core/journal/session';
import { accountSession } from '@/core/journal/sessionAccount';
import { clockDigits } from '@/core/practice/time/duration';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { sumPlan } from '@/core/practice/time/sums';
import { layOutLine, type RibbonLayout } from '@/ui/ribbon/layout';
import { Ribbon } from '@/ui/ribbon/Ribbon';
import { useWidth } from '@/ui/useWidth';

const MEASURE = { floorPx: 7, gapPx: 6 };
const JOIN_PX = 26;

/** Planned above actual at one scale; the start of each block is joined by a hairline. */
export function AsItWent({ session }: { session: Session }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const planned = useMemo(() => plannedRibbon(session.plan), [session]);
  const actual = useMemo(() => actualRibbon(session.plan, session.log, session.lastSeenMs), [session]);
  const wallMs = accountSession(session).wallMs;
  const { totalMs } = sumPlan(session.plan);
  const joined = useMemo(() => {
    if (width === 0 || actual.length === 0) return undefined;
    const measure = { ...MEASURE, widthPx: width };
    const pxPerMs = Math.min(layOutLine(planned, measure).pxPerMs, layOutLine(actual, measure).pxPerMs);
    return { pxPerMs, above: layOutLine(planned, measure, pxPerMs), below: layOutLine(actual, measure, pxPerMs) };
  }, [width, planned, actual]);
  return (
    <div className="grid grid-cols-[84px_1fr] items-start gap-x-4 max-sm:grid-cols-1">
      <RowLabel name="Planned" ms={totalMs} />
      <div ref={ref} className="min-h-[46px]">
        {joined && (
          <Ribbon
            blocks={planned}
            size="journal"
            pxPerMs={joined.pxPerMs}
            label={`Planned: ${planned.map((b) => `${b.label}, ${b.measure}`).join('; ')}`}
          />
        )}
      </div>
      <span className="max-sm:hidden" />
      <div style={{ height: JOIN_PX }}>
        {joined && <Joints above={joined.above} below={joined.below} width={width} />}
      </div>
      <RowLabel name="As it went" ms={wallMs} />
      <div className="min-h-[46px]">
        {joined && (
          <Ribbon
            blocks={actual}
            size="journal"
            pxPerMs={joined.pxPerMs}
            label={`As it went: ${actual.map((b) => `${b.label}, ${b.cells.length === 1 ? 'one part' : `${b.cells.length} parts`}`).join('; ')}`}
          />
        )}
      </div>
    </div>
  );
}

function RowLabel({ name, ms }: { name: string; ms: number }) {
  return (
    <p className="text-[14px] leading-tight">
      <b>{name}</b>
      <br />
      <span className="text-quiet tabular-nums">{clockDigits(ms)}</span>
    </p>
  );
}

function Joints({ above, below, width }: { above: RibbonLayout; below: RibbonLayout; width: number }) {
  const seen = new Set<number>();
  const joints = below.lines[0].blocks.flatMap((b) => {
    const { blockIndex } = b.block;
    const from = above.lines[0].blocks.find((a) => a.block.blockIndex === blockIndex);
    if (!from || seen.has(blockIndex)) return [];
    seen.add(blockIndex);
    return [[from.x, b.x]];
  });
  return (
    <svg aria-hidden width={width} height={JOIN_PX} className="overflow-visible">
      {joints.map(([a, b]) => (
        <path key={a} d={`M${a} -2V8L${b} ${JOIN_PX - 8}V${JOIN_PX + 2}`} fill="none" stroke="var(--rule)" />
      ))}
    </svg>
  );
}
