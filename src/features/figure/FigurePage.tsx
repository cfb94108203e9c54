'use client';
import { Link } from '@/ui/Link';
import { useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast, toastProblem } from '@/ui/toast/toast';
import type { Appearance } from '@/core/figure/picture/appearance';
import {
  figureReferenceId,
  type FigureReference,
  mirroredId,
  splitFigureReference,
} from '@/core/figure/catalogue/referenceId';
import { knownFacts } from '@/core/figure/catalogue/catalogue';
import { durationWords } from '@/core/practice/time/duration';
import { singlePosePlan } from '@/core/practice/plan/singlePose';
import { storageProblem } from '@/storage/problems';
import { keepOwnPose } from '@/storage/references/ownPoses';
import { useIsHidden } from '@/storage/references/hiddenReference';
import { useStart } from '@/storage/hooks/useStart';
import { useCovered } from '@/storage/hooks/useCovered';
import { useStored } from '@/storage/hooks/useStored';
import { DrawnFromMemory } from '@/ui/DrawnFromMemory';
import { Notice } from '@/ui/Notice';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { AnswerKeyPanel } from '@/ui/answerKey/AnswerKeyPanel';
import { CameraControls } from './CameraControls';
import { FigurePlate } from './FigurePlate';
import { type LayerId, LAYERS } from '@/ui/answerKey/layers';
import { LightAndLook } from './LightAndLook';
import { FRESH, loadPageState, type PageState, savePageState } from './pageState';
import { SaveFigure } from './SaveFigure';
import { useFigure } from './useFigure';
import { HandleLayer } from './HandleLayer';
import { MoveBar } from './MoveBar';
import { useJoints } from './useJoints';
import { useFormLines } from './useFormLines';
import { useLiveTurn } from './useLiveTurn';
import { anotherView, moved, RAISE_DEG, sameView, TURN_DEG, viewFrom } from './views';
import { usePageKeys } from '@/ui/input/usePageKeys';

const LENGTHS_MS = [30_000, 60_000, 120_000, 300_000];

export function FigurePage() {
  const id = useSearchParams().get('id') ?? '';
  const reference = splitFigureReference(id);
  const saved = useStored(loadPageState, [], []);
  const covered = useCovered();
  const hidden = useIsHidden(id);
  if (hidden) return <DrawnFromMemory />;
  if (!reference)
    return (
      <div className="max-w-[60ch] py-8">
        <Notice tone="plain">
          There is no figure at this address. <Link href="/poses">Choose one under Poses</Link>.
        </Notice>
      </div>
    );
  if ((!saved.value && !saved.problem) || covered === undefined) return <div className="mt-4 h-[70dvh] skeleton" />;
  return <Figure start={reference} saved={saved.value ?? FRESH} covered={covered} />;
}

function Figure({ start, saved, covered }: { start: FigureReference; saved: PageState; covered: boolean }) {
  const [reference, setReference] = useState(start);
  const [state, setState] = useState(saved);
  const svg = useRef<SVGSVGElement>(null);
  const id = figureReferenceId(reference);
  const { light, look, suit, bones } = state;
  const appearance: Appearance = { light, look, covered: covered || suit, suit, bones };
  const figure = useFigure(id, appearance);
  const shown = new Set(state.layers);
  const lines = useFormLines(id, appearance, shown);
  const canvas = useRef<HTMLCanvasElement>(null);
  const live = useLiveTurn(canvas, id, appearance);
  const { shows: liveView, end: endLive } = live;
  // What was turned live stays until its finished picture is there; any other change ends it at once.
  const { view } = reference;
  useEffect(() => {
    if (!liveView || figure.busy) return;
    if (sameView(liveView, view)) endLive();
  }, [liveView, figure.busy, view, endLive]);
  const joints = useJoints(canvas, live, reference, appearance, setReference);
  const name = figure.reading?.facts.name ?? knownFacts(id)?.name ?? 'Figure';

  const change = useCallback(
    (to: (before: FigureReference) => FigureReference) => {
      endLive();
      setReference(to);
    },
    [endLive],
  );
  // On the way to drawing, nothing may touch the address or the view any more.
  const leaving = useRef(false);
  const { start: startPose } = useStart(
    useCallback((sentence: string) => {
      leaving.current = false;
      toastProblem(sentence);
    }, []),
  );
  useEffect(() => {
    if (leaving.current) return;
    window.history.replaceState(null, '', `/poses/figure?id=${encodeURIComponent(id)}`);
  }, [id]);
  const keep = useCallback((next: (before: PageState) => PageState) => {
    setState((before) => {
      const after = next(before);
      savePageState(after).catch(() => undefined); // a convenience: not worth a message
      return after;
    });
  }, []);
  const toggle = useCallback(
    (layer: LayerId) =>
      keep((before) => ({
        ...before,
        layers: before.layers.includes(layer) ? before.layers.filter((l) => l !== layer) : [...before.layers, layer],
      })),
    [keep],
  );
  const mirror = useCallback(
    () =>
      change((r) => ({
        ...r,
        poseId: mirroredId(r.poseId),
        view: { ...r.view, azimuthDeg: -r.view.azimuthDeg },
      })),
    [change],
  );

  usePageKeys((key, { target }) => {
    if (leaving.current) return false;
    const layer = LAYERS.find(({ hotkey }) => hotkey === key);
    if (layer) {
      toggle(layer.id);
      return true;
    }
    const acts: Record<string, () => void> = {
      ArrowLeft: () => change((r) => moved(r, { turnDeg: -TURN_DEG })),
      ArrowRight: () => change((r) => moved(r, { turnDeg: TURN_DEG })),
      ArrowUp: () => change((r) => moved(r, { raiseDeg: RAISE_DEG })),
      ArrowDown: () => change((r) => moved(r, { raiseDeg: -RAISE_DEG })),
      n: () => change(anotherView),
      j: joints.toggle,
      undo: () => joints.undo?.(),
      redo: () => joints.redo?.(),
      m: mirror,
    };
    const onSlider = (target as HTMLElement).matches('input[type=range]') && key.startsWith('Arrow');
    if (onSlider || !Object.hasOwn(acts, key)) return false;
    acts[key]();
    return true;
  });

  const keepPose = (called: string): void => {
    keepOwnPose(id, called).then(
      () => toast(`Kept as “${called}” under Poses, in the set “Own poses”.`),
      (error: unknown) => toastProblem(storageProblem(error)),
    );
  };
  const drawNow = (drawMs: number): void => {
    unlockSound();
    leaving.current = true;
    startPose(singlePosePlan(id, drawMs));
  };
  return (
    <div className="grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_400px]">
      <div className="min-w-0">
        <FigurePlate
          figure={figure}
          lines={lines}
          name={name}
          shown={shown}
          seenAs={state.seenAs}
          svgRef={svg}
          canvasRef={canvas}
          live={live}
          onLook={(by) => live.turn(viewFrom(reference.view, by))}
          onLetGo={(by) => setReference((r) => moved(r, by))}
        >
          {joints.on && <HandleLayer holding={joints.holding} />}
        </FigurePlate>
        {joints.on && (
          <MoveBar
            holding={joints.holding}
            balanced={joints.balanced}
            onBalanced={joints.setBalanced}
            undo={joints.undo}
            redo={joints.redo}
            name={name}
            onKeep={joints.moved ? keepPose : undefined}
            onDone={joints.toggle}
          />
        )}
        <CameraControls
          reference={reference}
          onMove={(by) => change((r) => moved(r, by))}
          onAnother={() => change(anotherView)}
          onMirror={mirror}
          onBuild={(build) => change((r) => ({ ...r, build }))}
          onMoveJoints={joints.on || figure.reading?.key.part ? undefined : joints.toggle}
        />
      </div>
      <div className="flex flex-col gap-5">
        <header>
          <h1 className="text-[30px] leading-tight">{name}</h1>
          <p className="min-h-[22px] text-quiet" aria-live="polite">
            {figure.reading &&
              `${figure.reading.facts.family}; ${figure.reading.key.viewName}, ${
                figure.reading.key.facing === 'left' || figure.reading.key.facing === 'right'
                  ? `facing ${figure.reading.key.facing}, `
                  : ''
              }seen ${figure.reading.key.eyeLevel}; difficulty ${String(figure.reading.facts.difficulty)} of 5${
                figure.reading.facts.why.length > 0 ? ` (${figure.reading.facts.why.join(', ')})` : ''
              }`}
          </p>
        </header>
        <section aria-label="Draw this view" className="no-print">
          <p className="font-semibold">Draw this view now</p>
          <div className="mt-2 flex flex-wrap gap-2">
            {LENGTHS_MS.map((ms) => (
              <button key={ms} type="button" className="btn max-sm:h-14" onClick={() => drawNow(ms)}>
                {durationWords(ms)}
              </button>
            ))}
          </div>
        </section>
        <AnswerKeyPanel shown={shown} onToggle={toggle} onClear={() => keep((before) => ({ ...before, layers: [] }))} />
        {/* Above what is read of the figure, whose length changes with it: what is pressed stays where it is. */}
        <LightAndLook state={state} onChange={(to) => keep((before) => ({ ...before, ...to }))} />
        <section aria-label="What is known of it">
          <h2 className="text-[20px]">What there is to see</h2>
          {figure.reading ? (
            <ul className="mt-1 flex max-w-[60ch] flex-col gap-1">
              {figure.reading.sentences.map((sentence) => (
                <li key={sentence}>{sentence}</li>
              ))}
            </ul>
          ) : (
            <div className="mt-2 h-[150px] skeleton" aria-label="Reading the figure" />
          )}
        </section>
        <SaveFigure
          id={id}
          name={name}
          picture={figure.picture}
          covered={appearance.covered}
          svg={svg}
          hasLayers={shown.size > 0}
        />
      </div>
    </div>
  );
}
