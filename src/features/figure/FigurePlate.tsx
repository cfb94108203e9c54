import { type PointerEvent, type ReactNode, type RefObject, useRef } from 'react';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { AnswerKeyOverlay } from '@/ui/answerKey/AnswerKeyOverlay';
import type { LayerId } from '@/ui/answerKey/layers';
import type { FigureState } from './useFigure';
import type { LiveTurn } from './useLiveTurn';
import { filterOf, type SeenAs, ValueFilters } from '@/ui/ValueFilters';

/** Degrees turned for each pixel dragged, and the least that is worth a new picture where it is not drawn live. */
const DEG_PER_PX = 0.4;
const LEAST_DEG = 5;
/** Degrees of lens for each pixel two fingers come together or part. */
const LENS_PER_PX = 0.12;

type Point = Pick<PointerEvent, 'clientX' | 'clientY'>;
const at = ({ clientX, clientY }: PointerEvent): Point => ({ clientX, clientY });

/** The figure's picture with the answer key over it; dragged it turns, live where that can be; two fingers dial the lens. */
export function FigurePlate({
  figure,
  lines,
  name,
  shown,
  seenAs,
  svgRef,
  canvasRef,
  live,
  onLook,
  onLetGo,
  children,
}: {
  figure: FigureState;
  /** Borders of planes and solids, as far as they are known. */
  lines: Pick<DrawnKey, 'planes' | 'solids'>;
  name: string;
  shown: ReadonlySet<LayerId>;
  seenAs: SeenAs;
  svgRef: RefObject<SVGSVGElement | null>;
  /** What is drawn live goes here. */
  canvasRef: RefObject<HTMLCanvasElement | null>;
  live: LiveTurn;
  /** The camera moves by so much, seen from where the hand took hold. @returns Whether that is drawn live. */
  onLook: (by: { turnDeg: number; raiseDeg: number; lensDeg: number }) => boolean;
  /** The hand is away: what it turned to stays. */
  onLetGo: (by: { turnDeg: number; raiseDeg: number; lensDeg: number }) => void;
  /** What lies over it. */
  children?: ReactNode;
}) {
  const fingers = useRef(new Map<number, Point>());
  const moved = useRef({ turnDeg: 0, raiseDeg: 0, lensDeg: 0 });
  const apart = (): number => {
    const [a, b] = [...fingers.current.values()];
    return Math.hypot(a.clientX - b.clientX, a.clientY - b.clientY);
  };
  const drag = (event: PointerEvent): void => {
    const before = fingers.current.get(event.pointerId);
    if (!before) return;
    const by = { ...moved.current };
    if (fingers.current.size > 1) {
      const wide = apart();
      fingers.current.set(event.pointerId, at(event));
      by.lensDeg += (apart() - wide) * LENS_PER_PX;
    } else {
      by.turnDeg -= (event.clientX - before.clientX) * DEG_PER_PX;
      by.raiseDeg += (event.clientY - before.clientY) * DEG_PER_PX;
      fingers.current.set(event.pointerId, at(event));
    }
    moved.current = by;
    if (onLook(by)) return;
    // Not drawn live: a picture for every few degrees.
    if (Math.max(...Object.values(by).map(Math.abs)) < LEAST_DEG) return;
    onLetGo(by);
    moved.current = { turnDeg: 0, raiseDeg: 0, lensDeg: 0 };
  };
  const letGo = (event: PointerEvent): void => {
    fingers.current.delete(event.pointerId);
    if (fingers.current.size > 0) return;
    if (Object.values(moved.current).some((v) => v !== 0)) onLetGo(moved.current);
    moved.current = { turnDeg: 0, raiseDeg: 0, lensDeg: 0 };
  };
  const { reading } = figure;
  return (
    <div
      className="relative grid h-[clamp(320px,100dvh-11.5rem,920px)] touch-none place-items-center overflow-hidden bg-plate p-3 select-none max-sm:h-[56dvh] print:h-[150mm]"
      style={{ cursor: 'grab' }}
      onPointerEnter={live.prepare}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        fingers.current.set(event.pointerId, at(event));
      }}
      onPointerMove={drag}
      onPointerUp={letGo}
      onPointerCancel={letGo}
    >
      <canvas
        ref={canvasRef}
        aria-hidden
        className="absolute inset-3 h-[calc(100%-24px)] w-[calc(100%-24px)]"
        style={{ visibility: live.shows ? 'visible' : 'hidden', filter: filterOf(seenAs) }}
      />
      {figure.url ? (
        <div className="absolute inset-3">
          <ValueFilters />
          <img
            src={figure.url}
            alt={`${name}${reading ? `, ${reading.key.viewName} view` : ''}`}
            draggable={false}
            className="absolute inset-0 h-full w-full object-contain"
            style={{ filter: filterOf(seenAs), visibility: live.shows ? 'hidden' : 'visible' }}
          />
          {reading && shown.size > 0 && !live.shows && (
            <AnswerKeyOverlay
              answers={{ ...reading.key, ...lines }}
              shown={shown}
              svgRef={svgRef}
              label={`Answer key over ${name}`}
            />
          )}
        </div>
      ) : (
        !figure.failed && <div className="h-full w-full skeleton" />
      )}
      {children}
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
