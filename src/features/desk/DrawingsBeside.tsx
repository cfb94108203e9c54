'use client';
import type { SheetDrawing } from '@/core/desk/sheet';
import type { Drawing } from '@/core/journal/drawings';
import { without } from '@/core/without';
import { durationWords } from '@/core/practice/time/duration';
import { CutDrawing } from '@/ui/CutDrawing';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import type { FlatSheet } from './useSheet';

/** Height of a drawing beside its reference, pixels. */
const TALL = 190;

/** Before what a box is that is no drawing: no drawing's key begins so. */
const NOT_ONE = 'not-one/';

/** A box with what was said of it: a drawing by its key, no drawing at all, or nothing. */
function saidOf(before: SheetDrawing, said: string): SheetDrawing {
  const box = without(before, 'notOne');
  const is = said.startsWith(NOT_ONE) ? said.slice(NOT_ONE.length) : '';
  if (is === 'note' || is === 'thumb') return { ...box, drawing: null, notOne: is };
  return { ...box, drawing: said || null };
}

const wordsOf = (d: Drawing, i: number): string =>
  `${String(i + 1)}. ${d.exercise.name}${d.label ? `, ${d.label}` : ''}, ${durationWords(d.spentMs)}`;

/** Each drawing beside what it was drawn from; which pose it is can be changed. */
export function DrawingsBeside({
  flat,
  drawings,
  drawn,
  shut,
  onChange,
  onLook,
}: {
  flat: FlatSheet;
  drawings: readonly SheetDrawing[];
  drawn: readonly Drawing[];
  shut: boolean;
  onChange: (drawings: SheetDrawing[]) => void;
  /** Look closely at one of them. */
  onLook: (i: number) => void;
}) {
  if (drawings.length === 0)
    return (
      <p>
        No drawing was found on this sheet. Put a box around one with “One more box”, or look at the sheet’s corners
        again.
      </p>
    );
  return (
    <ol aria-label="Drawings on this sheet" className="flex flex-col gap-4">
      {drawings.map((box, i) => {
        const pose = drawn.find(({ drawing }) => drawing === box.drawing);
        return (
          <li key={i} className="border-t border-hairline pt-3">
            <div className="flex items-end gap-3">
              <b className="self-start">{i + 1}</b>
              <CutDrawing url={flat.url} aspect={flat.width / flat.height} box={box} tall={TALL} widest={TALL * 1.3} />
              {!shut && pose && <Beside referenceId={pose.referenceId} />}
            </div>
            <label className="mt-2 block">
              <span className="sr-only">Which drawing of the session is number {i + 1}?</span>
              <select
                className="select w-full max-sm:h-14"
                value={box.notOne ? `${NOT_ONE}${box.notOne}` : pose ? pose.drawing : ''}
                onChange={(event) => onChange(drawings.map((d, k) => (k === i ? saidOf(d, event.target.value) : d)))}
              >
                <option value="">None of the session’s drawings</option>
                <option value={`${NOT_ONE}note`}>This is a note</option>
                <option value={`${NOT_ONE}thumb`}>This is my thumb</option>
                {drawn.map((d, k) => (
                  <option key={d.drawing} value={d.drawing}>
                    {wordsOf(d, k)}
                  </option>
                ))}
              </select>
            </label>
            {!shut && pose && (
              <button type="button" className="btn-quiet btn mt-2 btn-sm max-sm:h-12" onClick={() => onLook(i)}>
                Look at it closely
              </button>
            )}
          </li>
        );
      })}
    </ol>
  );
}

function Beside({ referenceId }: { referenceId: string | null }) {
  const url = useReferenceThumbnail(referenceId);
  if (referenceId === null) return <p className="text-quiet">From nothing.</p>;
  return url ? (
    <img src={url} alt="What it was drawn from" style={{ maxHeight: TALL }} className="max-w-[45%]" />
  ) : null;
}
