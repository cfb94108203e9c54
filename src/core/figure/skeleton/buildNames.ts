/** Everybody who poses, by the name in references’ ids; never renamed, for old sessions keep them. */
export const BUILD_NAMES = [
  'masc',
  'fem',
  'lean',
  'stocky',
  'muscular',
  'heavy',
  'slight',
  'older',
  'elder',
  'strong',
  'small',
  'tall',
  'big',
] as const;
export type BuildName = (typeof BUILD_NAMES)[number];

/** Who each of them is, in plain words. */
export const BUILD_WORDS: Readonly<Record<BuildName, string>> = {
  masc: 'Man, twenties',
  fem: 'Woman, twenties',
  lean: 'Lean man, thirties',
  stocky: 'Stocky man, forties',
  muscular: 'Muscular man, thirties',
  heavy: 'Heavy woman, forties',
  slight: 'Slight woman, twenties',
  older: 'Man, seventies',
  elder: 'Woman, seventies',
  strong: 'Strong woman, thirties',
  small: 'Short man, fifties',
  tall: 'Tall woman, forties',
  big: 'Heavy man, sixties',
};
