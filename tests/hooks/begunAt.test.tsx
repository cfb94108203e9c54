// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Session, sessionSchema } from '@/core/journal/session';
import { BegunAt } from '@/features/journal/BegunAt';
import { closeDb } from '@/storage/db';
import { loadSession, saveSession } from '@/storage/sessions/sessions';

const at = (hours: number, minutes: number): number => new Date(2026, 10, 20, hours, minutes).getTime();
const session: Session = sessionSchema.parse({
  id: 's',
  plan: {
    version: 2,
    title: 'T',
    why: '',
    seed: 1,
    availableMs: 60_000,
    blocks: [{ kind: 'rest', durationMs: 60_000 }],
  },
  log: [{ type: 'start', atMs: 0 }],
  startedAtMs: at(19, 5),
  lastSeenMs: 60_000,
  status: 'kept',
  note: '',
});

beforeEach(async () => {
  await closeDb();
  vi.stubGlobal('indexedDB', new IDBFactory());
  await saveSession(session);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('when a session began', () => {
  it('is corrected by hand, with what was noted beside it, and put back', async () => {
    const { rerender } = render(<BegunAt session={session} nowMs={at(22, 0)} />);
    fireEvent.click(screen.getByRole('button', { name: 'It began at another time' }));
    const field = screen.getByLabelText<HTMLInputElement>('It began at');
    expect(field.value).toBe('19:05');
    fireEvent.change(field, { target: { value: 'soon' } });
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Correct it' }).disabled).toBe(true);
    expect(screen.getByText(/^A time of day as 19:05/)).toBeTruthy();
    fireEvent.change(field, { target: { value: '18:50' } });
    fireEvent.click(screen.getByRole('button', { name: 'Correct it' }));
    await waitFor(async () => expect((await loadSession('s'))?.startedAtMs).toBe(at(18, 50)));
    const corrected = (await loadSession('s'))!;
    expect(corrected.notedAtMs).toBe(at(19, 5));
    rerender(<BegunAt session={corrected} nowMs={at(22, 0)} />);
    expect(screen.getByText(/noted was 19:05:00/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'As it was noted' }));
    await waitFor(async () => expect((await loadSession('s'))?.startedAtMs).toBe(at(19, 5)));
    expect((await loadSession('s'))?.notedAtMs).toBeUndefined();
  });
  it('is left as it is by who thinks better of it', async () => {
    render(<BegunAt session={session} nowMs={at(22, 0)} />);
    fireEvent.click(screen.getByRole('button', { name: 'It began at another time' }));
    fireEvent.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(screen.queryByLabelText('It began at')).toBeNull();
    expect((await loadSession('s'))?.startedAtMs).toBe(at(19, 5));
  });
});
