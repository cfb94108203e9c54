import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { CUE_KINDS } from '@/core/clock/cues';
import { CARD_WIDTH_MM } from '@/core/seeing/place';
import { KindOfRoom } from '@/features/room/KindOfRoom';
import { LearnKeys } from '@/features/room/LearnKeys';
import { ScreenSize } from '@/features/room/ScreenSize';
import { SoundAndVoice } from '@/features/room/SoundAndVoice';
import { RunControls } from '@/features/run/steer/RunControls';
import { PLAIN_ROOM, type Room } from '@/storage/sessions/room';
import { STEERABLE } from '@/ui/input/steering';
import { pressedOf, textOf } from './markup';

const nothing = (): void => undefined;
const roomWith = (more: Partial<Room>): Room => ({ ...PLAIN_ROOM, ...more });
/** What is chosen, by the words beside each radio button or box. */
const checkedOf = (markup: string): string[] =>
  [...markup.matchAll(/<label[^>]*>(.*?)<\/label>/gs)]
    .filter((m) => m[1].includes('checked=""'))
    .map((m) => textOf(m[1]));

describe('the place', () => {
  const kind = (room: Room): string => renderToStaticMarkup(<KindOfRoom room={room} onChange={nothing} />);
  it('is one of four, with the hand, and says what each means', () => {
    expect(checkedOf(kind(PLAIN_ROOM)).map((w) => w.split('.')[0])).toEqual([
      'At a desk A large picture, a quiet clock',
      'the right hand Words stand left of the picture, buttons right',
      'paper The screen shows the picture; sheets are photographed afterward',
    ]);
    // What a lift does is asked where the screen can tell one.
    expect(kind(PLAIN_ROOM)).not.toContain('Lifting the pen');
    expect(checkedOf(kind(roomWith({ drawsOn: 'screen' })))[3]).toContain('is counted');
    for (const [value, words] of [
      ['easel', 'At an easel'],
      ['model', 'With a model'],
      ['pocket', 'Phone in the pocket'],
    ] as const)
      expect(checkedOf(kind(roomWith({ room: value })))[0]).toContain(words);
  });
  it('has a second window, with and without the picture', () => {
    expect(kind(PLAIN_ROOM)).toContain('href="/run/window"');
    expect(kind(PLAIN_ROOM)).toContain('href="/run/window?show=clock"');
  });
});

describe('what is heard', () => {
  const sound = (room: Room): string => renderToStaticMarkup(<SoundAndVoice room={room} onChange={nothing} />);
  it('can be tried cue by cue, the calm ones too', () => {
    const buttons = [...sound(PLAIN_ROOM).matchAll(/<button[^>]*>(.*?)<\/button>/gs)].map((m) => textOf(m[1]));
    expect(buttons.filter((b) => !b.endsWith('calm'))).toHaveLength(CUE_KINDS.length);
    expect(buttons.filter((b) => b.endsWith('calm'))).toEqual(['Begin, calm', 'Warning, calm', 'Time, calm']);
  });
  it('is off in words at no volume, and says so where no voice is to be had', () => {
    expect(textOf(sound(PLAIN_ROOM))).toContain('70 %');
    expect(textOf(sound(PLAIN_ROOM))).toContain('This browser has no voice. The tones say it all.');
  });
  it('shows what was chosen', () => {
    const chosen = checkedOf(sound(roomWith({ beats: false, vibrate: true, voice: 'always' })));
    expect(chosen).toEqual([
      'Stages of a pose: ticks at the edge and a soft cue',
      'Ring the end also when the clock is put away',
      'Buzz with the cues, where the device can',
      'always',
    ]);
  });
});

describe('the size of the screen', () => {
  it('is not measured before a card was held to it; then it says by how much', () => {
    const plain = renderToStaticMarkup(<ScreenSize room={PLAIN_ROOM} onChange={nothing} />);
    expect(textOf(plain)).toContain('Not measured yet.');
    const measured = renderToStaticMarkup(<ScreenSize room={roomWith({ pxPerMm: 4 })} onChange={nothing} />);
    expect(textOf(measured)).toContain('Measured: 4.00 pixels a millimeter.');
    // The card is drawn as wide as it is.
    expect(measured).toContain(`width:${String(Math.round(4 * CARD_WIDTH_MM))}px`);
  });
});

describe('keys and pedals', () => {
  const keys = (learned: Room['learned']): string =>
    renderToStaticMarkup(<LearnKeys room={roomWith({ learned })} onChange={nothing} />);
  it('are all there to be learned, none being learned at first', () => {
    const markup = keys({});
    for (const { words } of STEERABLE) expect(textOf(markup)).toContain(words);
    expect(markup.match(/>Learn</g)).toHaveLength(STEERABLE.length);
    expect(pressedOf(markup)).toEqual([]);
    expect(markup).not.toContain('Forget');
  });
  it('that were learned can be forgotten, each by its own name', () => {
    const markup = keys({ F9: 'Enter', 'midi:64': 'ArrowRight', pedal: ' ' });
    expect([...markup.matchAll(/aria-label="(Forget[^"]*)"/g)].map((m) => m[1])).toEqual([
      'Forget F9 for: The one key: go, go on, or pause',
      'Forget the simulated pedal for: Pause, go on',
      'Forget midi 64 for: Next, page full',
    ]);
  });
});

describe('what is done by hand in a session', () => {
  const controls = (more: object = {}): string =>
    renderToStaticMarkup(<RunControls held={false} aidsShown={false} oneMore={false} onKey={nothing} {...more} />);
  const labels = (markup: string): string[] => [...markup.matchAll(/aria-label="([^"]+)"/g)].map((m) => m[1]);
  it('is eight buttons, each with its key', () => {
    expect(labels(controls())).toEqual([
      'Back',
      'Pause',
      'Next',
      'One more',
      'Stop and keep',
      'Seeing aids',
      'Second window',
      'Keys',
    ]);
    expect([...controls().matchAll(/title="[^"]*\(([^)]+)\)"/g)].map((m) => m[1])).toEqual([
      'Left',
      'Space',
      'Right',
      'N',
      'X',
      'Q',
      'W',
      '?',
    ]);
  });
  it('goes on where it stands, and shows what is on', () => {
    expect(labels(controls({ held: true }))[1]).toBe('Go on');
    const on = controls({ oneMore: true, aidsShown: true });
    expect(on.match(/aria-pressed="true"/g)).toHaveLength(2);
  });
});
