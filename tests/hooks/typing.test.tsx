// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { KeptField } from '@/features/journal/KeptField';
import { useDraftElsewhere } from '@/features/plan/useDraftElsewhere';
import { closeDb } from '@/storage/db';
import { saveSetting } from '@/storage/settings';
import { level, recipeWith } from '../core/recipes';

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

const field = (value: string, onKeep: (text: string) => void, numeric = false) => (
  <KeptField label="Next time" value={value} maxLength={80} keptFor="s" numeric={numeric} onKeep={onKeep} />
);
const input = (): HTMLInputElement => screen.getByLabelText('Next time');

describe('a text field over a kept value', () => {
  it('keeps what is typed within half a second, without leaving the field', () => {
    vi.useFakeTimers();
    const keep = vi.fn();
    render(field('', keep));
    fireEvent.focus(input());
    fireEvent.change(input(), { target: { value: 'Bars first ' } });
    vi.advanceTimersByTime(500);
    expect(keep.mock.calls).toEqual([['Bars first']]);
  });
  it('keeps it at once when the page is left', () => {
    const keep = vi.fn();
    const { unmount } = render(field('', keep));
    fireEvent.change(input(), { target: { value: 'Bars' } });
    unmount();
    expect(keep.mock.calls).toEqual([['Bars']]);
  });
  it.each([
    ['Enter is pressed', () => fireEvent.keyDown(input(), { key: 'Enter' })],
    ['focus leaves the field', () => fireEvent.focusOut(input())],
  ])('writes at once when %s, and never again after what comes next', (_, end) => {
    vi.useFakeTimers();
    const keep = vi.fn();
    render(field('', keep));
    fireEvent.change(input(), { target: { value: 'Bars' } });
    end();
    expect(keep.mock.calls).toEqual([['Bars']]);
    vi.advanceTimersByTime(1000);
    expect(keep).toHaveBeenCalledOnce();
  });
  it('takes up a change from another tab and never writes an old text over it', () => {
    const keep = vi.fn();
    const { rerender } = render(field('old', keep));
    fireEvent.focus(input());
    fireEvent.blur(input());
    rerender(field('from the other tab', keep));
    expect(input().value).toBe('from the other tab');
    fireEvent.focus(input());
    fireEvent.blur(input());
    expect(keep).not.toHaveBeenCalled();
  });
  it('does not change under the hand of someone typing', () => {
    const { rerender } = render(field('', vi.fn()));
    fireEvent.focus(input());
    fireEvent.change(input(), { target: { value: 'Bars' } });
    rerender(field('Bar', vi.fn()));
    expect(input().value).toBe('Bars');
  });
  it('takes only digits where a number is meant', () => {
    render(field('', vi.fn(), true));
    fireEvent.change(input(), { target: { value: '1a2' } });
    expect(input().value).toBe('12');
  });
});

describe('a plan draft that another tab changes', () => {
  const draft = (title: string): string => JSON.stringify(recipeWith([level('a', 3, 60_000)], { title }));
  it('is noticed, and one’s own is not', async () => {
    const { result } = renderHook(() => useDraftElsewhere());
    act(() => result.current.written(draft('mine')));
    await saveSetting('planDraft', draft('mine'));
    expect(result.current.elsewhere).toBeUndefined();
    await saveSetting('planDraft', draft('theirs'));
    await waitFor(() => expect(result.current.elsewhere?.title).toBe('theirs'));
    act(() => result.current.ignore());
    expect(result.current.elsewhere).toBeUndefined();
  });
});
