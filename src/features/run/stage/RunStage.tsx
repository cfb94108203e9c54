'use client';
import dynamic from 'next/dynamic';
import { type PointerEvent, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { MAX_ZOOM, type Viewing, WHOLE, withStart } from '@/core/journal/viewing';
import type { Exercise } from '@/core/practice/exercises/exercise';
import { MOST_LINE_POINTS } from '@/core/clock/log';
import type { PathPoint } from '@/core/seeing/edgePace';
import { thinned } from '@/core/seeing/thinned';
import { clearPlace } from '@/core/seeing/clearPlace';
import { held, pictureAt, type Rect, roomOn, type Turned, WIDE_PX, zoomedAt } from '@/core/seeing/place';
import { parsePictureReference } from '@/core/references/picture';
import { knownFacts } from '@/core/figure/catalogue/catalogue';
import type { LayerId } from '@/ui/answerKey/layers';
import { ValueFilters, valuesFilter } from '@/ui/ValueFilters';
import { type Aids, allowedAids, filterOfAids, withView } from './aids';
import { PictureStage } from './PictureStage';
import { RunButton } from '@/features/run/steer/RunButton';
import { StageMarks } from './StageMarks';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { useCloseUp } from './useCloseUp';
import type { ReadyPicture } from './usePictures';
import { useSize } from '@/ui/useSize';
import { occupiedOf } from './occupied';
import { useTaken } from './useTaken';

const PerspectiveBox = dynamic(() => import('@/ui/PerspectiveBox').then((m) => m.PerspectiveBox));
// After the time only.
const AnswerKeyOverlay = dynamic(() => import('@/ui/answerKey/AnswerKeyOverlay').then((m) => m.AnswerKeyOverlay));

const FILTER_NAME = 'run';
/** A press that moves less than this is a tap. */
const TAP_PX = 6;
/** Points of a traced edge are at least this far apart, shares. */
const TRACE_STEP = 0.004;
const WHEEL_SPEED = 0.0018;

export interface Stage {
  pictures: ReadonlyMap<string, ReadyPicture>;
  /** The picture to be seen now; null for none. */
  shownId: string | null;
  /** Shown beside words rather than alone. */
  aside: boolean;
  dim: boolean;
  exercise: Exercise | undefined;
  /** It is being drawn now. */
  drawing: boolean;
  aids: Aids;
  viewing: Viewing;
  onViewing: (change: (before: Viewing) => Viewing) => void;
  /** The clock waits for the picture. */
  awaited?: boolean;
  /** Takes another in the place of one that doesn't come; missing where that can't be done. */
  onAnother?: (() => void) | undefined;
  /** The words stand on this side of the picture. */
  wordsOn: 'left' | 'right';
  startPoint: PathPoint | undefined;
  /** Called with shares of the picture where a tap marks the beginning. */
  onStartPoint: ((x: number, y: number) => void) | undefined;
  /** The learner's line of the flow as it was drawn, and where a line is told to; missing where none is drawn. */
  flowLine: readonly PathPoint[] | undefined;
  onFlowLine: ((points: readonly PathPoint[]) => void) | undefined;
  /** Where the eye is to go first, and where that is told to. */
  focal: PathPoint | undefined;
  onFocal: ((x: number, y: number) => void) | undefined;
  onPlumb: (x: number, y: number) => void;
  /** The horizon of the room drawn into is moved. */
  onHorizon: ((horizon: number) => void) | undefined;
  spentShare: () => number;
  /** What is known of the figure shown. */
  answers: DrawnKey | undefined;
  /** All of it is drawn over the picture. */
  answersShown: boolean;
  /** Told how high the picture stands at zoom 1, CSS pixels; undefined while none is seen. */
  onPlace: (heightPx: number | undefined) => void;
  /** Told where the pointer is on the picture, shares. */
  onPointer: (at: readonly [number, number]) => void;
}

/** What the clock at the edge takes of a side, with some air. */
const BORDER_PX = 40;
const ANSWERS: ReadonlySet<LayerId> = new Set(['action', 'masses', 'tilts', 'landmarks']);

/** The edge that the pace follows: what the learner traced, else a figure's outline. */
function edgeOf(
  answers: DrawnKey | undefined,
  traced: Viewing['edge'],
): { points: readonly PathPoint[]; closed: boolean } | undefined {
  if (traced && traced.length > 1) return { points: traced, closed: false };
  const outline = answers?.outline.at(0);
  if (!answers || !outline) return undefined;
  return {
    points: outline.points.map(([x, y]): PathPoint => [x / answers.width, y / answers.height]),
    closed: outline.closed,
  };
}

/** The picture in its place, with what helps to see it; wheel, fingers and drags zoom and pan it. */
export function RunStage(props: Stage) {
  const { pictures, shownId, aside, dim, exercise, viewing, onViewing, wordsOn, startPoint, spentShare, answers } =
    props;
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const ruled = useMemo(() => allowedAids(props.aids, exercise), [props.aids, exercise]);
  const aids = useMemo(() => withView(ruled, exercise?.rule.view), [ruled, exercise]);
  const turned: Turned = useMemo(
    () => ({
      zoom: viewing.zoom,
      panX: viewing.panX,
      panY: viewing.panY,
      mirrored: aids.mirrored,
      upsideDown: aids.upsideDown,
    }),
    [viewing, aids.mirrored, aids.upsideDown],
  );
  const closeUp = useCloseUp(shownId, viewing.zoom);
  const edge = useMemo(() => edgeOf(answers, viewing.edge), [answers, viewing.edge]);
  const tracing = aids.pace && edge === undefined && shownId !== null && parsePictureReference(shownId) !== undefined;
  const [trace, setTrace] = useState<readonly PathPoint[]>([]);
  const { onFlowLine, onFocal } = props;
  // A larger picture is moved by dragging: then no line is drawn on it.
  const lining = onFlowLine !== undefined && turned.zoom <= 1 && !tracing;

  const shown = shownId === null ? undefined : pictures.get(shownId);
  const taken = useTaken(
    frame,
    [shownId, shown?.kind, size?.width, size?.height, wordsOn, aside, props.drawing].join(' '),
  );
  const placeOf = useCallback(
    (bitmap: ImageBitmap, boxes: readonly Rect[]): Rect | undefined => {
      const room = size && roomOn(size);
      if (!room) return undefined;
      const away = aside ? 0.88 : 0.62;
      const lean = size.width < WIDE_PX ? 0.5 : wordsOn === 'left' ? away : 1 - away;
      return clearPlace(room, bitmap, lean, boxes.length > 0 ? occupiedOf(bitmap) : [], boxes);
    },
    [size, aside, wordsOn],
  );
  const shownPlace = useMemo(
    () => (shown?.kind === 'ready' ? placeOf(shown.bitmap, aside ? [] : taken) : undefined),
    [shown, placeOf, aside, taken],
  );
  const { onPlace } = props;
  const heightPx = shownPlace?.height;
  useEffect(() => onPlace(heightPx), [onPlace, heightPx]);

  /** A pointer's place on the picture. */
  const onPicture = (event: { clientX: number; clientY: number }): readonly [number, number] | undefined => {
    const box = frame.current?.getBoundingClientRect();
    if (!box || !shownPlace) return undefined;
    return pictureAt(shownPlace, turned, event.clientX - box.left, event.clientY - box.top);
  };
  const fingers = useRef(new Map<number, { x: number; y: number }>());
  const pressed = useRef<{ x: number; y: number; moved: boolean }>(undefined);
  const turn = (next: Turned): void =>
    onViewing((before) => ({ ...before, zoom: next.zoom, panX: next.panX, panY: next.panY }));
  const zoomAt = (factor: number, clientX: number, clientY: number): void => {
    const box = frame.current?.getBoundingClientRect();
    if (box && shownPlace)
      turn(zoomedAt(shownPlace, turned, turned.zoom * factor, clientX - box.left, clientY - box.top, MAX_ZOOM));
  };

  const onPointerDown = (event: PointerEvent<HTMLDivElement>): void => {
    if (!shownPlace || (event.target as HTMLElement).closest('button, a, input')) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    pressed.current = { x: event.clientX, y: event.clientY, moved: fingers.current.size > 1 };
    if (tracing || lining) setTrace([]);
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>): void => {
    const at = onPicture(event);
    if (at) props.onPointer(at);
    const before = fingers.current.get(event.pointerId);
    if (!before || !shownPlace || !pressed.current) return;
    if (Math.hypot(event.clientX - pressed.current.x, event.clientY - pressed.current.y) > TAP_PX)
      pressed.current.moved = true;
    const other = [...fingers.current].find(([id]) => id !== event.pointerId)?.[1];
    fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    if (other) {
      const apart = Math.hypot(before.x - other.x, before.y - other.y);
      const now = Math.hypot(event.clientX - other.x, event.clientY - other.y);
      if (apart > 0) zoomAt(now / apart, (event.clientX + other.x) / 2, (event.clientY + other.y) / 2);
    } else if ((tracing || (lining && pressed.current.moved)) && at) {
      setTrace((points) => traced(points, at));
    } else if (turned.zoom > 1 && pressed.current.moved) {
      turn(
        held({
          ...turned,
          panX: turned.panX + (event.clientX - before.x) / shownPlace.width,
          panY: turned.panY + (event.clientY - before.y) / shownPlace.height,
        }),
      );
    }
  };
  const onPointerUp = (event: PointerEvent<HTMLDivElement>): void => {
    const press = pressed.current;
    if (!fingers.current.delete(event.pointerId) || !press) return;
    if (tracing && trace.length > 1) {
      onViewing((before) => ({ ...before, edge: trace.map(([x, y]): [number, number] => [x, y]) }));
      return;
    }
    if (lining && trace.length > 1) {
      onFlowLine(thinned(trace, MOST_LINE_POINTS));
      setTrace([]);
      return;
    }
    const at = onPicture(event);
    if (press.moved || !at || Math.min(...at) < 0 || Math.max(...at) > 1) return;
    if (aids.plumb) props.onPlumb(at[0], at[1]);
    else if (onFocal) onFocal(at[0], at[1]);
    else if (props.onStartPoint) {
      props.onStartPoint(at[0], at[1]);
      onViewing((before) => withStart(before, at[0], at[1], Date.now()));
    }
  };

  return (
    <div
      ref={frame}
      className="[container-type:size] absolute inset-0 touch-none overflow-hidden"
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={(event) => fingers.current.delete(event.pointerId)}
      onWheel={(event) => zoomAt(Math.exp(-event.deltaY * WHEEL_SPEED), event.clientX, event.clientY)}
    >
      <ValueFilters name={FILTER_NAME} threshold={aids.threshold} />
      {[...pictures].map(([id, picture]) => {
        const place = id === shownId ? shownPlace : picture.kind === 'ready' ? placeOf(picture.bitmap, []) : undefined;
        if (picture.kind !== 'ready' || !place) return null;
        const visible = id === shownId && !aids.hidden;
        return (
          <PictureStage
            key={id}
            bitmap={(id === shownId && closeUp) || picture.bitmap}
            place={place}
            turned={id === shownId ? turned : { ...turned, ...WHOLE }}
            filter={filterOfAids(aids, valuesFilter(aids.values, FILTER_NAME))}
            ground={aids.values > 0}
            visible={visible}
            dim={dim}
            label={`Reference: ${knownFacts(id)?.name ?? 'a picture of yours'}`}
          >
            {props.answersShown && answers && (
              <AnswerKeyOverlay
                answers={answers}
                shown={ANSWERS}
                label="Answer key"
                aside={beside(place, size, answers.height)}
              />
            )}
            {(!aside || onFocal) && (
              <StageMarks
                answers={answers}
                place={place}
                turned={turned}
                aids={aids}
                starts={props.onStartPoint ? earlierStarts(viewing, startPoint) : []}
                startPoint={startPoint}
                flowLine={lining && trace.length > 1 ? trace : props.flowLine}
                focal={props.focal}
                edge={tracing ? { points: trace, closed: false } : edge}
                spentShare={spentShare}
              />
            )}
          </PictureStage>
        );
      })}
      {shownId !== null && shown?.kind !== 'ready' && (
        <div className="absolute inset-0 grid place-content-center justify-items-center gap-3 px-8 text-center">
          <p role="status">
            {shown
              ? 'This picture is no longer in your library. Take another, draw from memory, or go to the next pose.'
              : props.awaited
                ? 'Getting the picture ready. The clock waits for it.'
                : 'Getting the picture ready.'}
          </p>
          {props.onAnother && (
            <RunButton className="btn-quiet h-12 px-4" onPress={props.onAnother}>
              Another picture <kbd className="kbd kbd-sm max-sm:hidden">4</kbd>
            </RunButton>
          )}
        </div>
      )}
      {aids.box !== null && props.drawing && <PerspectiveBox horizon={aids.box} onHorizon={props.onHorizon} />}
      {tracing && trace.length < 2 && (
        <p className="absolute inset-x-0 bottom-24 halo text-center font-serif text-[20px]">
          Trace the edge on the picture with pen, mouse or finger: the dot will run along it. It is remembered.
        </p>
      )}
    </div>
  );
}

/** Room left and right of a picture inside the clock at the edge, in the picture's own pixels. */
function beside(place: Rect, stage: { width: number } | undefined, pictureHeight: number): [number, number] {
  const px = pictureHeight / place.height;
  const free = (roomPx: number): number => Math.max(0, roomPx - BORDER_PX) * px;
  return [free(place.x), free((stage?.width ?? 0) - place.x - place.width)];
}

const traced = (points: readonly PathPoint[], at: readonly [number, number]): readonly PathPoint[] => {
  const last = points.at(-1);
  const inside: PathPoint = [Math.max(0, Math.min(1, at[0])), Math.max(0, Math.min(1, at[1]))];
  return last && Math.hypot(inside[0] - last[0], inside[1] - last[1]) < TRACE_STEP ? points : [...points, inside];
};

/** Where it was begun before now, each place once. */
function earlierStarts({ starts }: Viewing, now: PathPoint | undefined): PathPoint[] {
  const seen = new Set(now ? [now.join()] : []);
  return starts.flatMap(({ x, y }): PathPoint[] => {
    const key = [x, y].join();
    if (seen.has(key)) return [];
    seen.add(key);
    return [[x, y]];
  });
}
