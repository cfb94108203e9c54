// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { WallItem } from '@/core/growing/wall';
import { facetWords } from '@/core/growing/wallFacets';
import { WallDrawing } from '@/features/wall/WallDrawing';
import { closeDb } from '@/storage/db';
import { allKeptDrawings, changeKeptDrawing } from '@/storage/sessions/keptDrawings';
import * as toasts from '@/ui/toast/toast';

const ago = (days: number): number => Date.now() - days * 86_400_000;

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  HTMLDialogElement.prototype.showModal = vi.fn();
  HTMLDialogElement.prototype.close = vi.fn();
  // The database is open when a drawing is shown.
  await allKeptDrawings();
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe('a drawing of the wall, large', () => {
  const item: WallItem = {
    id: 'a/0:0',
    sessionId: 'a',
    drawing: '0:0',
    atMs: ago(1),
    exercise: 'Contour',
    lookAt: ['Edges found slowly', 'Overlaps'],
    spentMs: 60_000,
    shutUntilMs: 0,
    referenceId: null,
    seen: undefined,
    facets: facetWords({
      exercise: 'Contour',
      media: ['pencil'],
      reference: undefined,
      family: undefined,
      view: undefined,
      hand: 'right hand',
      month: '2026-11',
      states: [],
      influence: undefined,
      usedFor: undefined,
    }),
  };
  const show = (more: Partial<WallItem> = {}): void =>
    void render(<WallDrawing item={{ ...item, ...more }} onClose={() => undefined} />);

  it('is told what it was made under and used for, and whether it surprised', async () => {
    show();
    fireEvent.change(screen.getByLabelText('Used for'), { target: { value: ' a poster ' } });
    await waitFor(async () => expect(await allKeptDrawings()).toMatchObject([{ id: 'a/0:0', usedFor: 'a poster' }]));
    fireEvent.click(screen.getByLabelText('It surprised me'));
    await waitFor(async () =>
      expect(await allKeptDrawings()).toMatchObject([{ surprised: true, usedFor: 'a poster' }]),
    );
  });
  it('is judged by one tap, for the time it took and what was added later, and by the same tap no more', async () => {
    await changeKeptDrawing('a', '0:0', (before) => ({ ...before, continued: [{ atMs: ago(0), spentMs: 120_000 }] }));
    show();
    const verdict = within(await screen.findByLabelText('A verdict, if you like'));
    await verdict.findByText('For 3 min, if you like');
    fireEvent.click(verdict.getByText('nearly'));
    await verdict.findByText('nearly for 3 min');
    expect(await allKeptDrawings()).toMatchObject([{ verdict: 'nearly' }]);
    fireEvent.click(verdict.getByText('nearly'));
    await waitFor(() => expect(verdict.queryByText('nearly for 3 min')).toBeNull());
  });
  it('takes a line of words, and a verdict on each thing its exercise looks for', async () => {
    show();
    fireEvent.change(screen.getByLabelText('In a line'), { target: { value: 'The back sings. ' } });
    await waitFor(async () => expect(await allKeptDrawings()).toMatchObject([{ note: 'The back sings.' }]));
    const overlaps = within(screen.getByRole('group', { name: 'Overlaps', hidden: true }));
    fireEvent.click(overlaps.getByText('holds'));
    await waitFor(async () =>
      expect(await allKeptDrawings()).toMatchObject([{ aspects: [{ aspect: 'Overlaps', verdict: 'holds' }] }]),
    );
    fireEvent.click(overlaps.getByText('not yet'));
    await waitFor(async () =>
      expect(await allKeptDrawings()).toMatchObject([{ aspects: [{ aspect: 'Overlaps', verdict: 'not yet' }] }]),
    );
    fireEvent.click(overlaps.getByText('not yet'));
    await waitFor(async () => expect((await allKeptDrawings())[0].aspects).toEqual([]));
  });
  it('is not judged while judging is shut for its session', () => {
    show({ shutUntilMs: Date.now() + 60_000 });
    expect(screen.getByLabelText('It surprised me')).toBeTruthy();
    expect(screen.queryByLabelText('A verdict, if you like')).toBeNull();
  });
  it('shows what was said before where it cannot be written', async () => {
    const told = vi.spyOn(toasts, 'toastProblem');
    show();
    const surprised = screen.getByLabelText<HTMLInputElement>('It surprised me');
    vi.spyOn(IDBDatabase.prototype, 'transaction').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    fireEvent.click(surprised);
    await waitFor(() => expect(told).toHaveBeenCalled());
    expect(surprised.checked).toBe(false);
  });
});
