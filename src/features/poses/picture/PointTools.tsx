'use client';
import { ArrowLeftRight, Frame, Move, PersonStanding, ScanSearch } from 'lucide-react';
import { pointOf, type PointName } from '@/core/body/points';
import { SWITCHABLE } from '@/core/body/lift';
import { Menu } from '../library/Menu';
import type { Points } from './usePoints';

/** Correcting what was found of the body: by moving points, by telling where to look, or wholly by hand. */
export function PointTools({
  points,
  moving,
  onMoving,
  onFrame,
}: {
  points: Points;
  moving: boolean;
  onMoving: (moving: boolean) => void;
  onFrame: () => void;
}) {
  const { body, busy, flip, swap, place, find } = points;
  const depth = (name: PointName): string => {
    const parent = name.replace('elbow', 'shoulder').replace('wrist', 'elbow').replace('knee', 'hip');
    const from = (name.endsWith('ankle') ? name.replace('ankle', 'knee') : parent) as PointName;
    if (!body) return '';
    const zOf = (n: PointName): number => body.space[indexOf(body, n)][2];
    return zOf(name) > zOf(from) ? 'away from you' : 'toward you';
  };
  return (
    <div className="flex flex-wrap gap-2" role="toolbar" aria-label="The body in the picture">
      {body ? (
        <button
          type="button"
          aria-pressed={moving}
          className={`btn-quiet btn btn-sm max-sm:h-12 ${moving ? 'border-ink bg-base-300' : ''}`}
          onClick={() => onMoving(!moving)}
        >
          <Move size={15} aria-hidden /> Move its points
        </button>
      ) : (
        <button
          type="button"
          className="btn-quiet btn btn-sm max-sm:h-12"
          onClick={() => {
            place();
            onMoving(true);
          }}
        >
          <PersonStanding size={15} aria-hidden /> Place points by hand
        </button>
      )}
      {body && (
        <>
          <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={swap}>
            <ArrowLeftRight size={15} aria-hidden /> Swap left and right
          </button>
          <Menu label="Toward or away">
            <ul>
              {SWITCHABLE.map((name) => (
                <li key={name} className="flex items-center justify-between gap-2 py-1">
                  <span>
                    {name}: {depth(name)}
                  </span>
                  <button
                    type="button"
                    className="btn-quiet btn btn-xs"
                    aria-label={`Turn the ${name} the other way`}
                    onClick={() => flip(name)}
                  >
                    switch
                  </button>
                </li>
              ))}
            </ul>
          </Menu>
        </>
      )}
      <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" disabled={busy} onClick={onFrame}>
        <Frame size={15} aria-hidden /> Frame the person
      </button>
      <button
        type="button"
        className="btn-quiet btn btn-sm max-sm:h-12"
        disabled={busy}
        title="Fetched once, 28 MB; slower and more careful with hidden limbs"
        onClick={() => find('heavy')}
      >
        <ScanSearch size={15} aria-hidden /> {busy ? 'Looking' : 'Try the larger model'}
      </button>
      {moving && body && (
        <p className="basis-full text-[14px] text-quiet">
          Left is ochre, right is plum; dashed points were guessed. Drag them, or go to one with Tab and move it with
          the arrow keys.
        </p>
      )}
    </div>
  );
}

const indexOf = (body: NonNullable<Points['body']>, name: PointName): number =>
  body.points.indexOf(pointOf(body.points, name));
