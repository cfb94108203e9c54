import { clockDigits } from '@/core/practice/time/duration';
import { LeadIn } from './LeadIn';
import { LinesPage } from './LinesPage';
import { PoseWords } from './PoseWords';
import { Resting } from './Resting';
import type { SegmentProps } from './segmentProps';
import { timerLabel } from './words';

/** The few words of each moment, and the digits. */
export function SegmentWords(given: Omit<SegmentProps, 'segment'>) {
  const { segments, state, clock, wordsOn } = given;
  const segment = segments[state.segmentIndex];
  const props: SegmentProps = { ...given, segment };
  const waits = segment.answered === true && state.elapsedMs >= state.lengthMs;
  const overMs = segment.overMs > 0 && !segment.answered ? state.elapsedMs - state.lengthMs : 0;
  const up = (ms: number): number => ms - (ms % 1000);
  const shown = segment.open ? up(state.elapsedMs) : overMs > 0 ? up(overMs) : Math.ceil(state.leftMs / 1000) * 1000;
  const digits =
    clock === 'none' || waits ? null : (
      <p
        role="timer"
        aria-label={timerLabel(segment, overMs)}
        className={`pointer-events-none absolute bottom-9 rounded px-2 digits leading-[0.86] tracking-tight halo ${overMs > 0 ? 'text-moss-text' : ''} ${
          clock === 'large' ? 'run-digits' : 'text-[44px]'
        } ${wordsOn === 'left' ? 'left-12 max-sm:left-10' : 'right-12 max-sm:right-10'}`}
      >
        {overMs > 0 && '+'}
        {clockDigits(shown)}
      </p>
    );
  switch (segment.kind) {
    case 'leadIn':
    case 'change':
      return <LeadIn {...props} />;
    case 'rest':
    case 'lookBack':
    case 'body':
      return <Resting {...props} shownMs={shown} />;
    case 'page':
      return (
        <>
          <LinesPage {...props} />
          {digits}
        </>
      );
    default:
      return (
        <>
          <PoseWords {...props} />
          {digits}
        </>
      );
  }
}
