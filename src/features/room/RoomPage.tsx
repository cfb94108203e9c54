'use client';
import { useCallback, useState } from 'react';
import { storageProblem } from '@/storage/problems';
import { changeRoom, PLAIN_ROOM, type Room, useRoom } from '@/storage/sessions/room';
import { Notice } from '@/ui/Notice';
import { KindOfRoom } from './KindOfRoom';
import { LearnKeys } from './LearnKeys';
import { ScreenSize } from './ScreenSize';
import { SoundAndVoice } from './SoundAndVoice';

/** How sessions look, sound and are steered where one draws. */
export function RoomPage() {
  const room = useRoom();
  // Shown at once; what was kept in another tab shows when this one has nothing newer.
  const [changed, setChanged] = useState<Partial<Room>>({});
  const [problem, setProblem] = useState('');
  const value = { ...PLAIN_ROOM, ...room.value, ...changed };
  const change = useCallback((part: Partial<Room>): void => {
    setChanged((before) => ({ ...before, ...part }));
    changeRoom(part).then(
      () => setProblem(''),
      (error: unknown) => setProblem(storageProblem(error)),
    );
  }, []);
  return (
    <>
      <h1 className="text-[30px]">Your room</h1>
      <p className="mt-1 max-w-[70ch]">
        Where you draw, what you hear, and what your hand or foot presses. It holds for every session in this browser.
      </p>
      {(room.problem ?? problem) && <Notice>{room.problem ?? problem}</Notice>}
      <div
        className="mt-6 grid grid-cols-[minmax(0,1fr)] gap-x-14 gap-y-9 lg:grid-cols-2"
        aria-busy={room.value === undefined}
      >
        <KindOfRoom room={value} onChange={change} />
        <SoundAndVoice room={value} onChange={change} />
        <LearnKeys room={value} onChange={change} />
        <ScreenSize room={value} onChange={change} />
      </div>
    </>
  );
}
