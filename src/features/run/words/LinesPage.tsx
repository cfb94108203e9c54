import { comfortableGrip } from '@/core/journal/comfortableGrip';
import { useStored } from '@/storage/hooks/useStored';
import { listOwnSessions } from '@/storage/sessions/sessions';
import { gripFor } from '@/core/practice/rules/grips';
import type { LINE_MOTIFS } from '@/core/practice/start/warmUp';
import { RunButton } from '@/features/run/steer/RunButton';
import type { SegmentProps } from './segmentProps';
import { MOTIF_PATHS, pagesBefore, poseCount } from './words';

/** A page of lines: the motif, a grip to try, and "page full". */
export function LinesPage({ plan, segments, segment, onCommand }: SegmentProps) {
  const block = plan.blocks[segment.blockIndex];
  const comfortable = useStored(async () => comfortableGrip(await listOwnSessions()), ['sessions'], []).value;
  if (block.kind !== 'lines') return null;
  const { motif } = block.pages[segment.poseIndex];
  return (
    <div className="absolute inset-0 grid place-content-center justify-items-center gap-2 px-12 text-center">
      <p className="run-small text-quiet">{poseCount(plan, segment)}</p>
      <p className="run-title font-serif leading-none">{motif}</p>
      <svg viewBox="0 0 120 80" className="my-3 w-[min(34vh,60vw)]" aria-hidden>
        <path
          d={MOTIF_PATHS[motif as (typeof LINE_MOTIFS)[number]] ?? MOTIF_PATHS.Verticals}
          fill="none"
          stroke="var(--charcoal)"
          strokeWidth="1.6"
          strokeLinecap="round"
        />
      </svg>
      <p className="max-w-[38ch]">Fill the sheet, fast. No line matters by itself. It takes as long as it takes.</p>
      <p className="text-quiet">
        Grip to try: <b className="font-semibold text-ink">{gripFor(plan.seed, pagesBefore(segments, segment))}</b>
        {comfortable && <span className="block">Comfortable the last time: {comfortable}.</span>}
      </p>
      <RunButton className="mt-3 h-14 px-6 text-[17px]" onPress={() => onCommand('next')}>
        Page full <kbd className="kbd kbd-sm">Right</kbd>
      </RunButton>
    </div>
  );
}
