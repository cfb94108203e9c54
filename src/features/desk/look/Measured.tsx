'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Pictured, Window } from '@/core/desk/pair';
import type { DrawnPoint, SheetDrawing } from '@/core/desk/sheet';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { type Measured as Remembered, rememberedOf } from '@/core/journal/measured';
import { compare, contrastKept, pinchedSides } from '@/core/measure/compare';
import { FIRST_POINTS, placesDrawn, placesSeen, trustsPoints, withPoint } from '@/core/measure/drawn';
import { headShare, headShareSentence } from '@/core/measure/headShare';
import { heightOf, type PlaceName, PLACES } from '@/core/measure/places';
import { relationSentence, relationsOf } from '@/core/measure/relations';
import { contrastSentence, firstSentence, sentenceOf } from '@/core/measure/sentences';
import { squeezeOf, squeezeSentence } from '@/core/measure/squeeze';
import { Notice } from '@/ui/Notice';
import { usePageKeys } from '@/ui/input/usePageKeys';
import type { FittedDrawing } from '@/workers/sheet.worker';
import type { BoxSteps } from '../useBoxSteps';
import type { FlatSheet, useSheet } from '../useSheet';
import { MeasureTable } from './MeasureTable';
import { PointsOnDrawing } from './PointsOnDrawing';

/** So much that lines up is told at most. */
const MOST_RELATIONS = 4;

const POINT_WORDS = ['finding the points', 'moving a point', 'taking all points off'] as const;
type PointWords = (typeof POINT_WORDS)[number];
const isPointWords = (words: string | undefined): boolean => POINT_WORDS.some((one) => one === words);

/** A drawing measured against its reference: points that are proposed, moved and tapped, and what follows from them. */
export function Measured({
  flat,
  box,
  answers,
  found,
  mmPerPx,
  reference,
  held,
  fit,
  fitted,
  onFitted,
  onPoints,
  onMeasured,
  steps,
  onClose,
}: {
  flat: FlatSheet;
  box: SheetDrawing;
  answers: DrawnKey;
  /** The reference's points were found in a picture. */
  found: boolean;
  /** Millimeters of the paper for each pixel of the straightened sheet, where the paper is known. */
  mmPerPx: number | undefined;
  reference: { url: string; pictured: Pictured; window: Window } | undefined;
  /** Its exercise is held to likeness. */
  held: boolean;
  fit: ReturnType<typeof useSheet>['fit'];
  fitted: FittedDrawing | undefined;
  onFitted: (fitted: FittedDrawing | undefined) => void;
  /** Other points, and what was done to have them. */
  onPoints: (points: SheetDrawing['points'], words: PointWords, met?: number) => void;
  /** What is to be remembered of what was measured; undefined where nothing is. */
  onMeasured: (measured: Remembered | undefined) => void;
  /** What was done to the sheet, to be undone. */
  steps: Pick<BoxSteps, 'undo' | 'redo' | 'undoWords' | 'redoWords'>;
  onClose: () => void;
}) {
  const points = useMemo(() => box.points ?? [], [box.points]);
  const [chosen, setChosen] = useState<PlaceName>('crown');
  const [state, setState] = useState<'looking' | 'known' | 'failed'>(points.length === 0 ? 'looking' : 'known');
  const seen = useMemo(() => placesSeen(answers, found), [answers, found]);
  const names = PLACES.filter((name) => seen.has(name));
  const propose = (): void => {
    fit(answers, box).then(
      (result) => {
        onFitted(result);
        setState(result ? 'known' : 'failed');
        if (!result) return;
        // What was put by hand stays; what cannot be seen in the reference is not asked for.
        const byHand = points.filter(({ by }) => by === 'hand');
        const proposed = result.points.filter(({ name }) => seen.has(name) && byHand.every((p) => p.name !== name));
        onPoints(
          [...byHand, ...proposed].sort((a, b) => PLACES.indexOf(a.name) - PLACES.indexOf(b.name)),
          'finding the points',
          Math.min(result.inkMet, result.outlineMet),
        );
      },
      () => setState('failed'),
    );
  };
  const look = (): void => {
    setState('looking');
    propose();
  };
  useEffect(() => {
    // Once; afterward when it is asked for.
    if (points.length === 0) propose();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what is proposed is proposed once
  }, []);
  const trusted = trustsPoints(points, box.met);
  const drawn = useMemo(() => placesDrawn(points, flat.width, flat.height), [points, flat]);
  const compared = useMemo(() => compare(seen, drawn), [seen, drawn]);
  const contrast = contrastKept(compared);
  const pinched = pinchedSides(seen, drawn);
  const relations = useMemo(() => relationsOf(answers, seen, drawn, MOST_RELATIONS), [answers, seen, drawn]);
  const squeeze = useMemo(() => squeezeOf(seen, drawn, flat.width, flat.height), [seen, drawn, flat]);
  const head = useMemo(
    () =>
      answers.part === 'head'
        ? headShare(
            { places: seen, bottom: answers.bottom },
            { places: drawn, bottom: (box.y + box.height) * flat.height },
          )
        : undefined,
    [answers, seen, drawn, box, flat],
  );
  useEffect(() => {
    // Habits are read only from what is held to likeness.
    if (state === 'looking' || !held) return;
    onMeasured(trusted ? rememberedOf(compared, squeeze !== undefined, Date.now()) : undefined);
  }, [state, held, trusted, compared, squeeze, onMeasured]);
  const tallMm = mmPerPx && heightOf(drawn) * mmPerPx;
  const put = (name: PlaceName, at: readonly [number, number]): void => {
    const long = Math.max(flat.width, flat.height);
    onPoints(withPoint(points, name, at, (box.height * flat.height) / long), 'moving a point');
  };
  // What was done to the sheet before is undone on the sheet.
  const back = (way: 'undo' | 'redo'): boolean => isPointWords(steps[`${way}Words`]);
  usePageKeys((key) => {
    if ((key !== 'undo' && key !== 'redo') || !back(key)) return false;
    steps[key]();
    return true;
  });
  const byHand = points.filter(({ by }) => by === 'hand').length;
  return (
    <div className="mt-3 grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_400px]">
      <PointsOnDrawing
        flat={flat}
        box={box}
        points={points}
        names={names}
        chosen={chosen}
        outline={fitted?.outline ?? []}
        reference={reference}
        answers={answers}
        onChoose={setChosen}
        onPut={(at) => {
          put(chosen, at);
          setChosen(nextAfter(chosen, names, points));
        }}
        onMove={put}
      />
      <div className="flex min-w-0 flex-col gap-3">
        <p role="status" className="font-serif text-[20px] leading-snug">
          {state === 'looking'
            ? 'Looking for the figure in the drawing.'
            : points.length === 0
              ? `Tap the ${chosen} in the drawing: five points give a first answer.`
              : trusted
                ? firstSentence(compared)
                : 'The reference and the drawing do not meet well: much of it is not drawn, or it is of another pose.'}
        </p>
        {state === 'failed' && (
          <Notice tone="plain">
            The figure was not found in this drawing. Tap its points yourself, one after another.
          </Notice>
        )}
        {!trusted && state !== 'looking' && points.length > 0 && (
          <Notice tone="plain">
            Look at the points: with {FIRST_POINTS} of them put by you, the numbers below count. Until then nothing of
            them is remembered.
          </Notice>
        )}
        {!held && <p className="text-quiet">This exercise is not held to likeness: these are only numbers.</p>}
        {contrast && <p>{contrastSentence(contrast)}</p>}
        {pinched && pinched.seen !== 'alike' && (
          <p>
            {pinched.seen === pinched.drawn
              ? `The pinched side stayed the ${pinched.seen} one.`
              : `The ${pinched.seen} side is pinched in the reference; in the drawing ${pinched.drawn === 'alike' ? 'both are alike' : `the ${pinched.drawn} one is`}.`}
          </p>
        )}
        {squeeze && <p>{squeezeSentence(squeeze, mmPerPx)}</p>}
        {head && <p>{headShareSentence(head)}</p>}
        {tallMm !== undefined && tallMm > 0 && (
          <p>
            On the paper it is about {(tallMm / 10).toFixed(1)} cm from its highest point to its lowest, with the paper
            as it is set.
          </p>
        )}
        <MeasureTable compared={compared} />
        <p className="text-[14px] text-quiet">
          {points.length < FIRST_POINTS
            ? `${String(points.length)} of the first ${String(FIRST_POINTS)} points.`
            : `${String(points.length)} points, ${byHand === 0 ? 'none' : String(byHand)} of them put by you. ± is where the truth lies 95 times in a hundred.`}
        </p>
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn-quiet btn max-sm:h-14" disabled={state === 'looking'} onClick={look}>
            Find the points again
          </button>
          <button
            type="button"
            className="btn-quiet btn max-sm:h-14"
            onClick={() => onPoints([], 'taking all points off')}
          >
            Take all points off
          </button>
          {back('undo') && (
            <button type="button" className="btn-quiet btn max-sm:h-14" onClick={steps.undo}>
              Undo {steps.undoWords} <kbd className="kbd kbd-sm max-sm:hidden">Ctrl Z</kbd>
            </button>
          )}
          {back('redo') && (
            <button type="button" className="btn-quiet btn max-sm:h-14" onClick={steps.redo}>
              Redo {steps.redoWords}
            </button>
          )}
          <button type="button" className="btn-quiet btn max-sm:h-14" onClick={onClose}>
            Look at it by eye
          </button>
        </div>
        <ul aria-label="In words" className="text-[15px]">
          {compared
            .filter(({ verdict }) => verdict !== 'none')
            .map((one) => (
              <li key={one.measure.id}>{sentenceOf(one)}</li>
            ))}
          {relations.map((relation) => (
            <li key={`${relation.kind} ${relation.a} ${relation.b}`}>{relationSentence(relation)}</li>
          ))}
        </ul>
      </div>
    </div>
  );
}

/** The point to be asked for after another: the next that is not known yet, or simply the next. */
function nextAfter(name: PlaceName, names: readonly PlaceName[], points: readonly DrawnPoint[]): PlaceName {
  const from = names.indexOf(name);
  const order = [...names.slice(from + 1), ...names.slice(0, from + 1)];
  return order.find((one) => points.every((p) => p.name !== one)) ?? order[0] ?? name;
}
