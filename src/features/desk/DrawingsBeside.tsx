'use client';
import type { SheetDrawing } from '@/core/desk/sheet';
import type { Drawing } from '@/core/journal/drawings';
import { durationWords } from '@/core/practice/time/duration';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import type { FlatSheet } from './useSheet';

/** Height of a drawing beside its reference, pixels. */
const TALL = 190;

const wordsOf = (d: Drawing, i: number): string =>
  `${String(i + 1)}. ${d.exercise.name}${d.label ? `, ${d.label}` : ''}, ${durationWords(d.spentMs)}`;

/** Each drawing beside what it was drawn from; which pose it is can be changed. */
export function DrawingsBeside({
  flat,
  drawings,
  drawn,
  shut,
  onChange,
}: {
  flat: FlatSheet;
  drawings: readonly SheetDrawing[];
  drawn: readonly Drawing[];
  shut: boolean;
  onChange: (drawings: SheetDrawing[]) => void;
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
              <Cut flat={flat} box={box} />
              {!shut && pose && <Beside referenceId={pose.referenceId} />}
            </div>
            <label className="mt-2 block">
              <span className="sr-only">Which drawing of the session is number {i + 1}?</span>
              <select
                className="select w-full max-sm:h-14"
                value={pose ? pose.drawing : ''}
                onChange={(event) =>
                  onChange(drawings.map((d, k) => (k === i ? { ...d, drawing: event.target.value || null } : d)))
                }
              >
                <option value="">None of the session’s drawings</option>
                {drawn.map((d, k) => (
                  <option key={d.drawing} value={d.drawing}>
                    {wordsOf(d, k)}
                  </option>
                ))}
              </select>
            </label>
          </li>
        );
      })}
    </ol>
  );
}

/** A drawing as it is cut out of the sheet. */
function Cut({ flat, box }: { flat: FlatSheet; box: SheetDrawing }) {
  const tall = Math.min(TALL, (TALL * 1.3 * box.height * flat.height) / (box.width * flat.width));
  const width = (tall * box.width * flat.width) / (box.height * flat.height);
  return (
    <div className="relative shrink-0 overflow-hidden border border-hairline" style={{ width, height: tall }}>
      <img
        src={flat.url}
        alt=""
        className="absolute max-w-none"
        style={{
          width: width / box.width,
          height: tall / box.height,
          left: (-box.x * width) / box.width,
          top: (-box.y * tall) / box.height,
        }}
      />
    </div>
  );
}

function Beside({ referenceId }: { referenceId: string | null }) {
  const url = useReferenceThumbnail(referenceId);
  if (referenceId === null) return <p className="text-quiet">From nothing.</p>;
  return url ? (
    <img src={url} alt="What it was drawn from" style={{ maxHeight: TALL }} className="max-w-[45%]" />
  ) : null;
}
