import * as z from 'zod/mini';
import { AGES, BUILD_TRAITS, type BuildName, SEXES, SHAPES } from '../figure/skeleton/buildNames';
import { type ReferenceFacts, UNKNOWN_DIFFICULTY } from './coverage';

/** Views in the order they are offered: turning away from the front. */
const VIEWS = ['front', 'three-quarter', 'profile', 'back three-quarter', 'back'] as const;

/** What the learner asks for in a set's pictures. A field that is missing asks for nothing. */
export const wishesSchema = z.object({
  hardest: z.optional(z.int().check(z.minimum(1), z.maximum(5))),
  extent: z.optional(z.string().check(z.maxLength(20))),
  family: z.optional(z.string().check(z.maxLength(40))),
  shape: z.optional(z.enum(SHAPES)),
  sex: z.optional(z.enum(SEXES)),
  age: z.optional(z.enum(AGES)),
  view: z.optional(z.enum(VIEWS)),
});
export type Wishes = z.infer<typeof wishesSchema>;

/** The choices of who is drawn and from which side, each with a word for any. */
export const FIGURE_WISHES = {
  sex: { label: 'Women or men', any: 'women and men', options: SEXES, words: { woman: 'women', man: 'men' } },
  age: { label: 'Age', any: 'any age', options: AGES, words: {} },
  shape: { label: 'Build', any: 'any build', options: SHAPES, words: {} },
  view: {
    label: 'View',
    any: 'any view',
    options: VIEWS,
    words: { front: 'from the front', profile: 'in profile', back: 'from behind' },
  },
} as const;
export type FigureWish = keyof typeof FIGURE_WISHES;

/** Whether a picture meets the wishes. An unknown fact meets none, except that an unrated picture counts as middling. */
export function fulfills(facts: ReferenceFacts, { hardest, extent, family, shape, sex, age, view }: Wishes): boolean {
  const who = facts.build === undefined ? undefined : BUILD_TRAITS[facts.build as BuildName];
  return (
    (hardest === undefined || (facts.difficulty ?? UNKNOWN_DIFFICULTY) <= hardest) &&
    (extent === undefined || facts.extent === extent) &&
    (family === undefined || facts.family === family) &&
    (shape === undefined || who?.shape === shape) &&
    (sex === undefined || who?.sex === sex) &&
    (age === undefined || who?.age === age) &&
    (view === undefined || facts.viewName === view)
  );
}

/** Returns the wishes alone, from an object that holds more. */
export function wishesOf({ hardest, extent, family, shape, sex, age, view }: Wishes): Wishes {
  const all = { hardest, extent, family, shape, sex, age, view };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
}
