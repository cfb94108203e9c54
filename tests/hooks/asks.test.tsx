// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { Component, type ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PadField } from '@/features/plan/PadField';
import { LeftOut } from '@/features/plan/LeftOut';
import { AskHand } from '@/features/today/AskHand';
import { body } from '@/app/body';
import { closeDb } from '@/storage/db';
import { loadPad, savePad } from '@/storage/sessions/pad';
import { loadRoom } from '@/storage/sessions/room';
import { loadSetting, saveSetting } from '@/storage/settings';
import { planOf, poses } from '../core/plans';
import { sessionOf } from '../core/sessions';

vi.mock('@/ui/toast/toast', () => ({ toast: vi.fn(), toastProblem: vi.fn() }));

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});
afterEach(cleanup);

describe('which hand draws', () => {
  it('is asked until it was said, and then never again', async () => {
    const { unmount } = render(<AskHand />);
    fireEvent.click(await screen.findByRole('button', { name: 'The left' }));
    await waitFor(() => expect(screen.queryByRole('group')).toBeNull());
    expect((await loadRoom()).hand).toBe('left');
    expect(await loadSetting('handSaid')).toBe(true);
    unmount();
    render(<AskHand />);
    await act(() => new Promise((resolve) => setTimeout(resolve, 50)));
    expect(screen.queryByText('Which hand draws?')).toBeNull();
  });
});

describe('the sheets of the pad', () => {
  const drawn = (startedAtMs: number) =>
    sessionOf(planOf(poses(3, 60_000)), [], { id: String(startedAtMs), startedAtMs, lastSeenMs: 300_000 });
  const field = (sessions: ReturnType<typeof drawn>[], needed: number, onPerSheet = vi.fn()) => {
    render(<PadField sessions={sessions} needed={needed} nowMs={5000} onPerSheet={onPerSheet} />);
    return onPerSheet;
  };
  const typed = (words: string): void => {
    const input = screen.getByLabelText('Sheets left in the pad');
    fireEvent.focus(input);
    fireEvent.change(input, { target: { value: words } });
    fireEvent.blur(input);
  };
  it('are not spoken of before they were counted', () => {
    field([], 9);
    expect(screen.getByText(/say how many, and they are counted down/)).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
  });
  it('are kept as typed, with when', async () => {
    field([], 2);
    typed('6');
    await waitFor(async () => expect(await loadPad()).toEqual({ sheets: 6, countedAtMs: 5000 }));
    expect(await screen.findByText(/sheets left/)).toBeTruthy();
  });
  it('go down by what was drawn since, and offer more on each where they are too few', async () => {
    await savePad({ sheets: 7, countedAtMs: 1000 });
    const asked = field([drawn(500), drawn(2000)], 8);
    expect(await screen.findByText('8 sheets are wanted.', { exact: false })).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Sheets left in the pad').value).toBe('4');
    fireEvent.click(screen.getByRole('button', { name: 'Twice as many on each' }));
    expect(asked).toHaveBeenCalledWith(2);
  });
  it('are none where the setting cannot be read any more', async () => {
    await saveSetting('pad', '{"sheets":');
    expect(await loadPad()).toBeUndefined();
    await saveSetting('pad', '{"sheets":-3,"countedAtMs":0}');
    expect(await loadPad()).toBeUndefined();
  });
});

describe('what a wish leaves out', () => {
  it('is named, a dozen of it', async () => {
    const ids = Array.from({ length: 14 }, () => 'figure/bell-ringer-waiting/stocky/30/6/26');
    render(<LeftOut ids={ids} />);
    expect(await screen.findByText('14 pictures of the set left out by this')).toBeTruthy();
    expect(screen.getByText(/and 2 more\./)).toBeTruthy();
  });
  it('is nothing where nothing is', () => {
    const { container } = render(<LeftOut ids={[]} />);
    expect(container.textContent).toBe('');
  });
});

describe('the body of a page', () => {
  const Shown = ({ words }: { words: string }) => <p>{words}</p>;
  it('shows that it waits, then what was fetched, and that at once the next time', async () => {
    const fetchBody = vi.fn(() => Promise.resolve(Shown));
    const Body = body(fetchBody, '/elsewhere', <p>Waiting</p>);
    const first = render(<Body words="here" />);
    expect(first.container.textContent).toBe('Waiting');
    expect(await screen.findByText('here')).toBeTruthy();
    first.unmount();
    const second = render(<Body words="again" />);
    expect(second.container.textContent).toBe('again');
    expect(fetchBody).toHaveBeenCalledTimes(1);
  });
  it('is asked for before it is drawn on its own page', () => {
    const fetchBody = vi.fn(() => Promise.resolve(Shown));
    body(fetchBody, location.pathname);
    expect(fetchBody).toHaveBeenCalledTimes(1);
  });
});

describe('a body that cannot be fetched', () => {
  class Shell extends Component<{ children: ReactNode }, { words?: string }> {
    override state: { words?: string } = {};
    static getDerivedStateFromError = (error: Error) => ({ words: error.message });
    override render = () => this.state.words ?? this.props.children;
  }
  it('is asked for once more, and then told', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const fetchBody = vi.fn<() => Promise<() => null>>(() => Promise.reject(new Error('gone')));
    const Body = body(fetchBody, '/elsewhere');
    const { container } = render(
      <Shell>
        <Body />
      </Shell>,
    );
    await waitFor(() => expect(container.textContent).toBe('gone'));
    expect(fetchBody).toHaveBeenCalledTimes(2);
    vi.restoreAllMocks();
  });
});
