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

export const SEXES = ['woman', 'man'] as const;
export const AGES = ['young', 'middle-aged', 'old'] as const;
export const SHAPES = ['slim', 'average', 'strong', 'heavy'] as const;

/** What each of them can be chosen by. Young is up to the thirties, old from the seventies on. */
export const BUILD_TRAITS: Readonly<
  Record<BuildName, { sex: (typeof SEXES)[number]; age: (typeof AGES)[number]; shape: (typeof SHAPES)[number] }>
> = {
  masc: { sex: 'man', age: 'young', shape: 'average' },
  fem: { sex: 'woman', age: 'young', shape: 'average' },
  lean: { sex: 'man', age: 'young', shape: 'slim' },
  stocky: { sex: 'man', age: 'middle-aged', shape: 'heavy' },
  muscular: { sex: 'man', age: 'young', shape: 'strong' },
  heavy: { sex: 'woman', age: 'middle-aged', shape: 'heavy' },
  slight: { sex: 'woman', age: 'young', shape: 'slim' },
  older: { sex: 'man', age: 'old', shape: 'average' },
  elder: { sex: 'woman', age: 'old', shape: 'average' },
  strong: { sex: 'woman', age: 'young', shape: 'strong' },
  small: { sex: 'man', age: 'middle-aged', shape: 'average' },
  tall: { sex: 'woman', age: 'middle-aged', shape: 'average' },
  big: { sex: 'man', age: 'middle-aged', shape: 'heavy' },
};
