'use client';
import { type KeyboardEvent, type PointerEvent, useId, useRef } from 'react';
import type { Findings } from '@/core/group/findings';
import type { Group, Member } from '@/core/group/group';
import { castShadow, type Placed, sheetMm } from '@/core/group/placeMembers';
import type { MemberPicture } from './MemberPictures';

/** A press of an arrow moves by so much of the sheet, with Shift by more. */
const STEP = 0.01;
const FAR = 0.05;

/** A drawing’s own paper is bleached: only what was drawn lies on the sheet. */
export const BLEACHED = 'grayscale(1) brightness(1.2) contrast(1.5)';

const two = (v: number): string => v.toFixed(2);
export const pathOfRings = (rings: readonly (readonly (readonly [number, number])[])[]): string =>
  rings.map((ring) => `M${ring.map(([x, y]) => `${two(x)} ${two(y)}`).join('L')}Z`).join('');

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const within = (v: number): number => Math.max(0, Math.min(1, v));

/** The group on its sheet, the ones behind first: moved by pointer and by keys. */
export function GroupSheet({
  group,
  placed,
  pictures,
  findings,
  chosen,
  onChoose,
  onMove,
  label,
}: {
  group: Group;
  /** From the front to the back. */
  placed: readonly Placed[];
  pictures: ReadonlyMap<string, MemberPicture>;
  findings: Findings;
  chosen: string | undefined;
  onChoose: (id: string) => void;
  onMove: (id: string, to: Pick<Member, 'x' | 'foot'>, done: boolean) => void;
  label: (id: string) => string;
}) {
  const { widthMm, heightMm } = sheetMm(group);
  const svg = useRef<SVGSVGElement>(null);
  const grip = useRef<{ id: string; dx: number; dy: number }>(undefined);
  const clip = useId();
  const at = (event: PointerEvent): readonly [number, number] => {
    const box = svg.current?.getBoundingClientRect();
    return box ? [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height] : [0, 0];
  };
  const onKey = (event: KeyboardEvent, { id, x, foot }: Member): void => {
    const way = Object.hasOwn(ARROWS, event.key) ? ARROWS[event.key] : undefined;
    if (!way) return;
    event.preventDefault();
    const by = event.shiftKey ? FAR : STEP;
    onMove(id, { x: within(x + way[0] * by), foot: within(foot + way[1] * by) }, true);
  };
  const eyeY = group.eyeLevel * heightMm;
  const { circle } = findings;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${two(widthMm)} ${two(heightMm)}`}
      className="w-full touch-none bg-[#fbf8f1] shadow-[0_1px_6px_rgb(0_0_0/0.25)]"
      style={{ aspectRatio: `${two(widthMm)} / ${two(heightMm)}`, maxHeight: '72dvh' }}
      role="group"
      aria-label="The group on its sheet"
    >
      <path d={`M0 ${two(eyeY)}H${two(widthMm)}`} stroke="#41607a" strokeWidth={0.6} strokeDasharray="6 4" />
      <text x={3} y={eyeY - 2} fontSize={heightMm / 42} fill="#41607a">
        eye level
      </text>
      {placed.toReversed().map((one) => (
        <path
          key={`shadow ${one.member.id}`}
          d={pathOfRings(castShadow(one, group.lightFrom))}
          fill="#2b2622"
          opacity={0.22}
        />
      ))}
      {placed.toReversed().map((one) => {
        const { member, k, left, top, middleX, rings } = one;
        const { url, shape, window } = pictures.get(member.id) ?? {};
        if (!shape) return null;
        const clipId = `${clip}${member.id}`;
        const plainRings = shape.rings.map((ring) => ring.map(([x, y]) => [left + x * k, top + y * k] as const));
        return (
          <g
            key={member.id}
            role="button"
            tabIndex={0}
            aria-label={label(member.id)}
            aria-pressed={chosen === member.id}
            className="cursor-grab focus-visible:outline-2 focus-visible:outline-offset-2"
            onFocus={() => onChoose(member.id)}
            onKeyDown={(event) => onKey(event, member)}
            onPointerDown={(event) => {
              const [x, y] = at(event);
              event.currentTarget.setPointerCapture(event.pointerId);
              grip.current = { id: member.id, dx: member.x - x, dy: member.foot - y };
              onChoose(member.id);
            }}
            onPointerMove={(event) => {
              const held = grip.current;
              if (held?.id !== member.id) return;
              const [x, y] = at(event);
              onMove(member.id, { x: within(x + held.dx), foot: within(y + held.dy) }, false);
            }}
            onPointerUp={(event) => {
              const held = grip.current;
              grip.current = undefined;
              if (held?.id !== member.id) return;
              const [x, y] = at(event);
              onMove(member.id, { x: within(x + held.dx), foot: within(y + held.dy) }, true);
            }}
          >
            <clipPath id={clipId}>
              {plainRings.length > 0 ? (
                <path d={pathOfRings(plainRings)} clipRule="evenodd" />
              ) : (
                <rect
                  x={left + (window?.x ?? 0) * k}
                  y={top + (window?.y ?? 0) * k}
                  width={(window?.width ?? shape.width) * k}
                  height={(window?.height ?? shape.height) * k}
                />
              )}
            </clipPath>
            <g transform={member.mirrored ? `translate(${two(2 * middleX)} 0) scale(-1 1)` : undefined}>
              {url ? (
                <image
                  href={url}
                  x={left}
                  y={top}
                  width={shape.width * k}
                  height={shape.height * k}
                  preserveAspectRatio="none"
                  clipPath={`url(#${clipId})`}
                  style={plainRings.length > 0 ? undefined : { mixBlendMode: 'multiply', filter: BLEACHED }}
                />
              ) : (
                <path d={pathOfRings(plainRings)} fill="#b9a58c" />
              )}
            </g>
            <path
              d={pathOfRings(rings)}
              fill="transparent"
              stroke={chosen === member.id ? '#c4452a' : 'none'}
              strokeWidth={1.2}
            />
          </g>
        );
      })}
      {placed.length > 0 && circle.r > 0 && (
        <circle
          cx={circle.x}
          cy={circle.y}
          r={circle.r}
          fill="none"
          stroke="#5d6b4a"
          strokeWidth={0.8}
          strokeDasharray="3 3"
          pointerEvents="none"
        />
      )}
    </svg>
  );
}
