'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Session } from '@/core/journal/session';
import { storageProblem } from '@/storage/problems';
import { runningSession } from '@/storage/sessions';
import { loadSetting } from '@/storage/settings';
import { claimStart } from '@/storage/startSession';
import { setVolume, unlockSound } from '@/ui/sound/cuePlayer';
import { openRun, type Run } from './controller';
import { acquireRunLock, type RunLock } from './runLock';
import { RunScreen } from './RunScreen';
import { keepAwake } from './wakeLock';

type Gate =
  | { at: 'opening' }
  | { at: 'nothing to run' }
  | { at: 'in another tab' }
  | { at: 'taken over' }
  | { at: 'problem'; sentence: string }
  | { at: 'running'; session: Session; run: Run };

const DEFAULT_VOLUME = 0.7;

/** Gets the one right to run, picks the session up, and hands both to the screen. */
export function RunGate() {
  const router = useRouter();
  const [gate, setGate] = useState<Gate>({ at: 'opening' });
  const open = useRef<{ run: Run; lock: RunLock }>(undefined);
  const mounted = useRef(true);

  const enter = useCallback(async (steal: boolean): Promise<void> => {
    const lock = await acquireRunLock(steal);
    if (!lock) {
      setGate({ at: 'in another tab' });
      return;
    }
    const session = await runningSession();
    if (!session || !mounted.current) {
      lock.release();
      setGate({ at: 'nothing to run' });
      return;
    }
    setVolume((await loadSetting('volume')) ?? DEFAULT_VOLUME);
    const beganHere = claimStart(session.id);
    const run = openRun(session, beganHere ? undefined : steal ? 'moved' : 'closed');
    open.current = { run, lock };
    void lock.lost.then(() => {
      if (open.current?.lock !== lock) return;
      open.current = undefined;
      void run.close(undefined);
      setGate({ at: 'taken over' });
    });
    setGate({ at: 'running', session, run });
  }, []);

  useEffect(() => {
    mounted.current = true;
    enter(false).catch((error: unknown) => setGate({ at: 'problem', sentence: storageProblem(error) }));
    const sleepAgain = keepAwake();
    return () => {
      mounted.current = false;
      sleepAgain();
      const left = open.current;
      open.current = undefined;
      // Leaving for another place of the app puts the session on hold.
      void left?.run.close('paused').finally(left.lock.release);
    };
  }, [enter]);

  const takeOver = (): void => {
    unlockSound();
    setGate({ at: 'opening' });
    enter(true).catch((error: unknown) => setGate({ at: 'problem', sentence: storageProblem(error) }));
  };

  if (gate.at === 'running') return <RunScreen session={gate.session} run={gate.run} />;
  if (gate.at === 'opening')
    return (
      <Centered>
        <p aria-live="polite">Getting the session ready.</p>
      </Centered>
    );
  const [words, action] = {
    'nothing to run': ['No session is running.', undefined],
    'in another tab': ['A session is running in another tab or window.', takeOver],
    'taken over': ['This session goes on in another tab or window. What was drawn here is kept.', takeOver],
    problem: [gate.at === 'problem' ? gate.sentence : '', undefined],
  }[gate.at] as [string, (() => void) | undefined];
  return (
    <Centered>
      <h1 className="max-w-xl text-[26px]">{words}</h1>
      <div className="mt-6 flex justify-center gap-3">
        {action && (
          <button type="button" className="btn" onClick={action}>
            Take over here
          </button>
        )}
        <button type="button" className="btn-quiet btn" onClick={() => router.push('/')}>
          To Today
        </button>
      </div>
    </Centered>
  );
}

function Centered({ children }: { children: React.ReactNode }) {
  return <main className="grid min-h-dvh place-content-center bg-plate p-6 text-center">{children}</main>;
}
