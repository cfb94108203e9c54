// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Causes } from '@/features/data/Causes';
import { causesText, recordCause } from '@/storage/causes';
import { storageProblem } from '@/storage/problems';

beforeEach(() => {
  localStorage.clear();
  vi.spyOn(console, 'error').mockImplementation(() => undefined);
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe('why something failed', () => {
  it('is kept with every cause behind it, though the sentence on screen says only what to do', () => {
    const error = new Error('could not write', { cause: new DOMException('disk I/O', 'UnknownError') });
    expect(storageProblem(error)).not.toContain('disk');
    expect(causesText()).toContain('Error: could not write <- UnknownError: disk I/O');
    expect(console.error).toHaveBeenCalledWith(error);
  });
  it('keeps the last fifty, newest first', () => {
    for (let i = 0; i < 60; i++) recordCause(new Error(`no. ${i}`));
    const lines = causesText().split('\n');
    expect([lines.length, lines[0].slice(-6), lines[49].slice(-6)]).toEqual([50, 'no. 59', 'no. 10']);
  });
  it('survives a store that holds something else', () => {
    localStorage.setItem('fox-minute-causes', '{broken');
    recordCause('plain words');
    expect(causesText()).toContain('plain words');
  });
  it('can be copied on the Data page, which shows nothing while nothing failed', async () => {
    const { container, unmount } = render(<Causes />);
    expect(container.innerHTML).toBe('');
    unmount();
    recordCause(new Error('a fault'));
    const writeText = vi.fn(() => Promise.resolve());
    Object.defineProperty(navigator, 'clipboard', { value: { writeText }, configurable: true });
    render(<Causes />);
    fireEvent.click(screen.getByText('Copy details'));
    await waitFor(() => expect(writeText).toHaveBeenCalledWith(expect.stringContaining('a fault')));
  });
});
