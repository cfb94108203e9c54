'use client';
import { addDays } from 'date-fns';
import { useState } from 'react';
import { fullDate } from '@/core/dateWords';
import { againPlan, type DatedDrawing, type Return } from '@/core/growing/again';
import type { SeenDrawing } from '@/core/journal/onPages';
import { durationWords } from '@/core/practice/time/duration';
import { counted } from '@/core/words';
import { useCutDrawing } from '@/storage/hooks/useCutDrawing';
import { useStart } from '@/storage/hooks/useStart';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { CutDrawing } from '@/ui/CutDrawing';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { toastProblem } from '@/ui/toast/toast';

const FEW = 4;

/** Pictures that are due to be drawn again, the one that waits longest first. */
export function Due({
  due,
  of,
  seen,
}: {
  due: readonly Return[];
  of: string | undefined;
  seen: (drawing: DatedDrawing) => SeenDrawing | undefined;
}) {
  const [all, setAll] = useState(false);
  return (
    <section aria-labelledby="due" className="mt-4 border-t border-ink pt-4">
      <h2 id="due" className="text-[20px]">
        Draw it again
      </h2>
      <p className="mt-1">
        {due.length === 0
          ? 'No picture is due today: what was drawn and photographed comes back by itself when its time is over.'
          : `${counted(due.length, 'picture')} ${due.length === 1 ? 'is' : 'are'} due: the same picture, under the same rule, for the same time.`}
      </p>
      <ul className="mt-3 flex flex-wrap gap-x-8 gap-y-5">
        {(all ? due : due.slice(0, FEW)).map((one) => (
          <DueOne
            key={`${one.first.session.id} ${one.first.drawing.drawing}`}
            one={one}
            of={of}
            seen={seen(one.first)}
          />
        ))}
      </ul>
      {due.length > FEW && !all && (
        <button type="button" className="link-quiet mt-2 py-1" onClick={() => setAll(true)}>
          {due.length - FEW} more
        </button>
      )}
    </section>
  );
}

function DueOne({ one, of, seen }: { one: Return; of: string | undefined; seen: SeenDrawing | undefined }) {
  const { starting, start } = useStart(toastProblem);
  const { session, drawing } = one.first;
  const url = useReferenceThumbnail(drawing.referenceId);
  return (
    <li className="w-[330px] max-w-full border-l-2 border-hairline pl-3">
      <div className="flex items-end gap-3">
        {seen && <CutSmall seen={seen} />}
        {url && <img src={url} alt="What is drawn again" className="max-h-[150px] max-w-[120px] object-contain" />}
      </div>
      <p className="mt-1">
        {drawing.exercise.name}, {durationWords(drawing.visit.lengthMs)}
      </p>
      <p className="text-[14px] text-quiet">
        First drawn on {fullDate(session.startedAtMs)}; due since {fullDate(addDays(session.startedAtMs, one.waited))}.
      </p>
      {/* Hers stay hers: what is drawn now is the learner's own, and has no first of hers to lie beside. */}
      {!of && (
        <button
          type="button"
          className="btn mt-2 btn-sm max-sm:h-14"
          disabled={starting}
          onClick={() => {
            unlockSound();
            start(againPlan(one.first, one.dueDay));
          }}
        >
          Draw it again
        </button>
      )}
    </li>
  );
}

function CutSmall({ seen }: { seen: SeenDrawing }) {
  return <CutDrawing {...useCutDrawing(seen)} tall={150} widest={170} alt="The first drawing of it" />;
}
