'use client';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import type { Chapter, Passage } from '@/core/handbook/chapter';
import { explained, type ExplainedPiece } from '@/core/handbook/explained';
import type { GlossaryWord } from '@/core/handbook/glossary';
import { ExplainedPieces } from '@/ui/Explained';
import { ValueFilters } from '@/ui/ValueFilters';
import type { FigureShown } from './Pictured';

// The hand that draws them is larger than the text, which does not wait for it.
const ChapterFigure = dynamic(() => import('./ChapterFigure').then((m) => m.ChapterFigure), { ssr: false });
const Pictured = dynamic(() => import('./Pictured').then((m) => m.Pictured), {
  ssr: false,
  loading: () => <div className="h-[220px] w-[150px] shrink-0" aria-hidden />,
});

/** A chapter: short passages with pictures of its figure; words of the program's own are explained where they come first. */
export function ChapterView({ chapter: { title, about, figure, passages } }: { chapter: Chapter }) {
  const [shown, setShown] = useState<FigureShown>({ url: undefined, answers: undefined });
  const texts = useMemo(() => {
    const met = new Set<GlossaryWord>();
    return passages.map(({ paragraphs, list = [] }): PassageTexts => ({
      paragraphs: explained(paragraphs, met),
      list: explained(
        list.map(([, words]) => words),
        met,
      ),
    }));
  }, [passages]);
  return (
    <>
      {figure !== undefined && <ChapterFigure referenceId={figure} onKnown={setShown} />}
      <ValueFilters />
      <h1 className="text-[30px]">{title}</h1>
      <p className="mt-1 max-w-[78ch] font-serif text-[19px]">{about}</p>
      <div className="mt-5 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-7 lg:grid-cols-[repeat(2,minmax(0,1fr))]">
        {passages.map((passage, i) => (
          <PassageView key={passage.heading} passage={passage} texts={texts[i]} figure={shown} />
        ))}
      </div>
    </>
  );
}

/** What a passage says, with its words explained. */
interface PassageTexts {
  paragraphs: ExplainedPiece[][];
  list: ExplainedPiece[][];
}

function PassageView({
  passage: { heading, list, pictures = [] },
  texts,
  figure,
}: {
  passage: Passage;
  texts: PassageTexts;
  figure: FigureShown;
}) {
  const [one, another] = pictures;
  const wide = list !== undefined || another !== undefined;
  return (
    <section
      className={`border-t border-hairline pt-3 ${wide ? 'gap-x-12 lg:col-span-2 lg:grid lg:grid-cols-[repeat(2,minmax(0,1fr))]' : 'flex gap-5'}`}
    >
      {one && !wide && <Pictured picture={one} figure={figure} />}
      <div className="max-w-[68ch] min-w-0">
        <h2 className="text-[20px]">{heading}</h2>
        {texts.paragraphs.map((pieces, i) => (
          <p key={i} className="mt-1">
            <ExplainedPieces pieces={pieces} />
          </p>
        ))}
        {list && (
          <dl className="mt-2 grid gap-x-6 gap-y-1 sm:grid-cols-[minmax(140px,auto)_1fr]">
            {list.map(([what], i) => (
              <div key={what} className="contents">
                <dt className="font-semibold">{what}</dt>
                <dd className="max-sm:mb-1">
                  <ExplainedPieces pieces={texts.list[i]} />
                </dd>
              </div>
            ))}
          </dl>
        )}
      </div>
      {one && wide && (
        <div className="row-sideways mt-4 flex content-start items-end gap-x-4 gap-y-4 sm:flex-wrap">
          {pictures.map((picture) => (
            <Pictured key={picture.caption} picture={picture} figure={figure} />
          ))}
        </div>
      )}
    </section>
  );
}
