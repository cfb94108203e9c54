'use client';
import { useState } from 'react';
import { figureReferenceId, SHIPPED_FIGURES } from '@/core/figure/reference';
import { knownFacts, shippedPicture, smallPictureUrl } from '@/storage/references';
import { FigureDialog } from './FigureDialog';

const IDS = SHIPPED_FIGURES.map(figureReferenceId);

const facingWords = {
  left: 'faces left',
  right: 'faces right',
  'toward you': 'faces you',
  away: 'faces away',
} as const;

/** The built-in figures: always there, each to be turned and drawn from any side. */
export function BuiltInFigures({ onPractice, onAddOwn }: { onPractice: () => void; onAddOwn: () => void }) {
  const [open, setOpen] = useState<string>();
  return (
    <section aria-label="Lantern pageant figures">
      <div className="flex flex-wrap items-center gap-3 py-4">
        <p className="max-w-[62ch] flex-1">
          A village gets ready for its lantern pageant. Clay figures, yours to use: open one to turn it and draw it from
          another side.
        </p>
        <button type="button" className="btn max-sm:h-14" onClick={onPractice}>
          Practice from this set
        </button>
        <button type="button" className="btn-quiet btn max-sm:h-14" onClick={onAddOwn}>
          Add your own pictures
        </button>
      </div>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-4">
        {IDS.map((id) => {
          const facts = knownFacts(id);
          const picture = shippedPicture(id);
          if (!facts || !picture) return null;
          return (
            <li key={id}>
              <button type="button" className="group w-full text-left" onClick={() => setOpen(id)}>
                <span className="grid h-[190px] place-items-end justify-center overflow-hidden bg-plate p-3 outline-1 outline-transparent group-hover:outline-ink">
                  <img
                    src={smallPictureUrl(picture)}
                    alt=""
                    width={picture.small[0]}
                    height={picture.small[1]}
                    loading="lazy"
                    className="h-auto max-h-[165px] w-auto max-w-full"
                  />
                </span>
                <span className="mt-1 block leading-tight font-semibold">{facts.name}</span>
                <span className="text-[13px] text-quiet">
                  {facts.viewName}
                  {facts.viewName !== 'front' && facts.viewName !== 'back' ? `, ${facingWords[facts.facing]}` : ''}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      {open && <FigureDialog referenceId={open} onClose={() => setOpen(undefined)} />}
    </section>
  );
}
