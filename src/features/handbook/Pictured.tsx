'use client';
import { type CSSProperties, useMemo } from 'react';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { holdWords } from '@/core/figure/facts/sentences';
import { drawByHand } from '@/core/hand/draw';
import type { Illustration, WayOfSeeing } from '@/core/handbook/chapter';
import { MOVE_PICTURES } from '@/core/practice/start/warmUp';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { AnswerKeyOverlay } from '@/ui/answerKey/AnswerKeyOverlay';
import { isLayer } from '@/ui/answerKey/layers';
import { HandDrawn } from '@/ui/hand/HandDrawn';
import { MovePicture } from '@/ui/MovePicture';
import { filterOf } from '@/ui/ValueFilters';
import { InkDrawn } from './InkDrawn';

/** Pictures of a chapter are so tall, CSS pixels. */
const TALL = 200;
/** Those of a move, of which there are two or three side by side. */
const MOVE_TALL = 120;
/** One that lies is no wider than this. */
const WIDEST = 230;

/** How a picture is shown in a way of seeing; a small one is squinted at less than one as large as the screen. */
const SEEN: Record<WayOfSeeing, CSSProperties> = {
  'as it is': {},
  squinting: { filter: 'blur(3px)' },
  'two values': { filter: filterOf('values-2') },
  mirrored: { transform: 'scaleX(-1)' },
  'upside down': { transform: 'rotate(180deg)' },
  'from afar': { transform: 'scale(0.3)' },
};

/** The figure of a chapter: its small picture, and its answer key once it is worked out. */
export interface FigureShown {
  url: string | undefined;
  answers: DrawnKey | undefined;
}

/** A picture of a passage with its caption. */
export function Pictured({ picture, figure }: { picture: Illustration; figure: FigureShown }) {
  return (
    <figure className="shrink-0">
      <Shown picture={picture} figure={figure} />
      <figcaption className="mt-1 max-w-[170px] text-[13px] text-quiet">
        {picture.caption}
        {picture.kind === 'held' && `: ${holdWords(picture.holdS)}`}
      </figcaption>
    </figure>
  );
}

function Shown({ picture, figure }: { picture: Illustration; figure: FigureShown }) {
  switch (picture.kind) {
    case 'layer':
      return <Plate figure={figure} layer={picture.id} caption={picture.caption} />;
    case 'seen':
      return <Plate figure={figure} style={SEEN[picture.as]} caption={picture.caption} />;
    case 'hand':
      return figure.answers ? (
        <ByHand answers={figure.answers} picture={picture} />
      ) : (
        <div className="skeleton" style={{ height: TALL, width: 0.6 * TALL }} />
      );
    case 'held':
      return <OtherFigure reference={picture.reference} caption={picture.caption} />;
    case 'move':
      return <Move name={picture.name} />;
  }
}

function Plate({
  figure: { url, answers },
  layer,
  style,
  caption,
}: {
  figure: FigureShown;
  layer?: string;
  style?: CSSProperties;
  caption: string;
}) {
  return (
    <div
      className="relative overflow-hidden bg-plate"
      style={{ height: TALL, aspectRatio: answers ? answers.width / answers.height : 0.75 }}
    >
      {url && (
        <img
          src={url}
          alt={layer ? '' : `The figure: ${caption}`}
          className={`absolute inset-0 size-full object-contain ${layer ? 'opacity-70' : ''}`}
          style={style}
        />
      )}
      {answers && layer && isLayer(layer) && (
        <div className="absolute inset-0">
          <AnswerKeyOverlay answers={answers} shown={new Set([layer])} label={`${caption} over a figure`} />
        </div>
      )}
    </div>
  );
}

const stay = (): void => undefined;

function ByHand({
  answers,
  picture: { manner, ms, material, caption },
}: {
  answers: DrawnKey;
  picture: Extract<Illustration, { kind: 'hand' }>;
}) {
  const drawing = useMemo(() => drawByHand({ key: answers, manner, drawMs: ms, seed: 1 }), [answers, manner, ms]);
  const label = `${caption}, drawn by the program’s hand`;
  return (
    <div className="w-fit border border-hairline bg-sheet">
      {material ? (
        <InkDrawn drawing={drawing} material={material} height={TALL} label={label} />
      ) : (
        <HandDrawn drawing={drawing} fromMs={drawing.tookMs} speed={0} onAt={stay} height={TALL} label={label} />
      )}
    </div>
  );
}

function OtherFigure({ reference, caption }: { reference: string; caption: string }) {
  const url = useReferenceThumbnail(reference);
  return url ? (
    <img src={url} alt={caption} className="bg-plate object-contain" style={{ maxHeight: TALL, maxWidth: WIDEST }} />
  ) : (
    <div className="skeleton" style={{ height: TALL, width: 0.6 * TALL }} />
  );
}

/** The poses of a move, side by side and still. */
function Move({ name }: { name: string }) {
  const { frames } = MOVE_PICTURES[name];
  return (
    <div className="flex gap-1" aria-hidden>
      {Array.from({ length: frames }, (_, i) => (
        <MovePicture
          key={i}
          move={name}
          frame={i}
          loading="lazy"
          className="w-auto object-contain"
          style={{ height: MOVE_TALL }}
        />
      ))}
    </div>
  );
}
