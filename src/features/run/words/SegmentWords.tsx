import { LeadIn } from './LeadIn';
import { LinesPage } from './LinesPage';
import { PoseWords } from './PoseWords';
import { Resting } from './Resting';
import type { SegmentProps } from './segmentProps';
import { Ticking } from './Ticking';
import { digitsOf, overtimeOf, timerLabel } from './words';

/** The few words of each moment, and the digits. */
export function SegmentWords(given: Omit<SegmentProps, 'segment'>) {
  const { segments, state, clock, wordsOn } = given;
  const segment = segments[state.segmentIndex];
  const props: SegmentProps = { ...given, segment };
  const waits = segment.answered === true && state.elapsedMs >= state.lengthMs;
  const overMs = overtimeOf(segment, state);
  const digits =
    clock === 'none' || waits ? null : (
      <p
        role="timer"
        data-over
        aria-label={timerLabel(segment, overMs)}
        className={`pointer-events-none absolute bottom-9 halo rounded px-2 digits leading-[0.86] tracking-tight ${overMs > 0 ? 'text-moss-text' : ''} ${
          clock === 'large' ? 'run-digits' : 'text-[44px]'
        } ${wordsOn === 'left' ? 'left-12 max-sm:left-10' : 'right-12 max-sm:right-10'}`}
      >
        <Ticking state={state} words={(now) => digitsOf(segment, now)} />
      </p>
    );
  switch (segment.kind) {
    case 'leadIn':
    case 'change':
      return <LeadIn {...props} />;
    case 'rest':
    case 'lookBack':
    case 'body':
      return <Resting {...props} />;
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
