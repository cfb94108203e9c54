'use client';
import type { Chapter, Passage } from '@/core/handbook/chapters';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { LayerFigure } from './LayerFigure';

/** A chapter: short passages, some with a layer of the answer key over its figure. */
export function ChapterView({ chapter: { title, about, figure, passages } }: { chapter: Chapter }) {
  const url = useReferenceThumbnail(figure ?? null);
  const answers = useDrawnKey(figure ?? null, true);
  return (
    <>
      <h1 className="text-[30px]">{title}</h1>
      <p className="mt-1 max-w-[78ch] font-serif text-[19px]">{about}</p>
      <div className="mt-5 grid gap-x-12 gap-y-7 lg:grid-cols-2">
        {passages.map((passage) => (
          <PassageView key={passage.heading} passage={passage} url={url} answers={answers} />
        ))}
      </div>
    </>
  );
}

function PassageView({
  passage: { heading, paragraphs, list, layer },
  url,
  answers,
}: {
  passage: Passage;
  url: string | undefined;
  answers: DrawnKey | undefined;
}) {
  return (
    <section className={`flex gap-5 border-t border-hairline pt-3 ${list ? 'lg:col-span-2' : ''}`}>
      {layer && <LayerFigure url={url} answers={answers} {...layer} />}
      <div className="max-w-[68ch] min-w-0">
        <h2 className="text-[20px]">{heading}</h2>
        {paragraphs.map((words) => (
          <p key={words} className="mt-1">
            {words}
          </p>
        ))}
        {list && (
          <dl className="mt-2 grid gap-x-6 gap-y-1 sm:grid-cols-[minmax(140px,auto)_1fr]">
            {list.map(([what, words]) => (
              <div key={what} className="contents">
                <dt className="font-semibold">{what}</dt>
                <dd className="max-sm:mb-1">{words}</dd>
              </div>
            ))}
          </dl>
        )}
      </div>
    </section>
  );
}
