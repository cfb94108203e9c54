// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Reflection } from '@/core/journal/reflection';
import { Reflect } from '@/features/journal/Reflect';
import { closeDb } from '@/storage/db';
import { useStored } from '@/storage/hooks/useStored';
import { loadSession, saveSession } from '@/storage/sessions/sessions';
import { planOf, poses } from '../core/plans';
import { sessionOf } from '../core/sessions';

vi.mock('@/ui/toast/toast', () => ({ toast: () => undefined, toastProblem: () => undefined }));
beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});
afterEach(cleanup);

const SESSION = sessionOf(planOf(poses(2, 60_000, { exercise: 'flowing-gesture' })), []);
function Page() {
  const session = useStored(() => loadSession(SESSION.id), ['sessions'], []).value;
  return session ? <Reflect session={session} sessions={[session]} nowMs={SESSION.startedAtMs + 600_000} /> : null;
}
const kept = async (): Promise<Reflection | undefined> => (await loadSession(SESSION.id))?.reflection;

describe('answers given quickly, one after another', () => {
  it('all stay: a line still being typed, two taps, two verdicts', async () => {
    await saveSession(SESSION);
    render(<Page />);
    const group = await screen.findByRole('group', { name: 'Tap what was missing.' });
    const [one, two] = [...group.querySelectorAll('button')];
    const noticed = group.parentElement?.querySelector('input');
    if (!noticed) throw new Error('no line to type in');
    fireEvent.change(noticed, { target: { value: 'It swings' } });
    fireEvent.focusOut(noticed);
    fireEvent.click(one);
    fireEvent.click(two);
    for (const name of [/^Placement/, /^Tone/]) {
      const verdicts = screen.getByRole('group', { name, hidden: true });
      fireEvent.click(within(verdicts).getByText('nearly'));
    }
    await waitFor(async () => expect((await kept())?.answers?.[0].missing).toEqual([one.textContent, two.textContent]));
    expect((await kept())?.answers?.[0].noticed).toBe('It swings');
    await waitFor(async () =>
      expect((await kept())?.verdicts?.map(({ aspect }) => aspect)).toEqual(['placement', 'tone']),
    );
  });
  it('stay burned: what is burned right after it was typed never comes back', async () => {
    await saveSession(SESSION);
    render(<Page />);
    const line = await screen.findByLabelText(/What it says/);
    fireEvent.change(line, { target: { value: 'You never finish.' } });
    fireEvent.keyDown(line, { key: 'Enter' });
    fireEvent.click(await screen.findByText('Burn it'));
    await waitFor(() => expect(screen.queryByText('Burn it')).toBeNull());
    await new Promise((done) => setTimeout(done, 400));
    expect((await kept())?.critic).toBeUndefined();
  });
});
