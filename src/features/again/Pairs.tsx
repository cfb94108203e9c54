'use client';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { fullDate } from '@/core/dateWords';
import { blindPair, type DatedDrawing } from '@/core/growing/again';
import { answeredBlind, type BlindCounts, blindWords } from '@/core/growing/waits';
import type { SeenDrawing } from '@/core/journal/onPages';
import { durationWords } from '@/core/practice/time/duration';
import { storageProblem } from '@/storage/problems';
import { changeSetting } from '@/storage/settings';
import { useCutDrawing } from '@/storage/hooks/useCutDrawing';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { CutDrawing } from '@/ui/CutDrawing';
import { toastProblem } from '@/ui/toast/toast';

interface Pair {
  older: DatedDrawing;
  newer: DatedDrawing;
  seen: { older: SeenDrawing; newer: SeenDrawing };
}

const TALL_PX = 360;

/** The first and the last drawing of one picture beside it; blind where it is asked which is the newer. */
export function Pairs({ pairs, of, blind }: { pairs: readonly Pair[]; of: string | null; blind: BlindCounts }) {
  const [at, setAt] = useState(0);
  const [guessing, setGuessing] = useState(false);
  const pair = pairs.at(at % Math.max(1, pairs.length));
  return (
    <section aria-labelledby="pairs" className="mt-6 border-t border-ink pt-4">
      <h2 id="pairs" className="text-[20px]">
        Side by side
      </h2>
      {of !== null && (
        <p>
          Of one picture.{' '}
          <Link className="link-quiet" href={'/journal/again'}>
            Of all
          </Link>
        </p>
      )}
      {!pair ? (
        <p className="mt-1">
          Nothing to lay side by side yet: it takes two drawings of one picture from different days, both cut out of
          their sheets.
        </p>
      ) : (
        <>
          <div className="no-print mt-2 flex flex-wrap items-center gap-3">
            <button
              type="button"
              aria-pressed={guessing}
              className={`btn btn-sm max-sm:h-12 ${guessing ? 'bg-ink/10' : 'btn-quiet'}`}
              onClick={() => setGuessing(!guessing)}
            >
              Which is newer?
            </button>
            {pairs.length > 1 && (
              <button
                type="button"
                className="btn-quiet btn btn-sm max-sm:h-12"
                onClick={() => setAt((at + 1) % pairs.length)}
              >
                The next of {pairs.length}
              </button>
            )}
            {blind.asked > 0 && <p className="text-[14px] text-quiet">{blindWords(blind)} Only you see this.</p>}
          </div>
          {guessing ? (
            // Another seed each time it is asked: the order must tell nothing.
            <Blind key={`${pair.newer.session.id} ${String(at)}`} pair={pair} />
          ) : (
            <Plain pair={pair} />
          )}
        </>
      )}
    </section>
  );
}

const dateOf = ({ session, drawing }: DatedDrawing): string =>
  `${fullDate(session.startedAtMs)}, ${durationWords(drawing.spentMs)}`;

function Plain({ pair: { older, newer, seen } }: { pair: Pair }) {
  return (
    <div className="mt-3 flex flex-wrap items-end gap-6">
      <Cut seen={seen.older} words={`Then: ${dateOf(older)}`} />
      <Reference id={newer.drawing.referenceId} />
      <Cut seen={seen.newer} words={`Now: ${dateOf(newer)}`} />
    </div>
  );
}

function Blind({ pair }: { pair: Pair }) {
  const [{ left, newer }] = useState(() => blindPair(pair.older, pair.newer, Math.floor(Math.random() * 2 ** 31)));
  const [said, setSaid] = useState<'left' | 'right'>();
  const leftIsOlder = left === pair.older;
  const answer = (side: 'left' | 'right'): void => {
    setSaid(side);
    changeSetting('blindPairs', (before) => answeredBlind(before, side === newer)).catch((error: unknown) =>
      toastProblem(storageProblem(error)),
    );
  };
  const words = (side: 'left' | 'right'): string => {
    if (!said) return side === 'left' ? 'The left one' : 'The right one';
    return side === newer ? `Newer: ${dateOf(pair.newer)}` : `Older: ${dateOf(pair.older)}`;
  };
  return (
    <>
      <p role="status" className="mt-3 font-serif text-[19px]">
        {said === undefined
          ? 'Which of the two is the newer?'
          : said === newer
            ? 'Yes, that is the newer one.'
            : 'It is the other one.'}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-6">
        <Cut seen={leftIsOlder ? pair.seen.older : pair.seen.newer} words={words('left')} />
        <Reference id={pair.newer.drawing.referenceId} />
        <Cut seen={leftIsOlder ? pair.seen.newer : pair.seen.older} words={words('right')} />
      </div>
      {said === undefined && (
        <div className="mt-3 flex gap-3">
          <button type="button" className="btn max-sm:h-14" onClick={() => answer('left')}>
            The left one
          </button>
          <button type="button" className="btn max-sm:h-14" onClick={() => answer('right')}>
            The right one
          </button>
        </div>
      )}
    </>
  );
}

function Cut({ seen, words }: { seen: SeenDrawing; words: string }) {
  return (
    <figure>
      <CutDrawing {...useCutDrawing(seen)} tall={TALL_PX} widest={420} alt={words} />
      <figcaption className="text-[14px] text-quiet">{words}</figcaption>
    </figure>
  );
}

function Reference({ id }: { id: string | null }) {
  const large = useReferenceImage(id);
  const small = useReferenceThumbnail(id);
  // The small one stands there until the large one is made.
  const url = large ?? small;
  if (!url) return null;
  return (
    <figure>
      <img src={url} alt="What both were drawn from" className="h-[300px] max-w-full bg-plate object-contain" />
      <figcaption className="text-[14px] text-quiet">What was drawn</figcaption>
    </figure>
  );
}
