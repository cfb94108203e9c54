// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, renderHook, screen, waitFor, within } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { envelopeOf as shipped } from '@/core/figure/catalogue/envelopes';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { envelopeOf } from '@/core/desk/matching';
import type { SheetDrawing } from '@/core/desk/sheet';
import { drawByHand } from '@/core/hand/draw';
import type { Drawing } from '@/core/journal/drawings';
import { exerciseById } from '@/core/practice/exercises';
import { compare } from '@/core/measure/compare';
import { placesSeen } from '@/core/measure/drawn';
import { useBlink } from '@/features/desk/look/useBlink';
import { MeasureTable } from '@/features/desk/look/MeasureTable';
import { nameBoxes } from '@/features/desk/nameBoxes';
import { HandDrawn } from '@/ui/hand/HandDrawn';
import { paintStrokes } from '@/ui/hand/paintStrokes';
import { keyOf } from '../core/keys';
import type * as StateModule from '@/features/desk/look/DrawingState';
import type * as FeaturesModule from '@/features/desk/look/Features';
import type * as Kept from '@/storage/sessions/keptDrawings';

let State: typeof StateModule.DrawingState;
let Features: typeof FeaturesModule.Features;
let kept: typeof Kept;
beforeEach(async () => {
  vi.resetModules();
  globalThis.indexedDB = new IDBFactory();
  vi.stubGlobal('matchMedia', () => ({
    matches: false,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }));
  [{ DrawingState: State }, { Features }, kept] = await Promise.all([
    import('@/features/desk/look/DrawingState'),
    import('@/features/desk/look/Features'),
    import('@/storage/sessions/keptDrawings'),
  ]);
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const whole = CATALOGUE.filter(({ family }) => !['heads', 'hands', 'feet', 'torsos', 'backs'].includes(family));
const drawing = (key: string, i: number, exercise = 'flowing-gesture'): Drawing =>
  ({
    drawing: key,
    referenceId: whole[i].id,
    exercise: exerciseById(exercise),
    spentMs: 30_000,
    segmentIndex: i,
  }) as Drawing;

describe('what became of a drawing', () => {
  const drawn = [drawing('a', 0), drawing('b', 40)];
  const shown = () => render(<State sessionId="s" pose={drawn[0]} drawn={drawn} />);
  it('is said and kept: finished, worked on later, and no more', async () => {
    shown();
    fireEvent.click(screen.getByLabelText('Finished'));
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('Finished').checked).toBe(true));
    const field = screen.getByLabelText('Worked on it later, for');
    fireEvent.change(field, { target: { value: 'soon' } });
    expect(screen.getByText(/“soon” is not a length/)).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Add' }).disabled).toBe(true);
    fireEvent.change(field, { target: { value: '1:50' } });
    fireEvent.click(screen.getByRole('button', { name: 'Add' }));
    await screen.findByText(/^0:30 \+ 1:50 = 2:20\./);
    fireEvent.click(screen.getByRole('button', { name: 'Take the last off' }));
    await waitFor(() => expect(screen.queryByText(/= 2:20/)).toBeNull());
    fireEvent.click(screen.getByLabelText('Finished'));
    await waitFor(async () => expect(await kept.allKeptDrawings()).toEqual([]));
  });
  it('a piece is made from another, which then names it', async () => {
    const { unmount } = shown();
    fireEvent.change(screen.getByLabelText('Made from'), { target: { value: 's/b' } });
    await waitFor(async () => expect((await kept.allKeptDrawings())[0]?.madeFrom).toBe('s/b'));
    unmount();
    render(<State sessionId="s" pose={drawn[1]} drawn={drawn} />);
    await screen.findByText(/^Made from it: 1\. Flowing gesture/);
    // Not from what was made of it.
    expect(within(screen.getByLabelText('Made from')).getAllByRole('option')).toHaveLength(1);
  });
});

describe('features of a reference', () => {
  it('are listed, told apart and counted', async () => {
    render(<Features sessionId="s" pose={drawing('a', 0, 'look-then-draw')} />);
    const add = (name: string): void => {
      fireEvent.change(screen.getByLabelText('A feature of the reference'), { target: { value: name } });
      fireEvent.click(screen.getByText('Add'));
    };
    add('the far heel');
    await screen.findByText('the far heel');
    add('the bucket');
    await screen.findByText('the bucket');
    add('the bucket');
    fireEvent.change(screen.getByLabelText('the far heel is'), { target: { value: 'missed' } });
    await screen.findByText('1 of 2 recalled (50 %).');
    add('a tail');
    fireEvent.change(await screen.findByLabelText('a tail is'), { target: { value: 'invented' } });
    await screen.findByText('1 of 2 recalled (50 %), 1 not in the reference.');
    fireEvent.click(screen.getByLabelText('Take the bucket off'));
    await screen.findByText('0 of 1 recalled (0 %), 1 not in the reference.');
  });
});

describe('boxes of a sheet', () => {
  const box = (x: number, y: number) => ({ x, y, width: 0.2, height: 0.3 });
  const inkOf = (i: number) => {
    const { width, height, corners } = shipped(whole[i].id)!;
    return envelopeOf(corners.map(([x, y]) => [x * width, y * height]));
  };
  it('are named by their shape where they are not in their order', async () => {
    const some = [3, 60, 120];
    const drawn = some.map((i, k) => drawing(String(k), i));
    const boxes = [2, 0, 1].map((k, at) => ({ box: box(0.1 + 0.3 * at, 0.1), envelope: inkOf(some[k]) }));
    const { drawings, quarters } = await nameBoxes(boxes, drawn, ['0', '1', '2']);
    expect(drawings.map((d: SheetDrawing) => d.drawing)).toEqual(['2', '0', '1']);
    expect(quarters).toBe(0);
  });
  it('beyond what is left are none of the session’s', async () => {
    const boxes = [0.1, 0.4, 0.7].map((x) => ({ box: box(x, 0.1), envelope: undefined }));
    const { drawings } = await nameBoxes(boxes, [drawing('a', 0)], ['a']);
    expect(drawings.map((d) => d.drawing)).toEqual(['a', null, null]);
  });
});

describe('a table of what was measured', () => {
  it('has a row for each, with how much it is off and how sure that is', () => {
    const key = keyOf(40);
    const seen = placesSeen(key, false);
    const { places } = drawByHand({ key, manner: 'contour', drawMs: 1000, seed: 1, errors: { head: 0.3 } });
    const drawn = new Map([...seen].map(([name]) => [name, { at: places.get(name)!, sigma: 1 }]));
    const compared = compare(seen, drawn);
    const { container } = render(<MeasureTable compared={compared} />);
    expect(screen.getAllByRole('row')).toHaveLength(compared.length + 1);
    const head = screen.getByRole('row', { name: /^head / });
    expect(head.textContent).toMatch(/\+2\d\.\d % ± \d/);
    expect(head.textContent).toContain('wrong side');
    expect(container.innerHTML).not.toMatch(/NaN|undefined/);
    cleanup();
    expect(render(<MeasureTable compared={[]} />).container.innerHTML).toBe('');
  });
});

describe('two pictures in turn', () => {
  it('change places while it is wanted, and stand still afterward', () => {
    vi.useFakeTimers();
    const { result, rerender } = renderHook(({ on }) => useBlink(on), { initialProps: { on: true } });
    expect(result.current).toBe(false);
    act(() => void vi.advanceTimersByTime(1000));
    expect(result.current).toBe(true);
    act(() => void vi.advanceTimersByTime(900));
    expect(result.current).toBe(false);
    rerender({ on: false });
    act(() => void vi.advanceTimersByTime(5000));
    expect(result.current).toBe(false);
  });
});

describe('the hand on the screen', () => {
  const drawn = drawByHand({ key: keyOf(40), manner: 'flowing', drawMs: 10_000, seed: 1 });
  const canvas = () => {
    const calls = { lines: 0 };
    const context = {
      canvas: { width: 200, height: 300 },
      clearRect: () => (calls.lines = 0),
      beginPath: () => undefined,
      moveTo: () => undefined,
      lineTo: () => calls.lines++,
      stroke: () => undefined,
    };
    return { context: context as unknown as CanvasRenderingContext2D, calls };
  };
  it('paints as much as is drawn by then', () => {
    const { context, calls } = canvas();
    const how = { scale: 0.3, long: 1000, color: 'black' };
    const until = [0, 2500, 5000, 10_000].map((untilMs) => {
      paintStrokes(context, drawn.strokes, { ...how, untilMs });
      return calls.lines;
    });
    expect(until[0]).toBe(0);
    expect(until).toEqual(until.toSorted((a, b) => a - b));
    expect(until[3]).toBe(drawn.strokes.reduce((sum, { points }) => sum + points.length - 1, 0));
  });
  it('goes on by frames, tells how far it is, and stops at the end', () => {
    const { context, calls } = canvas();
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(context);
    const frames: FrameRequestCallback[] = [];
    vi.stubGlobal('requestAnimationFrame', (frame: FrameRequestCallback) => frames.push(frame));
    vi.stubGlobal('cancelAnimationFrame', () => undefined);
    let at = 0;
    render(<HandDrawn drawing={drawn} fromMs={0} speed={4} onAt={(ms) => (at = ms)} height={300} label="drawn" />);
    const began = performance.now();
    act(() => frames.shift()?.(began + 1000));
    expect(at).toBeGreaterThan(3500);
    expect(calls.lines).toBeGreaterThan(0);
    act(() => frames.shift()?.(began + 9000));
    expect(at).toBe(drawn.tookMs);
    expect(frames).toHaveLength(0);
    vi.restoreAllMocks();
  });
});
