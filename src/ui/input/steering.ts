/** Keys of presenters and pedals that mean something everywhere. */
const STANDARD: Readonly<Record<string, string>> = {
  PageDown: 'ArrowRight',
  PageUp: 'ArrowLeft',
  '.': ' ',
  b: ' ',
  '=': '+',
  '\u2212': '-',
  MediaTrackNext: 'ArrowRight',
  MediaTrackPrevious: 'ArrowLeft',
  MediaPlayPause: ' ',
  'headset:next': 'ArrowRight',
  'headset:previous': 'ArrowLeft',
  'headset:play': ' ',
  'gamepad:0': 'Enter',
  'gamepad:14': 'ArrowLeft',
  'gamepad:15': 'ArrowRight',
  'midi:control:64': 'Enter',
  pedal: 'Enter',
};

/** What can be put on a key, a pedal or a button: the key it stands for, and its words. */
export const STEERABLE = [
  { key: 'Enter', words: 'The one key: go, go on, or pause' },
  { key: ' ', words: 'Pause, go on' },
  { key: 'ArrowRight', words: 'Next, page full' },
  { key: 'ArrowLeft', words: 'Back' },
  { key: '+', words: 'A little more' },
  { key: 'n', words: 'One more of this' },
  { key: 'i', words: 'I peeked, I lifted' },
  { key: 's', words: 'Squint while held' },
] as const;

/** The key that something pressed stands for: as it was learned, else as it usually does, else itself. */
export const keyFor = (pressed: string, learned: Readonly<Record<string, string>>): string =>
  learned[pressed] ?? STANDARD[pressed] ?? pressed;

/** A key as it is known by everywhere: KeyboardEvent.key, letters in lower case. */
export const keyName = ({ key }: { key: string }): string => (key.length === 1 ? key.toLowerCase() : key);
