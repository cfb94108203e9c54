'use client';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import type { Body } from '@/core/body/body';
import { HANDLES, pointOf, type PointName } from '@/core/body/points';
import type { PointsKey } from '@/core/body/pointsKey';
import type { PictureBox } from '@/core/references/picture';
import { AnswerKeyOverlay } from '@/ui/answerKey/AnswerKeyOverlay';
import type { LayerId } from '@/ui/answerKey/layers';
import { filterOf, type SeenAs, ValueFilters } from '@/ui/ValueFilters';
import { BoxEditor } from './BoxEditor';
import { HorizonLine } from './HorizonLine';
import { People } from './People';
import { ARROWS } from '@/ui/input/arrows';

export interface PlateProps {
  url: string;
  name: string;
  widthPx: number;
  heightPx: number;
  /** Shown as a veil until asked for. */
  veiled: boolean;
  seenAs: SeenAs;
  body: Body | undefined;
  answers: PointsKey | undefined;
  shown: ReadonlySet<LayerId>;
  moving: boolean;
  onMove: (name: PointName, x: number, y: number) => void;
  /** Look at another of the people in it. */
  onChoose: (index: number) => void;
  box: PictureBox | undefined;
  onBox: (box: PictureBox) => void;
  leftOut: readonly PictureBox[];
  /** The horizon while it is being drawn. */
  horizon: number | undefined;
  onHorizon: (at: number) => void;
  /** Where the light comes from; undefined where nobody knows, or it comes from the front. */
  lightFrom: string | undefined;
}

const STEP = 0.005;
const LINES: readonly (readonly [PointName, PointName])[] = [
  ['left shoulder', 'right shoulder'],
  ['left hip', 'right hip'],
  ['left shoulder', 'left hip'],
  ['right shoulder', 'right hip'],
  ...(['left', 'right'] as const).flatMap((side): [PointName, PointName][] => [
    [`${side} shoulder`, `${side} elbow`],
    [`${side} elbow`, `${side} wrist`],
    [`${side} hip`, `${side} knee`],
    [`${side} knee`, `${side} ankle`],
  ]),
];

/** A picture with what is known of it drawn over it; its points can be moved, and a part of it framed. */
export function PicturePlate(props: PlateProps) {
  const { url, name, widthPx, heightPx, veiled, answers, shown, moving, box, onBox, leftOut, horizon } = props;
  const scale = 1000 / Math.max(widthPx, heightPx);
  const [w, h] = [widthPx * scale, heightPx * scale];
  return (
    <div className="relative grid h-[min(70dvh,760px)] place-items-center overflow-hidden bg-plate p-3 select-none max-sm:h-[56dvh]">
      <div className="absolute inset-3">
        <ValueFilters />
        <img
          src={url}
          alt={name}
          draggable={false}
          className={`absolute inset-0 h-full w-full object-contain ${veiled ? 'blur-[40px]' : ''}`}
          style={veiled ? undefined : { filter: filterOf(props.seenAs) }}
        />
        {answers && shown.size > 0 && (
          <AnswerKeyOverlay answers={answers} shown={shown} label={`Answer key over ${name}`} />
        )}
        <svg
          viewBox={`0 0 ${String(w)} ${String(h)}`}
          className={`absolute inset-0 h-full w-full ${moving || box || horizon !== undefined ? 'touch-none' : 'pointer-events-none'}`}
          role="group"
          aria-label={`Over ${name}`}
        >
          {leftOut.map(({ left, top, width, height }, i) => (
            <rect key={i} x={left * w} y={top * h} width={width * w} height={height * h} fill="var(--hairline)" />
          ))}
          <LightArrow from={props.lightFrom} w={w} h={h} />
          {!moving && !box && horizon === undefined && !veiled && props.body?.others?.length ? (
            <People body={props.body} w={w} h={h} onChoose={props.onChoose} />
          ) : null}
          {moving && props.body && <Points {...props} body={props.body} w={w} h={h} />}
          {horizon !== undefined && <HorizonLine at={horizon} w={w} h={h} onChange={props.onHorizon} />}
          {box && <BoxEditor box={box} w={w} h={h} onChange={onBox} />}
        </svg>
      </div>
    </div>
  );
}

/** Where an arrow of the light begins, shares of the picture, and which way it points. */
const LIGHT: Readonly<Record<string, { at: readonly [number, number]; turn: number }>> = {
  left: { at: [0.03, 0.5], turn: 0 },
  right: { at: [0.97, 0.5], turn: 180 },
  above: { at: [0.5, 0.03], turn: 90 },
};

function LightArrow({ from, w, h }: { from: string | undefined; w: number; h: number }) {
  const light = from === undefined ? undefined : LIGHT[from];
  if (!light) return null;
  const [x, y] = light.at;
  return (
    <g
      transform={`translate(${String(x * w)} ${String(y * h)}) rotate(${String(light.turn)})`}
      fill="none"
      strokeLinecap="round"
    >
      <title>Light from {from === 'above' ? 'above' : `the ${String(from)}`}</title>
      {[
        ['var(--plate)', 12],
        ['var(--ochre)', 6],
      ].map(([color, width]) => (
        <path key={String(color)} d="M0 0H70M48 -18L70 0L48 18" stroke={String(color)} strokeWidth={width} />
      ))}
    </g>
  );
}

function Points({ body, onMove, w, h }: PlateProps & { body: Body; w: number; h: number }) {
  const held = useRef<PointName>(undefined);
  const place = (event: PointerEvent<SVGElement>): [number, number] | undefined => {
    const svg = event.currentTarget.ownerSVGElement;
    const matrix = svg?.getScreenCTM()?.inverse();
    if (!svg || !matrix) return undefined;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return [p.x / w, p.y / h];
  };
  const onKeyDown = (event: KeyboardEvent, name: PointName): void => {
    const by = event.shiftKey ? STEP * 5 : STEP;
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    const step = [arrow[0] * by, arrow[1] * by];
    event.preventDefault();
    const p = pointOf(body.points, name);
    onMove(name, p.x + step[0], p.y + step[1]);
  };
  return (
    <g>
      {LINES.map(([a, b]) => {
        const [p, q] = [pointOf(body.points, a), pointOf(body.points, b)];
        return (
          <path
            key={`${a} ${b}`}
            d={`M${String(p.x * w)} ${String(p.y * h)}L${String(q.x * w)} ${String(q.y * h)}`}
            stroke="var(--slate)"
            strokeWidth={4}
            strokeOpacity={0.8}
          />
        );
      })}
      {HANDLES.map((name) => {
        const { x, y, seen } = pointOf(body.points, name);
        return (
          <circle
            key={name}
            role="slider"
            aria-label={`${name}: arrow keys move it`}
            aria-valuetext={`${String(Math.round(x * 100))} % across, ${String(Math.round(y * 100))} % down`}
            aria-valuenow={Math.round(x * 100)}
            tabIndex={0}
            cx={x * w}
            cy={y * h}
            r={15}
            className="cursor-grab outline-offset-2 focus-visible:outline-2 focus-visible:outline-ink"
            fill={seen < 0.5 ? 'var(--plate)' : 'var(--ground)'}
            fillOpacity={seen < 0.5 ? 0.5 : 0.9}
            stroke={name.startsWith('right') ? 'var(--plum)' : name.startsWith('left') ? 'var(--ochre)' : 'var(--ink)'}
            strokeWidth={5}
            strokeDasharray={seen < 0.5 ? '6 5' : undefined}
            onKeyDown={(event) => onKeyDown(event, name)}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              held.current = name;
            }}
            onPointerMove={(event) => {
              const to = held.current === name ? place(event) : undefined;
              if (to) onMove(name, ...to);
            }}
            onPointerUp={() => (held.current = undefined)}
          />
        );
      })}
    </g>
  );
}
