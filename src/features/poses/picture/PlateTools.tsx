'use client';
import { Crop, EyeOff, Sunset } from 'lucide-react';
import type { Picture } from '@/core/references/picture';
import { listWords } from '@/core/words';
import { alterPictures } from '@/storage/pictures/history';
import { type SeenAs, SeenAsChoice } from '@/ui/ValueFilters';
import { told } from '../library/useLibraryActions';
import { horizonWords } from './HorizonLine';
import { PointTools } from './PointTools';
import { LEFT_OUT, type Marking } from './useMarking';
import type { Points } from './usePoints';

interface PlateToolsProps {
  picture: Picture;
  points: Points;
  marking: Marking;
  moving: boolean;
  onMoving: (moving: boolean) => void;
  seenAs: SeenAs;
  onSeenAs: (seenAs: SeenAs) => void;
  /** Where the picture is veiled. */
  onLift: (() => void) | undefined;
}

/** What can be done on a picture itself: its body corrected, a part framed, its horizon drawn. While one is done, only what ends it. */
export function PlateTools({ picture, points, marking, moving, onMoving, seenAs, onSeenAs, onLift }: PlateToolsProps) {
  const { framing, horizon } = marking;
  if (horizon !== undefined)
    return (
      <p className="flex flex-wrap items-center gap-2" role="status">
        Drag the line to where sky and ground would meet: {horizonWords(horizon)}.
        <button type="button" className="btn btn-sm" onClick={() => marking.keepHorizon(horizon)}>
          Use this horizon
        </button>
        {typeof picture.horizon === 'number' && (
          <button type="button" className="btn-quiet btn btn-sm" onClick={() => marking.keepHorizon(null)}>
            Forget it
          </button>
        )}
        <button type="button" className="btn-quiet btn btn-sm" onClick={marking.cancel}>
          Cancel
        </button>
      </p>
    );
  if (framing)
    return (
      <p className="flex flex-wrap items-center gap-2" role="status">
        {
          {
            person: 'Draw the frame around the person.',
            'close-up': 'Frame what you want to study.',
            'left out': 'Frame what you will not draw.',
          }[framing.for]
        }
        {framing.for === 'left out' && (
          <select
            className="select w-[150px] select-sm"
            aria-label="What is left out"
            value={framing.words}
            onChange={(event) => marking.setWords(event.target.value)}
          >
            {LEFT_OUT.map((words) => (
              <option key={words}>{words}</option>
            ))}
          </select>
        )}
        <button type="button" className="btn btn-sm" onClick={marking.applyFrame}>
          Use this frame
        </button>
        <button type="button" className="btn-quiet btn btn-sm" onClick={marking.cancel}>
          Cancel
        </button>
      </p>
    );
  return (
    <>
      <PointTools points={points} moving={moving} onMoving={onMoving} onFrame={() => marking.begin('person')} />
      <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={() => marking.begin('close-up')}>
        <Crop size={15} aria-hidden /> Close-up of a part
      </button>
      <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={() => marking.begin('left out')}>
        <EyeOff size={15} aria-hidden /> Leave a part out
      </button>
      {(picture.leftOut?.length ?? 0) > 0 && (
        <button
          type="button"
          className="btn-quiet btn btn-sm max-sm:h-12"
          onClick={() =>
            told(
              alterPictures('Nothing left out', [picture.id], () => ({ leftOut: [] })),
              'Nothing is left out',
            )
          }
        >
          Leave nothing out ({listWords((picture.leftOut ?? []).map((l) => l.words))})
        </button>
      )}
      {points.body && (
        <button
          type="button"
          className="btn-quiet btn btn-sm max-sm:h-12"
          onClick={() => {
            onMoving(false);
            marking.setHorizon(picture.horizon ?? 0.5);
          }}
        >
          <Sunset size={15} aria-hidden /> Draw the horizon
        </button>
      )}
      <SeenAsChoice className="max-sm:h-12" value={seenAs} onChange={onSeenAs} />
      {onLift && (
        <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={onLift}>
          Lift the veil
        </button>
      )}
    </>
  );
}
