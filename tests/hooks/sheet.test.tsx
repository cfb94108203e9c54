// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { drawByHand } from '@/core/hand/draw';
import { strokesByHand } from '@/core/strokes/byHand';
import { type InkStroke, markOf } from '@/core/strokes/inkStroke';
import type { SheetPlace } from '@/core/strokes/sheetOf';
import { sheetPageId } from '@/core/strokes/sheetsDrawn';
import { sheetInkMl, sheetSvg } from '@/core/strokes/takeOut';
import { InkSurface, type Surface } from '@/features/run/sheet/InkSurface';
import { type NewStroke, useStrokes } from '@/features/run/sheet/useStrokes';
import { useReplay } from '@/features/strokes/useReplay';
import { emptyOldBin } from '@/storage/bin';
import { closeDb } from '@/storage/db';
import { addPage, binPage, pageIds } from '@/storage/sessions/pages';
import type { Page } from '@/core/journal/session';
import { inkOfPage, keepStroke, sessionsWithStrokes, strokesOf } from '@/storage/sessions/strokes';
import * as strokeStore from '@/storage/sessions/strokes';
import { keyOf } from '../core/keys';

const DAY_MS = 86_400_000;
const A3 = { widthMm: 297, heightMm: 420 };
const PLACE: SheetPlace = { sheet: 0, drawing: '0:0', attempt: 0, atMs: 1200 };
const stroke = (x: number): NewStroke => ({
  place: PLACE,
  tool: 'graphite',
  by: 'pen',
  points: [
    [x, 10, 0, 0.4],
    [x + 20, 30, 80, 0.7],
  ],
});

beforeEach(async () => {
  await closeDb();
  vi.stubGlobal('indexedDB', new IDBFactory());
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

describe('strokes of a session', () => {
  it('are on disk when they are finished, in the order they were made, and go on where they were left', async () => {
    const { result } = renderHook(() => useStrokes('s'));
    await waitFor(() => expect(result.current.all).toEqual([]));
    act(() => {
      result.current.add(stroke(10));
      result.current.add(stroke(50));
    });
    expect(result.current.now().map(({ n }) => n)).toEqual([0, 1]);
    await waitFor(async () => expect(await strokesOf('s')).toHaveLength(2));
    const [first] = await strokesOf('s');
    expect(markOf(first).points[1]).toEqual([30, 30, 1280, 0.7]);
    // Opened again, as after a crash.
    const again = renderHook(() => useStrokes('s'));
    await waitFor(() => expect(again.result.current.all).toHaveLength(2));
    act(() => again.result.current.add(stroke(90)));
    await waitFor(async () => expect((await strokesOf('s')).map(({ n }) => n)).toEqual([0, 1, 2]));
    expect([...(await sessionsWithStrokes())]).toEqual([['s', new Set(['0:0'])]]);
  });
  it('the last is taken back, kept, and not seen any more; of another drawing nothing is', async () => {
    const { result } = renderHook(() => useStrokes('s'));
    await waitFor(() => expect(result.current.all).toEqual([]));
    act(() => {
      result.current.add(stroke(10));
      result.current.add(stroke(50));
    });
    act(() => result.current.undo({ drawing: '0:1', attempt: 0 }));
    expect(result.current.undone).toBe(0);
    act(() => result.current.undo(PLACE));
    expect(result.current.all?.map(({ undone = false }) => undone)).toEqual([false, true]);
    await waitFor(async () =>
      expect((await strokesOf('s')).map(({ undone = false }) => undone)).toEqual([false, true]),
    );
    act(() => result.current.undo(PLACE));
    act(() => result.current.undo(PLACE));
    expect(result.current.undone).toBe(2);
  });
  it('that cannot be written are said to be, and are not lost from the sheet', async () => {
    const { result } = renderHook(() => useStrokes('s'));
    await waitFor(() => expect(result.current.all).toEqual([]));
    act(() => result.current.add({ ...stroke(10), place: { ...PLACE, sheet: -1 } }));
    await waitFor(() => expect(result.current.problem).toBeTruthy());
    expect(result.current.all).toHaveLength(1);
  });
  it('that failed to be written are tried again, and the warning stays until all are on disk', async () => {
    const keep = vi.spyOn(strokeStore, 'keepStroke');
    keep.mockRejectedValueOnce(new Error('disk')).mockRejectedValueOnce(new Error('disk'));
    const { result } = renderHook(() => useStrokes('s'));
    await waitFor(() => expect(result.current.all).toEqual([]));
    act(() => {
      for (const x of [10, 50, 90, 130]) result.current.add(stroke(x));
    });
    await waitFor(() => expect(result.current.problem).toBeDefined());
    act(() => result.current.undo(PLACE));
    await waitFor(async () => expect(await strokesOf('s')).toHaveLength(4));
    await waitFor(() => expect(result.current.problem).toBeUndefined());
    expect((await strokesOf('s')).map(({ undone = false }) => undone)).toEqual([false, false, false, true]);
  });
  it('are no ink of a photograph, nor of a sheet whose session is gone', async () => {
    expect(await inkOfPage('demo-page-1', 100, 140)).toBeUndefined();
    expect(await inkOfPage(sheetPageId('gone', 0), 100, 140)).toBeUndefined();
  });
  it('go for good with their page when it has been in the bin long enough, and no others', async () => {
    const { result } = renderHook(() => useStrokes('s'));
    await waitFor(() => expect(result.current.all).toEqual([]));
    act(() => {
      result.current.add(stroke(10));
      result.current.add({ ...stroke(50), place: { ...PLACE, sheet: 1, drawing: '0:1' } });
    });
    await waitFor(async () => expect(await strokesOf('s')).toHaveLength(2));
    const page: Page = {
      id: sheetPageId('s', 0),
      sessionId: 's',
      widthPx: 10,
      heightPx: 14,
      addedAtMs: 1,
      binnedAtMs: null,
    };
    const image = new Blob(['x']);
    await addPage(page, image, image);
    await binPage(page.id, 1000);
    expect(await emptyOldBin(1000 + 29 * DAY_MS)).toBe(0);
    expect(await strokesOf('s')).toHaveLength(2);
    expect(await emptyOldBin(1000 + 31 * DAY_MS)).toBe(1);
    expect((await strokesOf('s')).map(({ sheet }) => sheet)).toEqual([1]);
    expect(await pageIds('s')).toEqual(new Set());
  });
  it('are written past their schema by nobody', async () => {
    const bad = { ...stroke(1), id: 'x' } as unknown as InkStroke;
    await expect(keepStroke(bad)).rejects.toThrow();
  });
});

describe('strokes taken out', () => {
  const drawn = drawByHand({ key: keyOf(12), manner: 'flowing', drawMs: 60_000, seed: 1 });
  const where = { sessionId: 's', sheet: 0, drawing: '0:0', tool: 'graphite' } as const;
  const { strokes } = strokesByHand(drawn, A3, where, 0);
  const parser = new DOMParser();
  it('as shapes: one a stroke, text in them written as text', () => {
    const doc = parser.parseFromString(sheetSvg(strokes, A3, 'Heads & <hands>'), 'image/svg+xml');
    expect(doc.querySelector('parsererror')).toBeNull();
    expect(doc.querySelectorAll('path')).toHaveLength(strokes.length);
    expect(doc.querySelector('title')?.textContent).toBe('Heads & <hands>');
    expect(doc.documentElement.getAttribute('viewBox')).toBe('0 0 297.0 420.0');
  });
  it('as InkML: places, pressure and time of each, what rubbed out among them', () => {
    const text = sheetInkMl([...strokes, { ...strokes[0], tool: 'eraser' }], A3);
    const ink = parser.parseFromString(text, 'text/xml');
    expect(ink.querySelector('parsererror')).toBeNull();
    expect(ink.documentElement.namespaceURI).toBe('http://www.w3.org/2003/InkML');
    const traces = [...ink.querySelectorAll('trace')];
    expect(traces).toHaveLength(strokes.length + 1);
    const numbers = traces[0].textContent.split(',')[0].trim().split(' ').map(Number);
    const [x, y, at, press] = markOf(strokes[0]).points[0];
    [x, y, press, at].forEach((value, i) => expect(numbers[i]).toBeCloseTo(value, 2));
    expect([...ink.querySelectorAll('channel')].map((c) => c.getAttribute('name'))).toEqual(['X', 'Y', 'F', 'T']);
    // Every trace names a brush and a context that are there.
    const ids = new Set([...ink.querySelectorAll('[*|id]')].map((e) => e.getAttribute('xml:id')));
    for (const trace of traces)
      for (const ref of ['contextRef', 'brushRef']) expect(ids.has(trace.getAttribute(ref)!.slice(1))).toBe(true);
  });
});

describe('a sheet that is drawn on', () => {
  const made: NewStroke[] = [];
  beforeEach(() => {
    made.length = 0;
    const context = {
      drawImage: vi.fn(),
      clearRect: vi.fn(),
      save: vi.fn(),
      restore: vi.fn(),
      fill: vi.fn(),
      createPattern: () => null,
    };
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(context as unknown as RenderingContext);
    vi.stubGlobal(
      'Path2D',
      class {
        addPath(): void {}
      },
    );
    vi.stubGlobal('DOMMatrix', vi.fn());
    vi.stubGlobal(
      'ImageData',
      class {
        data = new Uint8ClampedArray(4 * 256 * 256);
      },
    );
    vi.stubGlobal(
      'OffscreenCanvas',
      class {
        getContext(): null {
          return null;
        }
      },
    );
    vi.stubGlobal(
      'ResizeObserver',
      class {
        constructor(private readonly told: (entries: unknown[]) => void) {}
        observe(): void {
          this.told([{ contentRect: { width: 297, height: 420 } }]);
        }
        disconnect(): void {}
      },
    );
    vi.spyOn(Element.prototype, 'getBoundingClientRect').mockReturnValue({
      left: 0,
      top: 0,
      width: 297,
      height: 420,
    } as DOMRect);
    Object.assign(Element.prototype, { setPointerCapture: () => undefined });
  });
  const shown = (more: Partial<Surface> = {}) => {
    const props: Surface = {
      ...A3,
      paper: 'newsprint',
      strokes: () => [],
      laidKey: 'a',
      liveKey: 'a',
      tool: 'graphite',
      erases: false,
      veil: 'none',
      turned: { mirrored: false, upsideDown: false },
      label: 'Sheet',
      pxPerMm: undefined,
      onBegin: () => PLACE,
      onStroke: (one) => made.push(one),
      ...more,
    };
    return { props, ...render(<InkSurface {...props} />) };
  };
  const point = (type: string, x: number, y: number, more: object = {}): void => {
    const event = Object.assign(new Event(type, { bubbles: true, cancelable: true }), {
      pointerId: 1,
      pointerType: 'pen',
      button: 0,
      buttons: 1,
      pressure: 0.6,
      tiltX: 0,
      tiltY: 0,
      clientX: x,
      clientY: y,
      ...more,
    });
    fireEvent(screen.getByRole('img', { name: 'Sheet' }), event);
  };
  const line = (more: object = {}): void => {
    point('pointerdown', 20, 30, more);
    point('pointermove', 60, 70, more);
    point('pointerup', 60, 70, more);
  };
  it('has strokes in millimeters, with the pressure of a pen and without that of a finger', () => {
    shown({ pxPerMm: 4 });
    line();
    expect(made[0]).toMatchObject({ by: 'pen', tool: 'graphite', place: PLACE, movedMm: 0.25 });
    expect(made[0].points.map(([x, y, , press]) => [x, y, press])).toEqual([
      [20, 30, 0.6],
      [60, 70, 0.6],
    ]);
  });
  it('lays a pen that is held flat on its side', () => {
    shown();
    line({ tiltX: 40, tiltY: 45 });
    line({ tiltX: 20, tiltY: 20 });
    expect(made.map(({ side = false }) => side)).toEqual([true, false]);
  });
  it('takes fingers until a pen was seen; then a palm does nothing', () => {
    shown();
    line({ pointerType: 'touch' });
    line({ pointerType: 'mouse' });
    line();
    line({ pointerType: 'touch', pointerId: 2 });
    expect(made.map(({ by }) => by)).toEqual(['finger', 'mouse', 'pen']);
    // Another button of the mouse draws nothing.
    line({ pointerType: 'mouse', button: 2 });
    expect(made).toHaveLength(3);
  });
  it('takes no second pointer into a stroke, and none where nothing is drawn', () => {
    const { unmount } = shown();
    point('pointerdown', 20, 30);
    point('pointerdown', 90, 90, { pointerId: 2 });
    point('pointermove', 95, 95, { pointerId: 2 });
    point('pointerup', 95, 95, { pointerId: 2 });
    expect(made).toHaveLength(0);
    point('pointerup', 20, 30);
    expect(made).toHaveLength(1);
    unmount();
    shown({ onBegin: () => undefined });
    line();
    expect(made).toHaveLength(1);
  });
  it('ends the stroke under way when its time is up', () => {
    const { props, rerender } = shown();
    point('pointerdown', 20, 30);
    point('pointermove', 60, 70);
    rerender(<InkSurface {...props} liveKey="b" />);
    expect(made).toHaveLength(1);
    point('pointermove', 90, 90);
    point('pointerup', 90, 90);
    expect(made).toHaveLength(1);
  });
  it('rubs out with a pen’s other end only where the exercise lets one', () => {
    const { unmount } = shown();
    line({ buttons: 32 });
    unmount();
    shown({ erases: true });
    line({ buttons: 32 });
    expect(made.map(({ tool }) => tool)).toEqual(['graphite', 'eraser']);
  });
  it('shows nothing under a veil, and while the pen moves nothing under one that lifts when it stands', () => {
    const { container, unmount } = shown({ veil: 'whole' });
    expect(container.querySelector('.invisible')).not.toBeNull();
    unmount();
    vi.useFakeTimers();
    const moving = shown({ veil: 'moving' }).container.querySelector<HTMLElement>('.overflow-hidden > div')!;
    point('pointerdown', 20, 30);
    expect(moving.style.visibility).toBe('hidden');
    vi.advanceTimersByTime(400);
    expect(moving.style.visibility).toBe('');
    vi.useRealTimers();
  });
});

describe('a drawing run through again', () => {
  it('begins anew when it is over, stops where it is, and tells all that follow it', () => {
    let frame: FrameRequestCallback = () => undefined;
    vi.stubGlobal('requestAnimationFrame', (next: FrameRequestCallback) => ((frame = next), 1));
    vi.stubGlobal('cancelAnimationFrame', () => undefined);
    vi.stubGlobal('matchMedia', () => ({ matches: false }));
    vi.spyOn(performance, 'now').mockReturnValue(0);
    const { result } = renderHook(() => useReplay(10_000));
    const seen: number[] = [];
    const leave = result.current.follow((ms) => seen.push(ms));
    expect(seen).toEqual([10_000]);
    act(() => result.current.setSpeed(2));
    act(() => result.current.play());
    act(() => frame(1000));
    act(() => frame(2000));
    expect(seen).toEqual([10_000, 0, 2000, 4000]);
    act(() => result.current.stop());
    expect(result.current).toMatchObject({ playing: false, atMs: 4000 });
    act(() => result.current.goTo(7000));
    leave();
    act(() => result.current.goTo(100));
    expect(seen.at(-1)).toBe(7000);
  });
});
