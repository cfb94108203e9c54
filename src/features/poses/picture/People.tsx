'use client';
import type { KeyboardEvent } from 'react';
import { boundsOf } from '@/core/body/oneBody';
import type { Body } from '@/core/body/body';

/** Room around a person's points, as a share of their height in the picture. */
const ROOM = 0.12;

interface PeopleProps {
  body: Body;
  w: number;
  h: number;
  onChoose: (index: number) => void;
}

/** Frames around all people of a picture: a tap on one makes facts and answer key those of that one. */
export function People({ body, w, h, onChoose }: PeopleProps) {
  const { others = [] } = body;
  const people = [{ points: body.points, index: -1 }, ...others.map(({ points }, index) => ({ points, index }))]
    .map((person) => ({ ...person, box: boundsOf(person.points) }))
    .sort((a, b) => a.box.left + a.box.right - b.box.left - b.box.right);
  return (
    <g>
      {people.map(({ index, box: { left, top, right, bottom } }, i) => {
        const room = ROOM * (bottom - top) * h;
        const looked = index < 0;
        const choose = (): void => {
          if (!looked) onChoose(index);
        };
        return (
          <rect
            key={index}
            role="button"
            tabIndex={0}
            aria-pressed={looked}
            aria-label={`Person ${String(i + 1)} of ${String(people.length)}, from the left`}
            x={left * w - room}
            y={top * h - room}
            width={(right - left) * w + 2 * room}
            height={(bottom - top) * h + 2 * room}
            rx={6}
            fill="transparent"
            stroke={looked ? 'var(--ochre)' : 'var(--plate)'}
            strokeWidth={looked ? 5 : 4}
            strokeDasharray={looked ? undefined : '10 7'}
            style={looked ? undefined : { paintOrder: 'stroke', outline: 'none' }}
            className="pointer-events-auto cursor-pointer focus-visible:stroke-[9]"
            onClick={choose}
            onKeyDown={(event: KeyboardEvent) => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              choose();
            }}
          />
        );
      })}
    </g>
  );
}
