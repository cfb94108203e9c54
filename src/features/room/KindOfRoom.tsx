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
      <Choice
        legend="You draw on"
        name="draws-on"
        value={room.drawsOn}
        options={[
          { value: 'paper', words: 'paper', hint: 'The screen shows the picture; sheets are photographed afterward.' },
          {
            value: 'screen',
            words: 'this screen',
            hint: 'A sheet lies beside the picture, for pen, finger or mouse. It keeps the exercise’s rule by itself. 3 in a session changes it.',
          },
        ]}
        onChange={(drawsOn) => onChange({ drawsOn })}
      />
      {room.drawsOn === 'screen' && (
        <Choice
          legend="Lifting the pen in one line"
          name="lift-does"
          value={room.liftDoes}
          options={[
            { value: 'counts', words: 'is counted', hint: 'Set it down where you left off; nothing is lost.' },
            { value: 'ends', words: 'ends the drawing', hint: 'One line, and then the next pose.' },
          ]}
          onChange={(liftDoes) => onChange({ liftDoes })}
        />
      )}
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
