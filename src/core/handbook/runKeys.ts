/** What the keys do while a session runs, by what they are about. */
export const RUN_KEYS: readonly [heading: string, keys: readonly [string, string][]][] = [
  [
    'The clock',
    [
      ['Enter', 'the one key: on when it waits, go on, or pause'],
      ['Space', 'pause, go on'],
      ['Right, Page Down', 'next, or page full'],
      ['Left, Page Up', 'back, more time with it'],
      ['+ and -', 'a little more, a little less'],
      ['N', 'one more of this'],
      ['R', 'start this again'],
      ['X', 'stop and keep'],
      ['C', 'size of the clock'],
    ],
  ],
  [
    'The picture',
    [
      ['S', 'squint while held'],
      ['G, L', 'gray, lighter'],
      ['V, [ and ]', 'few values, where they part'],
      ['M, U', 'mirror, upside down'],
      ['P, D, E, J', 'plumb line, divide (without a picture: a perspective box), envelope, face'],
      ['A', 'pace along the edge'],
      ['Z', 'whole, or twice as large'],
      ['H', 'hide it'],
      ['K', 'answer key, after the time'],
      ['Q', 'all of these by hand'],
    ],
  ],
  [
    'Now and then',
    [
      ['I', 'I peeked, I lifted; hold it as long as you look'],
      ['O', 'the other exercise before a pose'],
      ['4, 5', 'before a pose: another picture, the other hand'],
      ['Y, T', 'whole figure down: yes, not yet; Y while drawing: it is in'],
      ['0', 'I rubbed out'],
      ['1, 2', 'the line was loose, tight'],
      ['/', 'what is left of a pot, shared out evenly'],
      ['W', 'second window'],
      ['3', 'a sheet on the screen, or paper'],
      ['Backspace', 'take a stroke back, where the exercise lets one'],
      ['F', 'full screen'],
      ['?', 'these keys'],
    ],
  ],
];
