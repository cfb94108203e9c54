import { FAMILIES, PART_FAMILIES } from '../../figure/catalogue/families';
import { BUILT_IN_SET_ID, builtInFamilySetId } from '../../references/picture';
import { CATALOG } from '../exercises';
import type { Exercise } from '../exercises/exercise';
import { MEDIA } from '../paper/materials';

/** What a phrase in a session line stands for. */
export type Meaning =
  | { kind: 'exercise' | 'medium' | 'set'; id: string }
  | { kind: 'rest' | 'look back' | 'warm-up' | 'body' | 'lines' | 'no warm-up' | 'repeat' };

/** Short names that people say for exercises. Longer names win over shorter ones. */
const EXERCISE_ALIASES: Readonly<Record<string, string>> = {
  gesture: 'flowing-gesture',
  gestures: 'flowing-gesture',
  structure: 'structural-gesture',
  mass: 'gesture-by-mass',
  masses: 'gesture-by-mass',
  bars: 'shoulder-and-hip-bars',
  blind: 'blind-contour',
  'blind contours': 'blind-contour',
  contours: 'contour',
  'cross contour': 'cross-contour',
  'cross contours': 'cross-contour',
  'one line': 'continuous-line',
  'negative space': 'negative-shapes',
  memory: 'look-then-draw',
  'from memory': 'look-then-draw',
  'eyes shut': 'eyes-closed',
  'left hand': 'other-hand',
  imagination: 'from-imagination',
  tone: 'tone-study',
  study: 'timed-study',
  studies: 'timed-study',
  'quick heads': 'quick-head',
  'line of action': 'action-line',
  'action lines': 'action-line',
};
const MEDIUM_ALIASES: Readonly<Record<string, string>> = {
  'charcoal sticks': 'charcoal',
  pen: 'ballpoint',
  graphite: 'pencil',
  conte: 'conte',
  ink: 'ink and brush',
  tablet: 'digital',
};
const PLAIN: readonly (readonly [phrase: string, meaning: Meaning])[] = [
  ...['break', 'breaks', 'rest', 'rests', 'pause', 'breather'].map((p) => [p, { kind: 'rest' }] as const),
  ...['look back', 'looking back', 'review'].map((p) => [p, { kind: 'look back' }] as const),
  ...['no warm-up', 'no warmup', 'no warm up', 'without warm-up', 'without a warm-up', 'without warmup'].map(
    (p) => [p, { kind: 'no warm-up' }] as const,
  ),
  ...['warm-up', 'warmup', 'warm up', 'warming up'].map((p) => [p, { kind: 'warm-up' }] as const),
  ...['loosen up', 'body', 'stretches', 'stretch the body'].map((p) => [p, { kind: 'body' }] as const),
  ...['pages of lines', 'page of lines', 'line pages', 'line page', 'lines'].map(
    (p) => [p, { kind: 'lines' }] as const,
  ),
  ...['repeat', 'all again', 'the same again', 'again'].map((p) => [p, { kind: 'repeat' }] as const),
];

/** A set the line may name. */
export interface NamedSet {
  id: string;
  name: string;
}

/** Sets of the figures that ship, by the words for them. */
const BUILT_IN: readonly NamedSet[] = [
  { id: BUILT_IN_SET_ID, name: 'figures' },
  { id: BUILT_IN_SET_ID, name: 'lantern pageant' },
  ...[...FAMILIES, ...PART_FAMILIES].map((family) => ({ id: builtInFamilySetId(family), name: family })),
  { id: builtInFamilySetId('torsos and backs'), name: 'torsos' },
  { id: builtInFamilySetId('torsos and backs'), name: 'backs' },
  { id: builtInFamilySetId('walking or running'), name: 'walking' },
  { id: builtInFamilySetId('walking or running'), name: 'running' },
  { id: builtInFamilySetId('kneeling or crouching'), name: 'kneeling' },
  { id: builtInFamilySetId('reaching or pulling'), name: 'reaching' },
  { id: builtInFamilySetId('weight shifted'), name: 'contrapposto' },
];

const plainly = (text: string): string => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase().trim();

/** Names shorter than this, or without a letter, would swallow numbers and fillers. */
const SHORTEST_NAME = 3;

/**
 * Every phrase a line may hold, longest first, each once: what was named first wins.
 * @param own The learner's own exercises.
 * @param sets The learner's own sets.
 */
export function phrasesOf(own: readonly Exercise[], sets: readonly NamedSet[]): [phrase: string, meaning: Meaning][] {
  const named = (list: readonly (readonly [string, Meaning])[]): [string, Meaning][] =>
    list.flatMap(([phrase, meaning]): [string, Meaning][] => {
      const text = plainly(phrase);
      return text.length >= SHORTEST_NAME && /\p{L}/u.test(text) ? [[text, meaning]] : [];
    });
  const all = [
    ...named(PLAIN),
    ...named(CATALOG.map(({ id, name }) => [name, { kind: 'exercise', id }] as const)),
    ...named(Object.entries(EXERCISE_ALIASES).map(([name, id]) => [name, { kind: 'exercise', id }] as const)),
    ...named(MEDIA.map(({ id, name }) => [name, { kind: 'medium', id }] as const)),
    ...named(MEDIA.map(({ id }) => [id, { kind: 'medium', id }] as const)),
    ...named(Object.entries(MEDIUM_ALIASES).map(([name, id]) => [name, { kind: 'medium', id }] as const)),
    ...named(BUILT_IN.map(({ id, name }) => [name, { kind: 'set', id }] as const)),
    ...named(own.map(({ id, name }) => [name, { kind: 'exercise', id }] as const)),
    ...named(sets.map(({ id, name }) => [name, { kind: 'set', id }] as const)),
  ];
  const known = new Map<string, Meaning>();
  for (const [phrase, meaning] of all) if (!known.has(phrase)) known.set(phrase, meaning);
  return [...known].toSorted(([a], [b]) => b.length - a.length);
}

/** A line in the form its phrases are looked up in: lower case, plain letters and signs. */
export const plainLine = (text: string): string =>
  plainly(text)
    .replace(/[×✕✖*]/g, 'x')
    .replace(/[’‘`´]/g, "'")
    .replace(/[“”]/g, '"')
    .replace(/[–—]/g, '-');
