import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { AnswerKeyOverlay } from '@/ui/answerKey/AnswerKeyOverlay';
import { isLayer } from '@/ui/answerKey/layers';

const WIDTH_PX = 150;

/** A figure of the program's with one layer of its answer key over it. */
export function LayerFigure({
  url,
  answers,
  id,
  caption,
}: {
  url: string | undefined;
  answers: DrawnKey | undefined;
  id: string;
  caption: string;
}) {
  return (
    <figure className="shrink-0" style={{ width: WIDTH_PX }}>
      <div className="relative bg-plate" style={{ aspectRatio: answers ? answers.width / answers.height : 0.75 }}>
        {url && <img src={url} alt="" className="absolute inset-0 size-full object-contain opacity-70" />}
        {answers && isLayer(id) && (
          <div className="absolute inset-0">
            <AnswerKeyOverlay answers={answers} shown={new Set([id])} label={`${caption} over a figure`} />
          </div>
        )}
      </div>
      <figcaption className="text-[13px] text-quiet">{caption}</figcaption>
    </figure>
  );
}
