'use client';
import { mostMarks } from '@/core/practice/rules/marks';
import { useMemo, useState } from 'react';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { PART_FAMILIES } from '@/core/figure/catalogue/families';
import { drawByHand } from '@/core/hand/draw';
import { mannerOf } from '@/core/hand/manners';
import { stageEnds } from '@/core/hand/stageEnds';
import type { Exercise } from '@/core/practice/exercises/exercise';
import { EXERCISE_PICTURES } from '@/core/practice/exercises/pictures';
import { clockDigits, durationWords } from '@/core/practice/time/duration';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { Dialog } from '@/ui/Dialog';
import { HandDrawn } from '@/ui/hand/HandDrawn';
import { wantsStill } from '@/ui/wantsStill';

const SPEEDS = [
  [1, 'In its own time'],
  [4, 'Four times as fast'],
  [16, 'Sixteen times'],
] as const;
const HEIGHT = 460;
/** From memory something is missing. */
const FORGOTTEN = 0.2;

const isPart = (family: string): boolean => (PART_FAMILIES as readonly string[]).includes(family);

/** An exercise as it is drawn by the hand, on any figure, in its time or faster, stage by stage. */
export function SeeItDrawn({ exercise, onClose }: { exercise: Exercise; onClose: () => void }) {
  const { rule, form, usualMs } = exercise;
  const figures = useMemo(() => {
    const about: readonly string[] = form?.about ?? [];
    const own = EXERCISE_PICTURES[exercise.id]?.reference;
    const some = CATALOGUE.filter(({ family }) => (about.length > 0 ? about.includes(family) : !isPart(family))).map(
      ({ id }) => id,
    );
    return own ? [own, ...some.filter((id) => id !== own)] : some;
  }, [exercise, form]);
  const [number, setNumber] = useState(0);
  const [speed, setSpeed] = useState<number>(4);
  const [fromMs, setFromMs] = useState(0);
  const [atMs, setAtMs] = useState(0);
  const [still, setStill] = useState(wantsStill);
  const referenceId = figures[number % figures.length];
  const most = mostMarks(rule);
  const manner = mannerOf(exercise);
  const key = useDrawnKey(referenceId, true, manner === 'cross-contours');
  const url = useReferenceImage(referenceId);
  const drawing = useMemo(
    () =>
      key &&
      drawByHand({
        key,
        manner,
        drawMs: usualMs,
        seed: number + 1,
        errors: {
          ...(rule.hand === 'other' && { shaky: 0.006 }),
          ...(rule.reference !== 'shown' && { forgets: FORGOTTEN }),
        },
        ...(most !== undefined && { mostMarks: most }),
      }),
    [key, manner, rule, most, usualMs, number],
  );
  const stages = drawing ? stageEnds(drawing) : [];
  const standAt = (ms: number): void => {
    setStill(true);
    setFromMs(ms);
    setAtMs(ms);
  };
  const go = (ms: number): void => {
    setFromMs(ms);
    setAtMs(ms);
    setStill(false);
  };
  const done = drawing !== undefined && atMs >= drawing.tookMs;
  const button = 'btn-quiet btn btn-sm max-sm:h-12';
  return (
    <Dialog title={`${exercise.name}, drawn`} onClose={onClose} wide>
      <div className="grid grid-cols-2 justify-items-center gap-4">
        <div className="grid place-items-center bg-plate">
          {url && <img src={url} alt="What is drawn" style={{ maxHeight: HEIGHT }} className="max-w-full" />}
        </div>
        <div className="grid max-w-full place-items-center overflow-hidden bg-sheet">
          {drawing ? (
            <HandDrawn
              drawing={drawing}
              fromMs={still ? atMs : fromMs}
              speed={still ? 0 : speed}
              onAt={setAtMs}
              height={HEIGHT}
              label={`${exercise.name} drawn by the program’s hand, ${clockDigits(atMs)} of ${clockDigits(usualMs)}`}
            />
          ) : (
            <div
              className="skeleton"
              role="status"
              aria-label="Looking at the figure"
              style={{ height: HEIGHT, width: 280 }}
            />
          )}
        </div>
      </div>
      <p className="mt-3 tabular-nums" aria-live="off">
        {clockDigits(Math.min(atMs, usualMs))} of {durationWords(usualMs)}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <button
          type="button"
          className="btn btn-sm max-sm:h-12"
          disabled={!drawing}
          onClick={() => (done ? go(0) : still ? go(atMs) : standAt(atMs))}
        >
          {done ? 'Once more' : still ? 'Go on' : 'Stop'}
        </button>
        <label className="flex items-center gap-2">
          <span className="sr-only">How fast it is drawn</span>
          <select
            className="select w-auto select-sm max-sm:h-12"
            value={speed}
            onChange={(event) => {
              setFromMs(atMs);
              setSpeed(Number(event.target.value));
            }}
          >
            {SPEEDS.map(([times, words]) => (
              <option key={times} value={times}>
                {words}
              </option>
            ))}
          </select>
        </label>
        {stages.length > 1 &&
          stages.map(({ name, endMs }) => (
            <button key={name} type="button" className={button} onClick={() => standAt(endMs)}>
              {name}
            </button>
          ))}
        <button
          type="button"
          className={button}
          onClick={() => {
            setNumber(number + 1);
            go(0);
          }}
        >
          Another figure
        </button>
      </div>
      <p className="mt-3 text-[14px] text-quiet">
        Drawn by the program, which knows where everything is. It shows the order of things; nothing of yours is held
        against it.
      </p>
    </Dialog>
  );
}
