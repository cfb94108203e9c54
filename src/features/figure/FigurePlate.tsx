import { type PointerEvent, type RefObject, useRef } from 'react';
import { AnswerKeyOverlay } from '@/ui/answerKey/AnswerKeyOverlay';
import type { LayerId } from '@/ui/answerKey/layers';
import type { FigureState } from './useFigure';
import { filterOf, type SeenAs, ValueFilters } from '@/ui/ValueFilters';

/** Degrees turned for each pixel dragged, and the least that is worth a new picture. */
const DEG_PER_PX = 0.4;
const LEAST_DEG = 5;

/** The figure's picture with the answer key over it; dragged to turn it. */
export function FigurePlate({
  figure,
  name,
  shown,
  seenAs,
  svgRef,
  onDrag,
}: {
  figure: FigureState;
  name: string;
  shown: ReadonlySet<LayerId>;
  seenAs: SeenAs;
  svgRef: RefObject<SVGSVGElement | null>;
  onDrag: (turnDeg: number, raiseDeg: number) => void;
}) {
  const from = useRef<{ x: number; y: number }>(undefined);
  const drag = (event: PointerEvent): void => {
    if (!from.current) return;
    const turn = Math.round(-(event.clientX - from.current.x) * DEG_PER_PX);
    const raise = Math.round((event.clientY - from.current.y) * DEG_PER_PX);
    if (Math.abs(turn) < LEAST_DEG && Math.abs(raise) < LEAST_DEG) return;
    from.current = { x: event.clientX, y: event.clientY };
    onDrag(turn, raise);
  };
  const { reading } = figure;
  return (
    <div
      className="relative grid h-[min(66dvh,720px)] touch-none place-items-center overflow-hidden bg-plate p-3 select-none max-sm:h-[56dvh]"
      style={{ cursor: 'grab' }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { x: event.clientX, y: event.clientY };
      }}
      onPointerMove={drag}
      onPointerUp={() => (from.current = undefined)}
      onPointerCancel={() => (from.current = undefined)}
    >
      {figure.url ? (
        <div className="absolute inset-3">
          <ValueFilters />
          <img
            src={figure.url}
            alt={`${name}${reading ? `, ${reading.key.viewName} view` : ''}`}
            draggable={false}
            className="absolute inset-0 h-full w-full object-contain"
            style={{ filter: filterOf(seenAs) }}
          />
          {reading && shown.size > 0 && (
            <AnswerKeyOverlay answers={reading.key} shown={shown} svgRef={svgRef} label={`Answer key over ${name}`} />
          )}
        </div>
      ) : (
        !figure.failed && <div className="h-full w-full skeleton" />
      )}
      {figure.failed && (
        <p role="alert" className="max-w-[40ch] rounded bg-sheet p-3">
          This view could not be made here. Nothing is lost: turn the figure, or go back to Poses and choose another.
        </p>
      )}
      {figure.busy && figure.url && (
        <p role="status" className="absolute right-3 bottom-3 rounded bg-sheet px-2 py-1 text-[13px] text-quiet">
          A draft; the finished picture follows.
        </p>
      )}
    </div>
  );
}
