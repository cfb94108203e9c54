// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Months } from '@/features/months/Months';
import { closeDb } from '@/storage/db';
import { saveSession } from '@/storage/sessions/sessions';
import { loadSetting, saveSetting } from '@/storage/settings';
import * as download from '@/ui/download';
import { planOf, poses } from '../core/plans';
import { sessionOf } from '../core/sessions';

const DAY_MS = 86_400_000;
const ROWS: readonly [id: string, daysAgo: number, medium: string][] = [
  ['a', 40, 'pen'],
  ['b', 8, 'charcoal'],
  ['c', 0, 'pen'],
];

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  Element.prototype.scrollTo = vi.fn();
  await saveSetting('seeded', true);
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});
const keepSessions = async (): Promise<void> => {
  for (const [id, daysAgo, medium] of ROWS)
    await saveSession(
      sessionOf(planOf(poses(2, 300_000, { settings: { medium } })), [], {
        id,
        startedAtMs: Date.now() - daysAgo * DAY_MS,
        usualHand: 'left',
      }),
    );
};

describe('months', () => {
  it('of nobody’s sessions say where they come from', async () => {
    render(<Months />);
    await screen.findByRole('heading', { name: 'Nothing drawn yet' });
    expect(screen.getByRole('link', { name: 'Begin one on Today' })).toBeTruthy();
  });
  it('tell all there is as a fact, and add up the same by every property', async () => {
    await keepSessions();
    render(<Months />);
    await screen.findByText(/^6 drawings in 30 minutes, over 3 sessions since /);
    const table = screen.getAllByRole('table').at(-1);
    const together = (): string[] =>
      within(within(table as HTMLElement).getByRole('row', { name: /Together/ }))
        .getAllByRole('cell')
        .flatMap(({ textContent }) => textContent || []);
    for (const by of ['Medium', 'Pose', 'Hand', 'Month', 'Exercise']) {
      fireEvent.click(screen.getByRole('button', { name: by }));
      expect(together()).toEqual(['6', '30:00']);
    }
    fireEvent.click(screen.getByRole('button', { name: 'Medium' }));
    expect(screen.getByRole('status').textContent).toBe('Most of the time went to pen: 20 minutes, 67 % of it.');
  });
  it('hold what a week was promised against it, and keep the promise that is typed', async () => {
    await keepSessions();
    await saveSetting('promisedMinutes', 100);
    const { unmount } = render(<Months />);
    await screen.findByText(/^This week: 10 of 100 minutes, 1 day\./);
    fireEvent.change(screen.getByRole('spinbutton', { name: 'I mean to draw on days' }), { target: { value: '9' } });
    unmount();
    await waitFor(async () => expect(await loadSetting('promisedDays')).toBe(7));
    render(<Months />);
    await screen.findByText(/^This week: 10 of 100 minutes, 1 of 7 days\./);
    fireEvent.click(screen.getByRole('button', { name: 'No promise' }));
    await screen.findByText(/^This week: 10 minutes, 1 day\./);
  });
  it('show every answer about the whole figure, what they come to, and as a table', async () => {
    await saveSession(
      sessionOf(planOf(poses(3, 60_000)), [
        { type: 'whole', atMs: 65_000, down: true },
        { type: 'whole', atMs: 132_000, down: true },
      ]),
    );
    render(<Months />);
    await screen.findByText('Your working time: too few answers to tell: 8 more answers would do. To try next: 45 s.');
    const behind = screen.getAllByText('As a table')[1].closest('details') as HTMLDetailsElement;
    expect(within(behind).queryByRole('table')).toBeNull();
    behind.open = true;
    fireEvent(behind, new Event('toggle'));
    const rows = within(behind).getAllByRole('row');
    expect(rows.slice(1).map((row) => row.lastChild?.textContent)).toEqual(['yes', 'yes']);
  });
  it('go out as a table', async () => {
    await keepSessions();
    const given = vi.spyOn(download, 'download').mockImplementation(() => undefined);
    render(<Months />);
    fireEvent.click(await screen.findByRole('button', { name: /Take it out as a table/ }));
    const [file, name] = given.mock.calls[0];
    expect(name).toMatch(/\.csv$/);
    expect((await file.text()).split('\n')).toHaveLength(7);
  });
});
