'use client';
import { type PointerEvent, useCallback, useEffect, useEffectEvent, useRef } from 'react';
import type { StrokePoint } from '@/core/hand/stroke';
import type { InkStroke, SheetTool } from '@/core/strokes/inkStroke';
import type { SheetPlace } from '@/core/strokes/sheetOf';
import { halfMmOf, meanPress, strokePieces } from '@/core/strokes/outline';
import { inkAlpha } from '@/core/strokes/takeOut';
import { useSize } from '@/ui/useSize';
import { PAPER_COLORS } from '@/ui/ink/grain';
import { type InkGround, paintPiece, paintStrokes, prepareInk } from '@/ui/ink/paintInk';
import type { NewStroke } from './useStrokes';

/** The pen stands when it has not moved for so long, milliseconds. */
const STANDS_MS = 350;
/** A mouse or a finger presses this hard. */
const UNKNOWN_PRESS = 0.5;
/** Lines are seen from this width on, CSS pixels. */
const LEAST_PX = 1.7;
/** Bit of a pen turned round to its eraser among the buttons held. */
const ERASER_BUTTON = 32;

/** A stroke under way. */
interface Live {
  pointerId: number;
  place: SheetPlace;
  tool: SheetTool;
  side: boolean;
  by: InkStroke['by'];
  startMs: number;
  points: StrokePoint[];
  /** Pieces that lie as they stay. */
  laid: number;
  /** Where the last, unfinished piece was laid, canvas pixels. */
  tip: readonly [number, number, number, number] | undefined;
}

export interface Surface {
  widthMm: number;
  heightMm: number;
  paper: InkGround['paper'];
  /** What lies on it; asked when it is laid anew. */
  strokes: () => readonly InkStroke[];
  /** Changes when it has to be laid anew. */
  laidKey: string;
  /** Changes when a stroke under way cannot go on: the time is up, it is on hold. */
  liveKey: string;
  tool: SheetTool;
  /** A pen's other end rubs out. */
  erases: boolean;
  /** Not seen at all, or not while the pen moves. */
  veil: 'none' | 'moving' | 'whole';
  turned: { mirrored: boolean; upsideDown: boolean };
  label: string;
  /** Pixels of this screen for each of its millimeters; undefined where it was never measured. */
  pxPerMm: number | undefined;
  /** Where a stroke that begins now belongs; undefined where nothing is drawn now. */
  onBegin: () => SheetPlace | undefined;
  onStroke: (stroke: NewStroke) => void;
}

/** A sheet that is drawn on: what is finished lies on one canvas, the stroke under way on two above it. */
export function InkSurface(props: Surface) {
  const { widthMm, heightMm, paper, strokes, laidKey, liveKey, veil, turned, pxPerMm } = props;
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const base = useRef<HTMLCanvasElement>(null);
  const laid = useRef<HTMLCanvasElement>(null);
  const tip = useRef<HTMLCanvasElement>(null);
  const over = useRef<HTMLDivElement>(null);
  const seen = useRef<HTMLDivElement>(null);
  const live = useRef<Live>(undefined);
  /** Once a pen was seen, a palm is not taken for a finger. */
  const penSeen = useRef(false);
  const standing = useRef<ReturnType<typeof setTimeout>>(undefined);
  const shown = size ? Math.min(size.width / widthMm, size.height / heightMm) : 0;
  const density = typeof devicePixelRatio === 'number' ? devicePixelRatio : 1;
  const [width, height] = [Math.floor(widthMm * shown), Math.floor(heightMm * shown)];

  const groundOf = useCallback(
    (canvas: HTMLCanvasElement | null): InkGround | undefined => {
      const context = canvas?.getContext('2d');
      return context ? { context, perMm: shown * density, leastPx: LEAST_PX * density, paper } : undefined;
    },
    [shown, density, paper],
  );
  const layAnew = useEffectEvent((): (() => void) | undefined => {
    for (const canvas of [base.current, laid.current, tip.current]) {
      if (!canvas) continue;
      canvas.width = Math.max(1, Math.round(width * density));
      canvas.height = Math.max(1, Math.round(height * density));
    }
    const ground = groundOf(base.current);
    return ground && width > 0 ? paintStrokes(ground, strokes()) : undefined;
  });
  useEffect(() => layAnew(), [laidKey, width, height, density, paper]);

  const { tool } = props;
  useEffect(() => {
    for (const canvas of [base.current, laid.current, tip.current]) {
      const ground = groundOf(canvas);
      if (ground) prepareInk(ground, tool);
    }
  }, [groundOf, tool]);

  const finish = useCallback(
    (onStroke: Surface['onStroke']): void => {
      const stroke = live.current;
      const ground = groundOf(base.current);
      if (!stroke || !ground) return;
      live.current = undefined;
      if (stroke.tool !== 'eraser') {
        // What lay above goes down onto the sheet as it was seen.
        ground.context.save();
        ground.context.globalAlpha = inkAlpha(stroke.tool, meanPress(stroke.points));
        if (laid.current && tip.current) {
          const joined = groundOf(laid.current);
          if (joined) {
            const { points } = stroke;
            const [from, to] = strokePieces(points.length)[stroke.laid];
            paintPiece(joined, points.slice(from, to), stroke, true);
          }
          ground.context.drawImage(laid.current, 0, 0);
          for (const canvas of [laid.current, tip.current])
            canvas.getContext('2d')?.clearRect(0, 0, canvas.width, canvas.height);
        }
        ground.context.restore();
      }
      onStroke({
        place: stroke.place,
        points: stroke.points,
        tool: stroke.tool,
        by: stroke.by,
        ...(stroke.side && { side: true }),
        ...(pxPerMm && { movedMm: shown / pxPerMm }),
      });
    },
    [groundOf, pxPerMm, shown],
  );

  /** Lay what is new of the stroke under way, and what the pen is expected to do next. */
  const lay = (stroke: Live, expected: readonly StrokePoint[]): void => {
    const { points, tool } = stroke;
    const pieces = strokePieces(points.length);
    const [onto, above] = tool === 'eraser' ? [base.current, undefined] : [laid.current, tip.current];
    const ground = groundOf(onto);
    if (!ground) return;
    for (; stroke.laid < pieces.length - 1; stroke.laid++)
      paintPiece(ground, points.slice(...pieces[stroke.laid]), stroke, false);
    const last = [...points.slice(...pieces[stroke.laid]), ...expected];
    if (!above) {
      paintPiece(ground, last, stroke, true);
      return;
    }
    const tipGround = groundOf(above);
    if (!tipGround) return;
    if (stroke.tip) tipGround.context.clearRect(...stroke.tip);
    paintPiece(tipGround, last, stroke, true);
    stroke.tip = boxAround(last, 2 * halfMmOf(stroke) + 1, tipGround.perMm);
    if (over.current && tool !== 'eraser') over.current.style.opacity = String(inkAlpha(tool, meanPress(last)));
  };

  const placeOf = (
    event: { clientX: number; clientY: number; timeStamp: number; pressure: number },
    stroke: Pick<Live, 'startMs' | 'by'>,
  ): StrokePoint => {
    const box = frame.current?.getBoundingClientRect();
    const [left, top] = box ? [box.left + (box.width - width) / 2, box.top + (box.height - height) / 2] : [0, 0];
    return [
      (event.clientX - left) / shown,
      (event.clientY - top) / shown,
      Math.max(0, event.timeStamp - stroke.startMs),
      stroke.by === 'pen' ? event.pressure : UNKNOWN_PRESS,
    ];
  };

  const onPointerDown = (event: PointerEvent<HTMLDivElement>): void => {
    const by = event.pointerType === 'pen' ? 'pen' : event.pointerType === 'touch' ? 'finger' : 'mouse';
    if (by === 'pen') penSeen.current = true;
    if (live.current || shown === 0 || (by === 'finger' && penSeen.current) || (by === 'mouse' && event.button !== 0))
      return;
    // A pen set down beside the paper draws nothing.
    const [x, y] = placeOf(event, { startMs: event.timeStamp, by });
    if (x < 0 || y < 0 || x * shown > width || y * shown > height) return;
    const place = props.onBegin();
    if (!place) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    event.preventDefault();
    const rubs = props.erases && (event.buttons & ERASER_BUTTON) !== 0;
    const stroke: Live = {
      pointerId: event.pointerId,
      place,
      tool: rubs ? 'eraser' : tool,
      side: by === 'pen' && heldFlat(event),
      by,
      startMs: event.timeStamp,
      points: [],
      laid: 0,
      tip: undefined,
    };
    stroke.points.push(placeOf(event, stroke));
    live.current = stroke;
    moving();
    lay(stroke, []);
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>): void => {
    const stroke = live.current;
    if (stroke?.pointerId !== event.pointerId) return;
    const { nativeEvent } = event;
    const between = nativeEvent.getCoalescedEvents?.() ?? [];
    for (const one of between.length > 0 ? between : [nativeEvent]) stroke.points.push(placeOf(one, stroke));
    moving();
    const expected = nativeEvent.getPredictedEvents?.() ?? [];
    lay(
      stroke,
      expected.map((one) => placeOf(one, stroke)),
    );
  };
  const onPointerUp = (event: PointerEvent<HTMLDivElement>): void => {
    if (live.current?.pointerId === event.pointerId) finish(props.onStroke);
  };

  /** With a veil that lifts when the pen stands: it moves. */
  const moving = (): void => {
    if (veil !== 'moving' || !seen.current) return;
    const { style } = seen.current;
    style.visibility = 'hidden';
    clearTimeout(standing.current);
    standing.current = setTimeout(() => (style.visibility = ''), STANDS_MS);
  };
  // The time is up, or another sheet comes: the stroke under way ends where it is.
  const endNow = useEffectEvent(() => finish(props.onStroke));
  useEffect(() => () => endNow(), [laidKey, liveKey]);
  useEffect(() => () => clearTimeout(standing.current), []);

  const turnedBy = `${turned.mirrored ? 'scaleX(-1)' : ''} ${turned.upsideDown ? 'rotate(180deg)' : ''}`;
  return (
    <div
      ref={frame}
      role="img"
      aria-label={props.label}
      className="absolute inset-0 grid touch-none place-content-center select-none"
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={onPointerUp}
      onContextMenu={(event) => event.preventDefault()}
    >
      <div
        className="relative overflow-hidden shadow-[0_1px_6px_rgb(0_0_0/0.25)]"
        style={{ width, height, background: PAPER_COLORS[paper] }}
      >
        <div
          ref={seen}
          className={`absolute inset-0 ${veil === 'whole' ? 'invisible' : ''}`}
          style={{ transform: turnedBy.trim() || undefined }}
        >
          <canvas ref={base} className="absolute inset-0 size-full" />
          <div ref={over} className="absolute inset-0">
            <canvas ref={laid} className="absolute inset-0 size-full" />
            <canvas ref={tip} className="absolute inset-0 size-full" />
          </div>
        </div>
      </div>
    </div>
  );
}

/** A pen is held flat when it leans so far from upright, degrees: as a pencil is to shade with its side. */
const FLAT_DEG = 50;
const heldFlat = ({ tiltX, tiltY }: { tiltX: number; tiltY: number }): boolean => {
  // The lean of both tilts together: tan² of it is the sum of theirs.
  const lean = Math.atan(Math.hypot(Math.tan((tiltX * Math.PI) / 180), Math.tan((tiltY * Math.PI) / 180)));
  return (lean * 180) / Math.PI > FLAT_DEG;
};

/** A box around places, in the pixels of a canvas. @param reachMm How far what is laid goes beyond them. */
function boxAround(
  points: readonly StrokePoint[],
  reachMm: number,
  perMm: number,
): [left: number, top: number, width: number, height: number] {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const [left, top] = [Math.min(...xs) - reachMm, Math.min(...ys) - reachMm];
  return [
    Math.floor(left * perMm),
    Math.floor(top * perMm),
    Math.ceil((Math.max(...xs) - left + reachMm) * perMm) + 2,
    Math.ceil((Math.max(...ys) - top + reachMm) * perMm) + 2,
  ];
}
