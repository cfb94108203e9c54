// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { SheetDrawing } from '@/core/desk/sheet';
import { useBoxSteps } from '@/features/desk/useBoxSteps';

const box = (x: number): SheetDrawing => ({ x, y: 0, width: 0.1, height: 0.1, drawing: null });
const shown = () =>
  renderHook(() => {
    const [drawings, put] = useState<readonly SheetDrawing[]>([box(0)]);
    return { drawings, steps: useBoxSteps(drawings, put) };
  });

describe('changes of a sheet’s drawings', () => {
  it('are undone and done again', () => {
    const { result } = shown();
    expect(result.current.steps.undoWords).toBeUndefined();
    act(() => result.current.steps.change([box(0), box(0.5)], 'adding a box'));
    act(() => result.current.steps.change([box(0.5)], 'taking a box off'));
    expect(result.current.steps.undoWords).toBe('taking a box off');
    act(() => result.current.steps.undo());
    expect(result.current.drawings).toHaveLength(2);
    act(() => result.current.steps.undo());
    expect(result.current.drawings).toEqual([box(0)]);
    act(() => result.current.steps.undo());
    expect(result.current.drawings).toEqual([box(0)]);
    act(() => result.current.steps.redo());
    act(() => result.current.steps.redo());
    expect(result.current.drawings).toEqual([box(0.5)]);
    expect(result.current.steps.redoWords).toBeUndefined();
  });
  it('one drag is one step, however many moves it has', () => {
    const now = vi.spyOn(performance, 'now');
    const { result } = shown();
    for (let i = 1; i <= 5; i++) {
      now.mockReturnValue(1000 + i * 16);
      act(() => result.current.steps.change([box(i / 10)], 'moving box 1'));
    }
    now.mockReturnValue(9000);
    act(() => result.current.steps.change([box(0.9)], 'moving box 1'));
    act(() => result.current.steps.undo());
    expect(result.current.drawings[0].x).toBeCloseTo(0.5, 9);
    act(() => result.current.steps.undo());
    expect(result.current.drawings[0].x).toBe(0);
    now.mockRestore();
  });
});
