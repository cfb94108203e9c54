// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { STUDIO } from '@/core/figure/picture/appearance';
import { asJoints } from '@/core/figure/skeleton/jointPose';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { movedId } from '@/core/figure/poses/movedPose';
import { POSES } from '@/core/figure/poses/poses';
import { figureReferenceId, splitFigureReference } from '@/core/figure/catalogue/referenceId';
import { useFormLines } from '@/features/figure/useFormLines';
import { useHolding } from '@/features/figure/useHolding';
import { useJoints } from '@/features/figure/useJoints';

const FIGURE = 'figure/archer-turning/fem/20/6/26';
const figures = vi.hoisted(() => ({
  hold: vi.fn(),
  dragHeld: vi.fn(),
  nudgeHeld: vi.fn(),
  settleHeld: vi.fn(),
  lines: vi.fn(),
  stop: vi.fn(),
}));
vi.mock('@/workers/clients', () => ({ startFigureWorker: () => ({ api: figures, stop: figures.stop }) }));

const held = (id: string, x = 0, told?: string) => ({ id, handles: [{ id: 'head' as const, x, y: 0 }], told });
const canvas = { current: document.createElement('canvas') };
const live = {
  shows: undefined,
  ask: <T,>(work: (api: never) => Promise<T>) => work(figures as never),
  prepare: () => undefined,
  turn: () => false,
  end: vi.fn(),
};
/** Two poses that the archer is moved to. */
const { joints } = asJoints(POSES['archer-turning'].pose, BUILDS.fem);
const movedTo = (x: number): string =>
  figureReferenceId({
    poseId: movedId('archer-turning', joints, [x, 4, 0]),
    build: 'fem',
    view: { azimuthDeg: 20, elevationDeg: 6, lensDeg: 26 },
  });

beforeEach(() => {
  Object.values(figures).forEach((mock) => mock.mockReset());
  figures.hold.mockImplementation((id: string) => Promise.resolve(held(id)));
});
afterEach(cleanup);

describe('a figure that is held', () => {
  const hook = (on = true) => {
    const moved = vi.fn();
    return {
      moved,
      ...renderHook(({ id, now }) => useHolding(canvas, live, id, STUDIO, now, true, moved), {
        initialProps: { id: FIGURE, now: on },
      }),
    };
  };
  it('is taken hold of only when asked for, and anew when it is another', async () => {
    const { result, rerender } = hook(false);
    expect(result.current.handles).toEqual([]);
    expect(figures.hold).not.toHaveBeenCalled();
    rerender({ id: FIGURE, now: true });
    await waitFor(() => expect(result.current.handles.length).toBe(1));
    rerender({ id: movedTo(1), now: true });
    // The handles of the one before are nobody's.
    expect(result.current.handles).toEqual([]);
    await waitFor(() => expect(result.current.handles.length).toBe(1));
    expect(figures.hold.mock.calls.map(([id]: unknown[]) => id)).toEqual([FIGURE, movedTo(1)]);
  });
  it('follows the last of several moves, and is what it was moved to when the hand lets go', async () => {
    const { result, moved } = hook();
    await waitFor(() => expect(result.current.handles.length).toBe(1));
    const answers: ((value: unknown) => void)[] = [];
    figures.dragHeld.mockImplementation(() => new Promise((resolve) => answers.push(resolve)));
    act(() => {
      result.current.drag('head', 1, 1);
      result.current.drag('head', 2, 2);
      result.current.drag('head', 3, 3);
      result.current.letGo();
    });
    await waitFor(() => expect(answers.length).toBe(1));
    await act(async () => {
      answers[0](held(movedTo(1), 1));
      await Promise.resolve();
    });
    await waitFor(() => expect(answers.length).toBe(2));
    expect(moved).not.toHaveBeenCalled();
    await act(async () => {
      answers[1](held(movedTo(2), 3, 'The head goes no farther.'));
      await Promise.resolve();
    });
    await waitFor(() => expect(moved.mock.calls).toEqual([[movedTo(2)]]));
    expect(figures.dragHeld.mock.calls.map(([, x]: unknown[]) => x)).toEqual([1, 3]);
    expect(result.current.told).toBe('The head goes no farther.');
    expect(result.current.handles[0].x).toBe(3);
  });
  it('moves by steps and settles, and says when it cannot', async () => {
    const { result, moved } = hook();
    await waitFor(() => expect(result.current.handles.length).toBe(1));
    figures.nudgeHeld.mockResolvedValue(held(movedTo(1)));
    act(() => result.current.nudge('head', [0.1, 0, 0]));
    await waitFor(() => expect(moved).toHaveBeenCalledWith(movedTo(1)));
    figures.settleHeld.mockResolvedValue(held(movedTo(2), 0, 'It stands on both feet.'));
    act(() => result.current.settle());
    await waitFor(() => expect(moved).toHaveBeenCalledWith(movedTo(2)));
    expect(result.current.told).toBe('It stands on both feet.');
    figures.settleHeld.mockRejectedValue(new Error('gone'));
    act(() => result.current.settle());
    await waitFor(() => expect(result.current.failed).toBe(true));
  });
  it('lets go of nothing when nothing was moved', async () => {
    const { result, moved } = hook();
    await waitFor(() => expect(result.current.handles.length).toBe(1));
    await act(async () => {
      result.current.letGo();
      await Promise.resolve();
    });
    expect(moved).not.toHaveBeenCalled();
  });
});

describe('moves that are undone', () => {
  it('go back one by one and forward again, and end what is drawn live', async () => {
    const { result } = renderHook(() => {
      const [reference, setReference] = useState(splitFigureReference(FIGURE)!);
      return { reference, joints: useJoints(canvas, live, reference, STUDIO, setReference) };
    });
    const pose = () => result.current.reference.poseId;
    expect(result.current.joints).toMatchObject({ on: false, undo: undefined, redo: undefined, moved: false });
    act(() => result.current.joints.toggle());
    await waitFor(() => expect(result.current.joints.holding.handles.length).toBe(1));
    for (const x of [1, 2]) {
      figures.nudgeHeld.mockResolvedValue(held(movedTo(x)));
      act(() => result.current.joints.holding.nudge('head', [0.1, 0, 0]));
      await waitFor(() => expect(pose()).toBe(splitFigureReference(movedTo(x))?.poseId));
    }
    expect(result.current.joints.moved).toBe(true);
    act(() => result.current.joints.undo?.());
    expect(pose()).toBe(splitFigureReference(movedTo(1))?.poseId);
    act(() => result.current.joints.undo?.());
    expect(pose()).toBe('archer-turning');
    expect(result.current.joints.undo).toBeUndefined();
    act(() => result.current.joints.redo?.());
    expect(pose()).toBe(splitFigureReference(movedTo(1))?.poseId);
    expect(live.end).toHaveBeenCalledTimes(3);
  });
});

describe('lines of planes and solids', () => {
  it('are found when they are wanted, once for each view, and belong to it alone', async () => {
    figures.lines.mockImplementation((id: string, _: unknown, form: string) =>
      Promise.resolve([[[id.length, form.length]]]),
    );
    const { result, rerender, unmount } = renderHook(({ id, wanted }) => useFormLines(id, STUDIO, new Set(wanted)), {
      initialProps: { id: FIGURE, wanted: [] as string[] },
    });
    expect(result.current).toEqual({});
    expect(figures.lines).not.toHaveBeenCalled();
    rerender({ id: FIGURE, wanted: ['planes', 'action'] });
    await waitFor(() => expect(result.current.planes).toBeDefined());
    rerender({ id: FIGURE, wanted: ['planes', 'solids'] });
    await waitFor(() => expect(result.current.solids).toBeDefined());
    expect(figures.lines.mock.calls.map(([, , form]: unknown[]) => form)).toEqual(['planes', 'solids']);
    rerender({ id: movedTo(1), wanted: ['solids'] });
    expect(result.current).toEqual({});
    await waitFor(() => expect(result.current.solids).toEqual([[[movedTo(1).length, 6]]]));
    expect(result.current.planes).toBeUndefined();
    unmount();
    expect(figures.stop).toHaveBeenCalledTimes(1);
  });
});
