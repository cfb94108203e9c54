// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Sheet } from '@/core/desk/sheet';
import { posesDrawn } from '@/core/journal/drawings';
import type { Page } from '@/core/journal/session';
import { SheetOnDesk } from '@/features/desk/SheetOnDesk';
import { closeDb } from '@/storage/db';
import { addPage, listPages } from '@/storage/sessions/pages';
import { planOf, poses } from '../core/plans';
import { sessionOf } from '../core/sessions';
import { stubBlobs } from './objectUrls';

const sheets = vi.hoisted(() => ({ find: vi.fn(), snap: vi.fn(), flatten: vi.fn(), cut: vi.fn(), stop: vi.fn() }));
vi.mock('@/workers/clients', () => ({ startSheetWorker: () => ({ api: sheets, stop: sheets.stop }) }));
const told = vi.hoisted(() => vi.fn());
vi.mock('@/ui/toast/toast', () => ({ toast: told, toastProblem: told }));

const CORNERS: Sheet['corners'] = [
  [0.1, 0.1],
  [0.9, 0.12],
  [0.88, 0.9],
  [0.08, 0.88],
];
const OTHER: Sheet['corners'] = [
  [0.2, 0.2],
  [0.7, 0.2],
  [0.7, 0.8],
  [0.2, 0.8],
];
const BOXES = [
  { x: 0.1, y: 0.1, width: 0.3, height: 0.6 },
  { x: 0.55, y: 0.15, width: 0.3, height: 0.6 },
];
const page: Page = {
  id: 'p',
  sessionId: 's',
  widthPx: 1200,
  heightPx: 900,
  addedAtMs: 1,
  binnedAtMs: null,
};
/** Three drawings, each to its end. */
const session = sessionOf(planOf(poses(3)));
const drawn = posesDrawn(session);
const keys = drawn.map(({ drawing }) => drawing);

beforeEach(async () => {
  stubBlobs();
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  [told, ...Object.values(sheets)].forEach((mock) => mock.mockReset());
  sheets.find.mockResolvedValue({
    candidates: [
      { corners: CORNERS, aspect: 1.414, papers: ['A4'] },
      { corners: OTHER, aspect: 1.2, papers: [] },
    ],
    doubts: ['Its left edge is a guess: look at the corners there.'],
  });
  sheets.flatten.mockResolvedValue({ image: new Blob(['flat']), width: 1600, height: 1131 });
  sheets.cut.mockResolvedValue(BOXES);
  await addPage(page, new Blob(['photo']), new Blob(['small']));
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const blob = new Blob(['photo']);
const shown = (more: Partial<Page> = {}, shut = false) =>
  render(
    <SheetOnDesk page={{ ...page, ...more }} photo={{ blob, url: 'blob:x' }} drawn={drawn} left={keys} shut={shut} />,
  );
const keptSheet = async (): Promise<Sheet | undefined> => (await listPages('s'))[0].sheet;
const press = (name: string | RegExp): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};
const straighten = async (): Promise<void> => {
  await screen.findByText(/^Its left edge is a guess/);
  press('Straighten it');
  await screen.findByRole('list', { name: 'Drawings on this sheet' });
};

describe('a sheet on the desk', () => {
  it('is straightened between the corners that were found, and its drawings are those of the session in order', async () => {
    shown();
    await straighten();
    expect(sheets.flatten).toHaveBeenCalledTimes(1);
    expect((sheets.flatten.mock.calls[0] as [Blob, Sheet])[1].corners).toEqual(CORNERS);
    expect(sheets.cut.mock.calls).toEqual([[keys.length, undefined]]);
    const which = screen.getAllByRole('combobox').map((select) => (select as HTMLSelectElement).value);
    expect(which).toEqual(keys.slice(0, 2));
    await waitFor(async () => expect((await keptSheet())?.drawings).toHaveLength(2));
    expect(await keptSheet()).toMatchObject({ corners: CORNERS, quarters: 0 });
  });
  it('can be another one than the likeliest', async () => {
    shown();
    await screen.findByText(/^Its left edge is a guess/);
    press('Another sheet (1 of 2)');
    press('Straighten it');
    await screen.findByRole('list', { name: 'Drawings on this sheet' });
    expect((sheets.flatten.mock.calls[0] as [Blob, Sheet])[1].corners).toEqual(OTHER);
  });
  it('has corners that move by keys, and go to the edges when asked', async () => {
    shown();
    await screen.findByText(/^Its left edge is a guess/);
    const corner = screen.getByRole('button', { name: /^Upper left corner/ });
    fireEvent.keyDown(corner, { key: 'ArrowRight', shiftKey: true });
    expect(Number.parseFloat(corner.style.left)).toBeCloseTo(12, 6);
    expect(screen.getByRole('status').textContent).toContain('Drag the corners');
    sheets.snap.mockResolvedValue({ corners: CORNERS, aspect: 1.4, papers: ['A4'] });
    press('Take the corners to the edges');
    await waitFor(() => expect(Number.parseFloat(corner.style.left)).toBeCloseTo(10, 6));
  });
  it('can be cut by hand where nothing was found', async () => {
    sheets.find.mockResolvedValue({
      candidates: [],
      doubts: ['No sheet was found in the photograph: drag the corners onto it.'],
    });
    sheets.cut.mockResolvedValue([]);
    shown();
    await screen.findByText(/^No sheet was found/);
    press('Straighten it');
    await screen.findByText(/^No drawing was found on this sheet/);
    press('One more box');
    const list = await screen.findByRole('list', { name: 'Drawings on this sheet' });
    expect(within(list).getAllByRole('listitem')).toHaveLength(1);
  });
  it('keeps what was changed by hand, and finds them again only when asked', async () => {
    shown();
    await straighten();
    const box = screen.getByRole('button', { name: /^Drawing 1: / });
    fireEvent.keyDown(box, { key: 'ArrowDown' });
    fireEvent.keyDown(screen.getByRole('button', { name: /^Drawing 2: / }), { key: 'Delete' });
    await waitFor(async () => expect((await keptSheet())?.drawings).toHaveLength(1));
    expect((await keptSheet())?.drawings[0].y).toBeCloseTo(0.105, 6);
    fireEvent.change(screen.getByLabelText('How many drawings are on the sheet'), { target: { value: '4' } });
    press('Find them again:');
    await waitFor(() => expect((sheets.cut.mock.calls.at(-1) as unknown[])[1]).toBe(4));
    await waitFor(async () => expect((await keptSheet())?.drawings).toHaveLength(2));
    expect((await keptSheet())?.drawings[0].y).toBe(0.1);
    expect(sheets.flatten).toHaveBeenCalledTimes(1);
  });
  it('is not turned back by drawings that come late', async () => {
    shown();
    await straighten();
    let come: (boxes: typeof BOXES) => void = () => undefined;
    sheets.cut.mockReturnValueOnce(new Promise((resolve) => (come = resolve)));
    press('Find them again:');
    press('Turn the sheet');
    await screen.findByRole('list', { name: 'Drawings on this sheet' });
    await act(async () => {
      come([BOXES[1]]);
      await Promise.resolve();
    });
    await waitFor(async () => expect(await keptSheet()).toMatchObject({ quarters: 1 }));
    expect((await keptSheet())?.drawings).toHaveLength(2);
  });
  it('has boxes that grow no farther than the sheet, and stay where they are', async () => {
    sheets.cut.mockResolvedValue([{ x: 0.7, y: 0.1, width: 0.295, height: 0.6 }]);
    shown();
    await straighten();
    const box = screen.getByRole('button', { name: /^Drawing 1: / });
    for (let i = 0; i < 3; i++) fireEvent.keyDown(box, { key: 'ArrowRight', shiftKey: true });
    await waitFor(async () => expect((await keptSheet())?.drawings[0].width).toBeCloseTo(0.3, 9));
    expect((await keptSheet())?.drawings[0].x).toBeCloseTo(0.7, 9);
  });
  it('is cut in two and joined again', async () => {
    shown();
    await straighten();
    expect(screen.getByRole('button', { name: 'Cut it in two' })).toHaveProperty('disabled', true);
    fireEvent.focus(screen.getByRole('button', { name: /^Drawing 2: / }));
    press('Cut it in two');
    await waitFor(async () => expect((await keptSheet())?.drawings).toHaveLength(3));
    expect((await keptSheet())?.drawings.map(({ drawing }) => drawing)).toEqual([keys[0], keys[1], null]);
    press('Join it with the next');
    await waitFor(async () => expect((await keptSheet())?.drawings).toHaveLength(2));
    expect((await keptSheet())?.drawings[1]).toMatchObject({ x: 0.55, drawing: keys[1] });
    expect(screen.getByRole('button', { name: 'Join it with the next' })).toHaveProperty('disabled', true);
  });
  it('comes back as it was left, without asking for its corners', async () => {
    const sheet: Sheet = {
      corners: CORNERS,
      quarters: 1,
      aspect: 1.414,
      drawings: [{ ...BOXES[0], drawing: keys[1] }],
    };
    shown({ sheet });
    await screen.findByRole('list', { name: 'Drawings on this sheet' });
    expect(sheets.find).not.toHaveBeenCalled();
    expect(screen.getAllByRole('combobox').map((s) => (s as HTMLSelectElement).value)).toEqual([keys[1]]);
    press('Turn the sheet');
    expect(sheets.cut).not.toHaveBeenCalled();
    await waitFor(() => expect(sheets.flatten).toHaveBeenCalledTimes(2));
    expect((sheets.flatten.mock.calls[1] as [Blob, Sheet])[1].quarters).toBe(2);
  });
  it('says so when it cannot be straightened, and lets the corners be moved', async () => {
    sheets.flatten.mockRejectedValue(new Error('corners lie on one line'));
    shown();
    await screen.findByText(/^Its left edge is a guess/);
    press('Straighten it');
    await screen.findByText(/could not be straightened/);
    sheets.flatten.mockResolvedValue({ image: new Blob(['flat']), width: 1600, height: 1131 });
    press('move the corners');
    await screen.findByRole('button', { name: 'Straighten it' });
  });
  it('lays nothing beside anything while judging is shut', async () => {
    shown({}, true);
    await straighten();
    expect(screen.queryByRole('img', { name: 'What it was drawn from' })).toBeNull();
    expect(screen.getByText(/^Judging is shut for this session/)).toBeDefined();
  });
  it('leaves no worker behind', async () => {
    const { unmount } = shown();
    await straighten();
    await act(() => Promise.resolve());
    unmount();
    expect(sheets.stop).toHaveBeenCalled();
  });
});
