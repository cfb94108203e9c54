// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { SheetDrawing } from '@/core/desk/sheet';
import type { Drawing } from '@/core/journal/drawings';
import { exerciseById } from '@/core/practice/exercises';
import type * as LookModule from '@/features/desk/look/LookAt';
import type * as HandbookModule from '@/features/handbook/SeeItDrawn';
import type * as CameraModule from '@/features/journal/SheetCamera';
import { keyOf } from '../core/keys';

/** jsdom lays nothing out: nothing is ever observed. */
class NoObserver {
  observe = vi.fn();
  disconnect = vi.fn();
}

interface Given {
  key: unknown;
  url: string | null | undefined;
  look?: () => Promise<unknown>;
  stopped: number;
}
const given = vi.hoisted((): Given => ({ key: undefined, url: 'blob:reference', stopped: 0 }));
vi.mock('@/storage/hooks/useDrawnKey', () => ({ useDrawnKey: () => given.key }));
vi.mock('@/storage/hooks/useReferenceImage', () => ({ useReferenceImage: () => given.url }));
vi.mock('@/workers/clients', () => ({
  startSheetWorker: () => ({ api: { look: () => given.look?.() }, stop: () => given.stopped++ }),
}));
vi.mock('@/features/journal/sheetSource', () => {
  const source = { size: () => ({ width: 640, height: 480 }), paint: () => undefined, stop: () => given.stopped++ };
  return {
    openCamera: () => Promise.reject(new DOMException('none', 'NotFoundError')),
    openSimulated: () => Promise.resolve(source),
  };
});

let LookAt: typeof LookModule.LookAt;
let SeeItDrawn: typeof HandbookModule.SeeItDrawn;
let SheetCamera: typeof CameraModule.SheetCamera;
beforeEach(async () => {
  vi.stubGlobal('ResizeObserver', NoObserver);
  globalThis.indexedDB = new IDBFactory();
  given.key = keyOf(40);
  given.url = 'blob:reference';
  given.stopped = 0;
  vi.stubGlobal('matchMedia', () => ({ matches: true }));
  Object.assign(HTMLDialogElement.prototype, {
    showModal(this: HTMLDialogElement) {
      this.open = true;
    },
    close(this: HTMLDialogElement) {
      this.open = false;
    },
  });
  [{ LookAt }, { SeeItDrawn }, { SheetCamera }] = await Promise.all([
    import('@/features/desk/look/LookAt'),
    import('@/features/handbook/SeeItDrawn'),
    import('@/features/journal/SheetCamera'),
  ]);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

const FLAT = { url: 'blob:sheet', image: new Blob(), width: 1000, height: 1400 };
const BOX: SheetDrawing = { x: 0.1, y: 0.1, width: 0.5, height: 0.8, drawing: '0:0' };
const pose = (exercise: string): Drawing =>
  ({ drawing: '0:0', referenceId: 'figure/x', exercise: exerciseById(exercise), spentMs: 60_000 }) as Drawing;

describe('a drawing that is looked at', () => {
  const shown = (measurable: boolean, onClose: () => void = () => undefined) =>
    render(
      <LookAt
        flat={FLAT}
        box={BOX}
        number={2}
        mmPerPx={undefined}
        sessionId="s"
        pose={pose('flowing-gesture')}
        drawn={[pose('flowing-gesture')]}
        measurable={measurable}
        fit={() => Promise.resolve(undefined)}
        steps={{ undo: () => undefined, redo: () => undefined, undoWords: undefined, redoWords: undefined }}
        onPoints={() => undefined}
        strokes={undefined}
        onClose={onClose}
      />,
    );
  const plate = (name: string): HTMLElement => screen.getByRole('img', { name }).parentElement!;
  it('stands beside its reference, both as they are chosen to be seen', () => {
    shown(true);
    expect(screen.getByRole('heading', { name: 'Flowing gesture, 1 min' })).toBeTruthy();
    fireEvent.keyDown(window, { key: 'm' });
    for (const name of ['Drawing 2', 'What it was drawn from'])
      expect(plate(name).style.transform).toContain('scale(-1');
    fireEvent.change(screen.getByLabelText('on'), { target: { value: 'drawing' } });
    expect(plate('What it was drawn from').style.transform).toContain('scale(1');
    fireEvent.keyDown(window, { key: 'b' });
    expect(plate('Drawing 2').style.transform).toContain('scale(-0.1');
    fireEvent.keyDown(window, { key: 'g' });
    expect(screen.getByRole('img', { name: 'Drawing 2' }).style.filter).toContain('grey');
    fireEvent.keyDown(window, { key: 'o' });
    expect(screen.getByLabelText('Reference seen through')).toBeTruthy();
  });
  it('has its reference’s answer key layer by layer, and is left by Escape', () => {
    let left = 0;
    shown(true, () => {
      left++;
    });
    fireEvent.click(screen.getByLabelText(/^Tilts/));
    expect(document.querySelectorAll('[data-layer="tilts"]')).toHaveLength(1);
    fireEvent.click(screen.getByRole('button', { name: 'Take all off' }));
    expect(document.querySelectorAll('[data-layer]')).toHaveLength(0);
    fireEvent.keyDown(window, { key: 'Escape' });
    expect(left).toBe(1);
  });
  it('is not measured where its exercise is drawn without measuring', () => {
    shown(false);
    expect(screen.queryByRole('button', { name: 'Measure it' })).toBeNull();
    expect(screen.queryByText('The reference’s answer key')).toBeNull();
    expect(screen.getByText(/drawn without measuring/)).toBeTruthy();
  });
  it('says so where there is no picture of the reference, and while it is fetched', () => {
    given.url = null;
    given.key = undefined;
    shown(true);
    expect(screen.getByText('There is no picture of what it was drawn from.')).toBeTruthy();
    cleanup();
    given.url = undefined;
    shown(true);
    expect(screen.getByText('Fetching what it was drawn from.')).toBeTruthy();
  });
});

describe('an exercise that is seen being drawn', () => {
  it('stands still for who wants no motion, stage by stage, and ends where it ends', () => {
    render(<SeeItDrawn exercise={exerciseById('flowing-gesture')} onClose={() => undefined} />);
    const dialog = within(screen.getByRole('dialog', { name: 'Flowing gesture, drawn' }));
    expect(dialog.getByText('0:00 of 1 min')).toBeTruthy();
    fireEvent.click(dialog.getByRole('button', { name: 'masses' }));
    expect(dialog.queryByText('0:00 of 1 min')).toBeNull();
    fireEvent.click(dialog.getByRole('button', { name: 'edges that matter' }));
    expect(dialog.getByText(/^(0:5\d|1:00) of 1 min$/)).toBeTruthy();
    expect(dialog.getByRole('button', { name: 'Go on' })).toBeTruthy();
    fireEvent.click(dialog.getByRole('button', { name: 'Another figure' }));
    expect(dialog.getByRole('button', { name: 'Stop' })).toBeTruthy();
    expect(dialog.getByText('0:00 of 1 min')).toBeTruthy();
  });
  it('waits for the figure', () => {
    given.key = undefined;
    render(<SeeItDrawn exercise={exerciseById('contour')} onClose={() => undefined} />);
    expect(screen.getByRole('status', { name: 'Looking at the figure' })).toBeTruthy();
  });
});

describe('a sheet before the camera', () => {
  const corners = [
    [0.1, 0.1],
    [0.9, 0.1],
    [0.9, 0.9],
    [0.1, 0.9],
  ];
  beforeEach(() => {
    const context = { getImageData: () => ({ data: new Uint8ClampedArray(4) }), putImageData: () => undefined };
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(context as never);
    vi.stubGlobal(
      'OffscreenCanvas',
      class {
        width = 1;
        height = 1;
        getContext = () => context;
        convertToBlob = () => Promise.resolve(new Blob(['photo'], { type: 'image/jpeg' }));
      },
    );
  });
  it('is taken by itself once it is still; where there is no camera a made-up one shows how', async () => {
    given.look = () => Promise.resolve({ corners, worstSide: 0.9, bow: 0, sharpness: 1 });
    const taken: File[] = [];
    let closed = 0;
    const { unmount } = render(<SheetCamera onTaken={(photo) => taken.push(photo)} onClose={() => closed++} />);
    fireEvent.click(await screen.findByRole('button', { name: /made-up camera/ }));
    await waitFor(() => expect(taken).toHaveLength(1));
    expect(taken[0].type).toBe('image/jpeg');
    await waitFor(() => expect(closed).toBe(1));
    const before = given.stopped;
    unmount();
    // The camera and the worker go with the window.
    expect(given.stopped).toBe(before + 2);
  });
  it('that is nowhere is not taken, but by the key, and only once', async () => {
    given.look = () => Promise.resolve({ corners: undefined, worstSide: 0, bow: 0, sharpness: 1 });
    const taken: File[] = [];
    render(<SheetCamera onTaken={(photo) => taken.push(photo)} onClose={() => undefined} />);
    fireEvent.click(await screen.findByRole('button', { name: /made-up camera/ }));
    await screen.findByText(/until all four corners are in the picture/);
    await act(async () => {
      fireEvent.keyDown(window, { key: ' ' });
      fireEvent.keyDown(window, { key: 'Enter' });
      await Promise.resolve();
    });
    await waitFor(() => expect(taken).toHaveLength(1));
  });
});
