'use client';
import type { Route } from 'next';
import { Link } from '@/ui/Link';
import dynamic from 'next/dynamic';
import { type ComponentProps, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { behindWindow, pairWindows, picturedBy, turnedOnce, turnedOver, whollyPictured } from '@/core/desk/pair';
import type { Point } from '@/core/desk/quad';
import type { SheetDrawing } from '@/core/desk/sheet';
import type { Drawing } from '@/core/journal/drawings';
import { type Measured as Remembered, sameMeasured } from '@/core/journal/measured';
import { parsePictureReference } from '@/core/references/picture';
import { durationWords } from '@/core/practice/time/duration';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { storageProblem } from '@/storage/problems';
import { changeKeptDrawing } from '@/storage/sessions/keptDrawings';
import { AnswerKeyOverlay } from '@/ui/answerKey/AnswerKeyOverlay';
import { AnswerKeyPanel } from '@/ui/answerKey/AnswerKeyPanel';
import { type LayerId, toggledLayer } from '@/ui/answerKey/layers';
import { usePageKeys } from '@/ui/input/usePageKeys';
import { toastProblem } from '@/ui/toast/toast';
import { ValueFilters } from '@/ui/ValueFilters';
import type { FittedDrawing } from '@/workers/sheet.worker';
import type { FlatSheet, useSheet } from '../useSheet';
import { DrawingState } from './DrawingState';
import { Features } from './Features';
import { LightWords } from './LightWords';
import { type LaidLine, type Look, PLAIN, shownSide, withLine } from './look';
import { LookBar } from './LookBar';
import { OverPicture } from './OverPicture';
import { Plate } from './Plate';
import { useBlink } from './useBlink';
import { useLights } from './useLights';

const Measured = dynamic(() => import('./Measured').then((m) => m.Measured));

/** While it is not known how large a reference's picture is. */
const UNKNOWN = whollyPictured(1000, 1000);
/** What the keys do to the look of a pair. */
const KEYS: Readonly<Record<string, (look: Look) => Partial<Look>>> = {
  m: ({ turned }) => ({ turned: turnedOver(turned) }),
  u: ({ turned }) => ({ turned: turnedOnce(turnedOnce(turned)) }),
  q: ({ turned }) => ({ turned: turnedOnce(turned) }),
  s: ({ seenAs }) => ({ seenAs: seenAs === 'squint' ? 'color' : 'squint' }),
  g: ({ seenAs }) => ({ seenAs: seenAs === 'grey' ? 'color' : 'grey' }),
  b: ({ back }) => ({ back: !back }),
  o: ({ arrangement }) => ({ arrangement: arrangement === 'over' ? 'side by side' : 'over' }),
};

/** A drawing beside what it was drawn from: compared by eye, with what helps the eye, and measured where that is wanted. */
export function LookAt({
  flat,
  box,
  number,
  mmPerPx,
  sessionId,
  pose,
  drawn,
  measurable,
  fit,
  steps,
  onPoints,
  strokes,
  onClose,
}: {
  flat: FlatSheet;
  box: SheetDrawing;
  number: number;
  /** Millimeters of the paper for each pixel of the sheet, where the paper is known. */
  mmPerPx: number | undefined;
  sessionId: string;
  pose: Drawing;
  /** The drawings of its session. */
  drawn: readonly Drawing[];
  /** The exercise does not forbid it. */
  measurable: boolean;
  fit: ReturnType<typeof useSheet>['fit'];
  steps: ComponentProps<typeof Measured>['steps'];
  onPoints: ComponentProps<typeof Measured>['onPoints'];
  /** It was drawn on the screen: where its strokes are looked at. */
  strokes: Route | undefined;
  onClose: () => void;
}) {
  const url = useReferenceImage(pose.referenceId);
  const key = useDrawnKey(pose.referenceId, true);
  const [natural, setNatural] = useState<{ width: number; height: number }>();
  const [look, setLook] = useState(PLAIN);
  const [layers, setLayers] = useState<ReadonlySet<LayerId>>(new Set());
  const [measuring, setMeasuring] = useState(box.points !== undefined && measurable);
  const [fitted, setFitted] = useState<FittedDrawing>();
  const remember = useCallback(
    (measured: Remembered | undefined): void => {
      changeKeptDrawing(sessionId, pose.drawing, (before) =>
        sameMeasured(before.measured, measured) ? before : { ...before, measured },
      ).catch((error: unknown) => toastProblem(storageProblem(error)));
    },
    [sessionId, pose.drawing],
  );
  const drawingOnTop = useBlink(look.arrangement === 'in turn');

  const reference = useMemo(() => {
    if (!key) return natural ? whollyPictured(natural.width, natural.height) : UNKNOWN;
    const points = [...key.outline.flatMap((line) => line.points), ...key.marks.map(({ at }) => at)];
    return { ...picturedBy(points, key.width, key.height), top: key.top, bottom: key.bottom };
  }, [key, natural]);
  const drawing = useMemo(() => {
    const { width, height } = flat;
    const outline = fitted?.outline.flat() ?? [];
    // Where the figure was found, its own edges say how tall it is; else the box does.
    const points: readonly Point[] =
      outline.length > 0
        ? outline
        : [
            [box.x, box.y],
            [box.x + box.width, box.y + box.height],
          ];
    return picturedBy(
      points.map(([x, y]): Point => [x * width, y * height]),
      width,
      height,
    );
  }, [flat, box, fitted]);
  const windows = pairWindows(reference, drawing);
  const asks = look.between || look.lights;
  const asked = useRef(false);
  useEffect(() => {
    // Where the figure lies in the drawing is looked for once, when something is to be laid over it.
    if (!asks || fitted || asked.current || !key) return;
    asked.current = true;
    fit(key, box).then(setFitted, () => undefined);
  }, [asks, fitted, fit, key, box]);
  const ringed = useMemo(() => {
    if (!key) return undefined;
    const shares = (points: readonly Point[]): Point[] =>
      points.map(([x, y]): Point => [x / key.width, y / key.height]);
    return {
      outline: key.outline.map(({ points }) => shares(points)),
      between: key.negatives.map(({ shape }) => shares(shape.points)),
    };
  }, [key]);
  const seenRings = useMemo(
    () => (look.lights && url && ringed ? { url, ...ringed } : undefined),
    [look.lights, url, ringed],
  );
  const drawnRings = useMemo(
    () => (look.lights && fitted ? { url: flat.url, outline: fitted.outline, between: fitted.between } : undefined),
    [look.lights, fitted, flat.url],
  );
  const lights = { reference: useLights(seenRings), drawing: useLights(drawnRings) };
  const { flowLine, focal } = pose;
  const put = useMemo((): LaidLine[] => {
    const figure = ([x, y]: Point): [number, number] => [
      (x * reference.width - reference.left) / (reference.right - reference.left),
      (y * reference.height - reference.top) / (reference.bottom - reference.top),
    ];
    return [
      ...(flowLine ? [{ kind: 'path', points: flowLine.map(figure) } as const] : []),
      ...(focal ? [{ kind: 'spot', at: figure(focal) } as const] : []),
    ];
  }, [flowLine, focal, reference]);
  const lines = look.put ? [...look.lines, ...put] : look.lines;
  const offers = [
    ...(key && measurable && key.negatives.length > 0 ? [{ id: 'between', words: 'Shapes between' } as const] : []),
    ...(put.length > 0 ? [{ id: 'put', words: flowLine ? 'Your flow line' : 'Where the eye was to go' } as const] : []),
    ...(key && measurable ? [{ id: 'lights', words: 'Brightest light' } as const] : []),
  ];
  const draw =
    look.tool &&
    ((from: [number, number], to: [number, number]): void => setLook((before) => withLine(before, from, to)));
  usePageKeys((pressed) => {
    if (pressed === 'Escape') {
      onClose();
      return true;
    }
    const change = Object.hasOwn(KEYS, pressed) ? KEYS[pressed] : undefined;
    if (change) setLook((before) => ({ ...before, ...change(before) }));
    return change !== undefined;
  });
  const plates = {
    reference: url ? (
      <Plate
        url={url}
        alt="What it was drawn from"
        pictured={reference}
        window={windows.a}
        lines={lines}
        onDraw={draw}
        {...shownSide(look, 'reference')}
      >
        {!key && (
          // Only to learn how large the picture is.
          <img
            src={url}
            alt=""
            hidden
            onLoad={({ currentTarget: { naturalWidth: width, naturalHeight: height } }) =>
              setNatural({ width, height })
            }
          />
        )}
        {ringed && (
          <OverPicture
            pictured={reference}
            window={windows.a}
            shapes={look.between ? ringed.between : []}
            lights={lights.reference}
          />
        )}
        {key && layers.size > 0 && (
          <div className="absolute" style={behindWindow(reference, windows.a)}>
            <AnswerKeyOverlay answers={key} shown={layers} label="Answer key over the reference" />
          </div>
        )}
      </Plate>
    ) : (
      <p className="absolute inset-0 grid place-items-center p-4 text-quiet">
        {url === undefined ? 'Fetching what it was drawn from.' : 'There is no picture of what it was drawn from.'}
      </p>
    ),
    drawing: (
      <Plate
        url={flat.url}
        alt={`Drawing ${String(number)}`}
        pictured={drawing}
        window={windows.b}
        lines={lines}
        onDraw={draw}
        {...shownSide(look, 'drawing')}
      >
        {fitted && (
          <OverPicture
            pictured={drawing}
            window={windows.b}
            shapes={look.between ? fitted.between : []}
            lights={lights.drawing}
          />
        )}
      </Plate>
    ),
  };
  /** As tall as the window allows, and no wider than so much of its room. */
  const shape = (room: string): { aspectRatio: string; width: string } => ({
    aspectRatio: String(windows.aspect),
    width: `min(${room}, calc(min(70dvh, 680px) * ${String(windows.aspect)}))`,
  });
  const minutes = durationWords(pose.spentMs);
  return (
    <section aria-label={`Drawing ${String(number)} and what it was drawn from`}>
      <ValueFilters />
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h2 className="text-[22px]">
          {pose.exercise.name}, {minutes}
        </h2>
        <button type="button" className="link-quiet py-1" onClick={onClose}>
          Back to the sheet
        </button>
        {strokes && (
          <Link className="link-quiet py-1" href={strokes}>
            Stroke by stroke
          </Link>
        )}
      </div>
      {measuring && key ? (
        <Measured
          flat={flat}
          box={box}
          answers={key}
          found={pose.referenceId !== null && parsePictureReference(pose.referenceId) !== undefined}
          mmPerPx={mmPerPx}
          reference={url ? { url, pictured: reference, window: windows.a } : undefined}
          held={pose.exercise.rule.review === 'measured' || pose.exercise.family === 'quick'}
          fit={fit}
          fitted={fitted}
          onFitted={setFitted}
          steps={steps}
          onPoints={onPoints}
          onMeasured={remember}
          onClose={() => setMeasuring(false)}
        />
      ) : (
        <div className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_300px]">
          {look.arrangement === 'side by side' ? (
            <div className="flex justify-center gap-4 self-start">
              <div className="relative overflow-hidden bg-plate" style={shape('calc(50% - 8px)')}>
                {plates.reference}
              </div>
              <div className="relative overflow-hidden bg-plate" style={shape('calc(50% - 8px)')}>
                {plates.drawing}
              </div>
            </div>
          ) : (
            <div className="grid justify-items-center">
              <div className="relative overflow-hidden bg-plate" style={shape('100%')}>
                {plates.drawing}
                <div
                  className="absolute inset-0"
                  style={{ opacity: look.arrangement === 'over' ? look.through : drawingOnTop ? 0 : 1 }}
                >
                  {plates.reference}
                </div>
              </div>
            </div>
          )}
          <div className="flex flex-col gap-4">
            <LookBar look={look} onLook={setLook} offers={offers} />
            {look.lights && <LightWords reference={lights.reference} drawing={lights.drawing} />}
            {measurable && key && (
              <button type="button" className="btn self-start max-sm:h-14" onClick={() => setMeasuring(true)}>
                Measure it
              </button>
            )}
            {!measurable && (
              <p>This exercise is drawn without measuring: nothing of it is measured afterward either.</p>
            )}
            {key && measurable && (
              <details className="border-t border-hairline pt-2">
                <summary className="cursor-pointer py-1 font-serif text-[18px]">The reference’s answer key</summary>
                <AnswerKeyPanel
                  shown={layers}
                  onToggle={(layer) => setLayers((before) => toggledLayer(before, layer))}
                  onClear={() => setLayers(new Set())}
                />
              </details>
            )}
            <DrawingState sessionId={sessionId} pose={pose} drawn={drawn} />
            <Features sessionId={sessionId} pose={pose} />
          </div>
        </div>
      )}
    </section>
  );
}
