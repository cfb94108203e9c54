import * as Comlink from 'comlink';
import { type Appearance, appearanceKey, shownAs, STUDIO } from '@/core/figure/picture/appearance';
import type { Frame, View } from '@/core/figure/picture/view';
import { BUILDS } from '@/core/figure/skeleton/builds';
import type { HandleId } from '@/core/figure/skeleton/moveJoint';
import type { Vec3 } from '@/core/figure/skeleton/vector';
import { draftPicture, type Pixels } from '@/core/figure/picture/draft';
import { type AnswerKey, answerKey } from '@/core/figure/facts/answerKey';
import type { Point } from '@/core/figure/facts/actionLine';
import { crossContours } from '@/core/figure/facts/crossContours';
import { formLines } from '@/core/figure/facts/formLines';
import { factSentences } from '@/core/figure/facts/sentences';
import { type Figure } from '@/core/figure/figure';
import { COARSE, FINE, type Fineness } from '@/core/figure/forms';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { type FigureFacts, figureFacts, parseFigureReference, poseOf } from '@/core/figure/catalogue/reference';
import type { FigureReference } from '@/core/figure/catalogue/referenceId';
import { loadBody } from './bodyFile';
import { renderFigure } from './figureRenderer';
import { type Held, type Hold, holdFigure } from './heldFigure';
import { liveFigure, type LiveFigure } from './liveFigure';

function referenceOf(id: string): FigureReference {
  const reference = parseFigureReference(id);
  if (!reference) throw new Error(`not a figure: ${id}`);
  return reference;
}

/** The last figure meshed at each fineness in each form: turning it only draws again. */
const last = new Map<string, { key: string; figure: Figure }>();
async function meshed({ poseId, build }: FigureReference, fineness: Fineness, appearance = STUDIO): Promise<Figure> {
  const shown = shownAs(appearance);
  const key = [poseId, build, ...Object.values(shown)].join('/');
  const place = `${String(fineness.levels)} ${shown.form ?? ''}`;
  const known = last.get(place);
  if (known?.key === key) return known.figure;
  const figure = referenceFigure(await loadBody(), { poseId, build }, fineness, shown);
  last.set(place, { key, figure });
  return figure;
}

async function webp({ width, height, data }: Pixels): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  canvas
    .getContext('2d', { willReadFrequently: true })
    ?.putImageData(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  return canvas.convertToBlob({ type: 'image/webp', quality: 0.86 });
}

const FINISHED = { longSidePx: 1200, passes: 8, ground: true } as const;

let live: LiveFigure | undefined;
/** What is turned live, and how fine it is. */
let turning = { shows: '', fineness: COARSE };
/** A frame drawn within this leaves time for a finer figure, milliseconds. */
const FAST_MS = 14;

/** How a motion that is played is framed. */
let playing: Frame | undefined;
/** Room around the first pose of a motion for what it moves to. */
const ROOM_TO_MOVE = 1.35;
const withRoom = (frame: Frame): Frame => ({
  ...frame,
  left: frame.left * ROOM_TO_MOVE,
  right: frame.right * ROOM_TO_MOVE,
  top: frame.top * ROOM_TO_MOVE,
  bottom: frame.bottom * ROOM_TO_MOVE,
});

let held: Hold | undefined;
/** While it is moved, a figure is shaded from few directions: a hand does not wait. */
const MOVING: Fineness = { levels: 0, directions: 6 };

/** Do something to what is held, and show it. */
async function showHeld(act: (hold: Hold) => string | undefined, appearance: Appearance): Promise<Held> {
  if (!held) throw new Error('nothing is held');
  const told = act(held);
  const reference = held.reference();
  const figure = referenceFigure(await loadBody(), reference, MOVING, shownAs(appearance));
  drawHeld(held, figure, appearance);
  return held.see(figure, told);
}

/** Draw what is held, where it can be drawn live. */
function drawHeld(hold: Hold, figure: Figure, appearance: Appearance): void {
  turning = { shows: '', fineness: COARSE };
  live?.put(figure, appearance);
  live?.turn(hold.reference().view, hold.frame);
}

const api = {
  /** A first look, drawn without a graphics card: WebP with a transparent ground. */
  async draft(id: string, appearance: Appearance, size: { longSidePx: number; ground: boolean }): Promise<Blob> {
    const reference = referenceOf(id);
    return webp(draftPicture(await meshed(reference, COARSE, appearance), reference.view, { ...appearance, ...size }));
  },
  /** The finished picture of a figure, WebP with a transparent ground; without WebGL, a careful draft. */
  async render(id: string, appearance: Appearance): Promise<Blob> {
    const reference = referenceOf(id);
    const figure = await meshed(reference, FINE, appearance);
    try {
      return await renderFigure(figure, reference.view, { ...FINISHED, ...appearance }).convertToBlob({
        type: 'image/webp',
        quality: 0.86,
      });
    } catch {
      return webp(draftPicture(figure, reference.view, { ...FINISHED, ...appearance }));
    }
  },
  /**
   * Turn figures live in this canvas from now on.
   * @throws when WebGL is not to be had.
   */
  openLive(canvas: OffscreenCanvas, width: number, height: number, ratio: number): void {
    live = liveFigure(canvas, ratio);
    live.resize(width, height);
  },
  resizeLive(width: number, height: number): void {
    live?.resize(width, height);
  },
  /** Draw a figure live as seen from anywhere, first as it is soonest there, finer where frames are fast. @returns Milliseconds the frame took. */
  async turnLive(id: string, appearance: Appearance, view: View): Promise<number> {
    const reference = referenceOf(id);
    if (!live) throw new Error('no canvas to turn in');
    const shows = `${reference.poseId}/${reference.build}/${appearanceKey(appearance)}`;
    if (turning.shows !== shows) {
      turning = { shows, fineness: COARSE };
      live.put(await meshed(reference, COARSE, appearance), appearance);
    }
    const tookMs = live.turn(view);
    if (tookMs < FAST_MS && turning.fineness === COARSE) {
      turning = { shows, fineness: FINE };
      live.put(await meshed(reference, FINE, appearance), appearance);
      live.turn(view);
    }
    return tookMs;
  },
  /**
   * Draw one pose of a motion as soon as can be, coarsely: the next comes at once.
   * @param anew It is framed by this pose, with room to move; else as the one before was.
   */
  async playLive(id: string, appearance: Appearance, anew: boolean): Promise<void> {
    const reference = referenceOf(id);
    if (!live) throw new Error('no canvas to play in');
    const figure = referenceFigure(await loadBody(), reference, MOVING, shownAs(appearance));
    turning = { shows: '', fineness: COARSE };
    live.put(figure, appearance);
    if (anew || !playing) playing = withRoom(live.frame(reference.view));
    live.turn(reference.view, playing);
    // What is drawn before a canvas was ever put on the screen is not shown with it: drawn once more when it is.
    if (anew) await new Promise((resolve) => requestAnimationFrame(resolve));
    if (anew) live.turn(reference.view, playing);
  },
  /**
   * Take hold of a figure: it can be moved from now on, seen as it is seen now.
   * @param size Of the canvas it is shown in, pixels.
   * @param draw Whether it is drawn live, framed as it lies now.
   */
  async hold(
    id: string,
    appearance: Appearance,
    size: { width: number; height: number },
    draw: boolean,
  ): Promise<Held> {
    const reference = referenceOf(id);
    const figure = await meshed(reference, COARSE, appearance);
    held = holdFigure(reference, figure, appearance.covered, size);
    if (draw) drawHeld(held, figure, appearance);
    return held.see(figure);
  },
  /** Move a handle of what is held to a point of the canvas, and draw it where it can be drawn live. */
  dragHeld: (handle: HandleId, x: number, y: number, balanced: boolean, appearance: Appearance): Promise<Held> =>
    showHeld((hold) => hold.drag(handle, x, y, balanced), appearance),
  /** The same by steps across the view, up it and toward the eye, head heights. */
  nudgeHeld: (handle: HandleId, by: Vec3, balanced: boolean, appearance: Appearance): Promise<Held> =>
    showHeld((hold) => hold.nudge(handle, by, balanced), appearance),
  /** Bring what is held to rest. */
  settleHeld: (appearance: Appearance): Promise<Held> => showHeld((hold) => hold.settle(), appearance),
  /** What a teacher would draw over a figure, and what is known of it in sentences. */
  async read(
    id: string,
    { light, covered }: Appearance,
  ): Promise<{ key: AnswerKey; sentences: string[]; facts: FigureFacts }> {
    const reference = referenceOf(id);
    const { pose } = poseOf(reference.poseId);
    const key = answerKey(await meshed(reference, COARSE), pose, BUILDS[reference.build], reference.view, light, {
      covered,
    });
    return { key, sentences: factSentences(key), facts: figureFacts(reference) };
  },
  /** Lines across a figure's form, over its picture. */
  async across(id: string, appearance: Appearance): Promise<Point[][]> {
    const reference = referenceOf(id);
    return crossContours(await meshed(reference, COARSE, appearance), reference.view, appearance.covered);
  },
  /** Borders of the planes or solids that a figure is built on, over its picture. */
  async lines(id: string, appearance: Appearance, form: 'planes' | 'solids'): Promise<Point[][]> {
    const reference = referenceOf(id);
    const skin = await meshed(reference, COARSE, appearance);
    const built = await meshed(reference, COARSE, { ...appearance, look: form });
    return formLines(skin, built, reference.view, appearance.covered);
  },
  /** What figures are chosen by. */
  facts: (ids: readonly string[]): FigureFacts[] => ids.map((id) => figureFacts(referenceOf(id))),
  /** Figures with their poses' own data, as they are written into files. */
  describe: (ids: readonly string[]) =>
    ids.map((id) => {
      const { poseId, build, view } = referenceOf(id);
      const { name, family, pose } = poseOf(poseId);
      return { reference: id, name, family, build, view, pose };
    }),
  /** A figure's surface as a glTF binary. */
  async glb(id: string, covered: boolean): Promise<Blob> {
    const { glbOf } = await import('./glb');
    return glbOf(await meshed(referenceOf(id), FINE), id, covered);
  },
};
export type FigureApi = typeof api;
Comlink.expose(api);
