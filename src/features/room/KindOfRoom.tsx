'use client';
import { saveSetting } from '@/storage/settings';
import type { Room } from '@/storage/sessions/room';
import type { RoomProps } from './roomProps';
import { Check, Choice } from './Choice';

const KINDS: readonly { value: Room['room']; words: string; hint: string }[] = [
  { value: 'desk', words: 'At a desk', hint: 'A large picture, a quiet clock.' },
  { value: 'easel', words: 'At an easel', hint: 'Digits and words large enough to be read from three meters.' },
  {
    value: 'model',
    words: 'With a model',
    hint: 'Poses are called by number, breaks counted down large. Open the second window as a clock for the room.',
  },
  {
    value: 'pocket',
    words: 'Phone in the pocket',
    hint: 'Dark; sound and buzzing tell, a tap anywhere goes on or holds.',
  },
];

export function KindOfRoom({ room, onChange }: RoomProps) {
  return (
    <section aria-labelledby="room-kind">
      <h2 id="room-kind" className="text-[20px]">
        The place
      </h2>
      <Choice
        legend="You draw"
        name="room"
        value={room.room}
        options={KINDS}
        onChange={(kind) => onChange({ room: kind })}
      />
      <Choice
        legend="You draw with"
        name="hand"
        value={room.hand}
        options={[
          { value: 'right', words: 'the right hand', hint: 'Words stand left of the picture, buttons right.' },
          { value: 'left', words: 'the left hand', hint: 'The other way round. Sessions note the hand.' },
        ]}
        onChange={(hand) => {
          onChange({ hand });
          void saveSetting('handSaid', true).catch(() => undefined);
        }}
      />
      <div className="mt-3 grid gap-1">
        <Check on={room.leadInShows} onChange={(leadInShows) => onChange({ leadInShows })}>
          Show the picture in the lead-in already
        </Check>
        <Check on={room.evenSizes} onChange={(evenSizes) => onChange({ evenSizes })}>
          Bring the figures of mixed pictures to one size
        </Check>
      </div>
      <p className="mt-4 flex flex-wrap gap-3">
        <a className="btn-quiet btn" href="/run/window" target="fox-minute-window">
          Second window
        </a>
        <a className="btn-quiet btn" href="/run/window?show=clock" target="fox-minute-window">
          Second window, clock only
        </a>
      </p>
      <p className="mt-1 text-[14px] text-quiet">
        For a television or projector: it follows the session to a fifth of a second.
      </p>
    </section>
  );
}
