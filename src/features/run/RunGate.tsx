'use client';
import { useRouter } from 'next/navigation';
import { type ComponentProps, type ReactNode, useEffect, useState, useSyncExternalStore } from 'react';
import { PLAIN_ROOM, useRoom } from '@/storage/sessions/room';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { createGate } from './session/openGate';
import { RunScreen } from './RunScreen';
import { keepAwake } from './session/wakeLock';

/** The session, or why there is none to see. */
export function RunGate({ pages }: Pick<ComponentProps<typeof RunScreen>, 'pages'>) {
  const router = useRouter();
  const [gate] = useState(createGate);
  const room = useRoom();
  const state = useSyncExternalStore(gate.subscribe, gate.state, gate.state);
  useEffect(() => {
    gate.enter(false);
    const sleepAgain = keepAwake();
    return () => {
      gate.leave();
      sleepAgain();
    };
  }, [gate]);

  const toToday = (
    <button type="button" className="btn-quiet btn" onClick={() => router.push('/')}>
      To Today
    </button>
  );
  const takeOver = (
    <button
      type="button"
      className="btn"
      onClick={() => {
        unlockSound();
        gate.enter(true);
      }}
    >
      Take over here
    </button>
  );
  switch (state.at) {
    case 'running':
      // Keys and pedals mean what was learned from the first press on, so the room is known before they are heard.
      if (!room.value && !room.problem) return <Message words="Getting the session ready." />;
      return <RunScreen session={state.session} run={state.run} room={room.value ?? PLAIN_ROOM} pages={pages} />;
    case 'opening':
      return <Message words="Getting the session ready." />;
    case 'nothing to run':
      return <Message words="No session is running.">{toToday}</Message>;
    case 'problem':
      return <Message words={state.sentence}>{toToday}</Message>;
    case 'in another tab':
      return (
        <Message words="A session is running in another tab or window.">
          {takeOver}
          {toToday}
        </Message>
      );
    case 'taken over':
      return (
        <Message words="This session goes on in another tab or window. Everything drawn here is kept.">
          {takeOver}
          {toToday}
        </Message>
      );
  }
}

function Message({ words, children }: { words: string; children?: ReactNode }) {
  return (
    <main className="grid min-h-dvh place-content-center bg-plate p-6 text-center">
      <h1 className="max-w-xl text-[26px]" aria-live="polite">
        {words}
      </h1>
      <div className="mt-6 flex justify-center gap-3">{children}</div>
    </main>
  );
}
