'use client';
import { useEffect, useState } from 'react';
import { without } from '@/core/without';
import type { RoomProps } from './roomProps';
import { listenToPedals, SIMULATED_PEDAL } from '@/ui/input/pedals';
import { keyName, STEERABLE } from '@/ui/input/steering';

/** Never taken: they leave full screen and move the focus. */
const KEPT = ['Escape', 'Tab'];

const wordsOf = (pressed: string): string => {
  if (pressed === ' ') return 'Space';
  if (pressed === 'pedal') return 'the simulated pedal';
  return pressed.replaceAll(':', ' ');
};

/** Any key, pedal, presenter or button, learned by pressing it. */
export function LearnKeys({ room, onChange }: RoomProps) {
  const [learning, setLearning] = useState<string>();
  const [told, setTold] = useState('');
  useEffect(() => {
    if (learning === undefined) return;
    const learn = (pressed: string): void => {
      if (KEPT.includes(pressed)) {
        setTold(`${pressed} stays as it is.`);
        return;
      }
      const what = STEERABLE.find((s) => s.key === learning);
      onChange({ learned: { ...room.learned, [pressed]: learning } });
      setTold(`${wordsOf(pressed)}: ${what?.words ?? ''}`);
      setLearning(undefined);
    };
    const onKey = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') setLearning(undefined);
      event.preventDefault();
      event.stopPropagation();
      if (event.key !== 'Escape') learn(keyName(event));
    };
    window.addEventListener('keydown', onKey, { capture: true });
    const stopPedals = listenToPedals(learn);
    return () => {
      window.removeEventListener('keydown', onKey, { capture: true });
      stopPedals();
    };
  }, [learning, room.learned, onChange]);
  const allowMidi = (): void => {
    navigator.requestMIDIAccess().then(
      ({ inputs }) =>
        setTold(inputs.size === 0 ? 'Allowed, but no MIDI pedal is connected.' : 'The MIDI pedal is heard.'),
      () => setTold('MIDI was not allowed. Keys and other pedals work as before.'),
    );
  };
  return (
    <section aria-labelledby="room-keys">
      <h2 id="room-keys" className="text-[20px]">
        Keys, pedals, presenters
      </h2>
      <p className="mt-1 max-w-[60ch]">
        The whole session goes with one key: Enter. Put it, or anything else, on whatever your hand or foot reaches:
        choose what, then press it.
      </p>
      <ul className="mt-3 grid gap-1">
        {STEERABLE.map(({ key, words }) => {
          const own = Object.entries(room.learned).flatMap(([pressed, stands]) => (stands === key ? [pressed] : []));
          return (
            <li key={key} className="flex flex-wrap items-center gap-2 border-b border-hairline py-1">
              <span className="min-w-[15ch] flex-1">{words}</span>
              {own.map((pressed) => (
                <button
                  key={pressed}
                  type="button"
                  className="btn-quiet btn btn-sm"
                  aria-label={`Forget ${wordsOf(pressed)} for: ${words}`}
                  onClick={() => onChange({ learned: without(room.learned, pressed) })}
                >
                  <kbd className="kbd kbd-sm">{wordsOf(pressed)}</kbd> ×
                </button>
              ))}
              <kbd className="kbd kbd-sm">{wordsOf(key)}</kbd>
              <button
                type="button"
                className="btn-quiet btn btn-sm"
                aria-pressed={learning === key}
                onClick={(event) => {
                  setLearning(key);
                  setTold('');
                  event.currentTarget.blur();
                }}
              >
                {learning === key ? 'Press it now' : 'Learn'}
              </button>
            </li>
          );
        })}
      </ul>
      <p role="status" className="mt-2 min-h-6 font-semibold">
        {told}
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn-quiet btn btn-sm"
          onClick={() => window.dispatchEvent(new Event(SIMULATED_PEDAL))}
        >
          Press a simulated pedal
        </button>
        <button type="button" className="btn-quiet btn btn-sm" onClick={allowMidi}>
          Allow a MIDI pedal
        </button>
      </div>
    </section>
  );
}
