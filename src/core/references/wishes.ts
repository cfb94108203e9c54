import * as z from 'zod/mini';
import { AGES, BUILD_TRAITS, type BuildName, SEXES, SHAPES } from '../figure/skeleton/buildNames';
import type { ReferenceFacts } from './coverage';

/** Views in the order they are offered: turning away from the front. */
const VIEWS = ['front', 'three-quarter', 'profile', 'back three-quarter', 'back'] as const;

/** What is wanted of a set's pictures. What is missing is not asked for. */
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

/** What can be wished of who is drawn and how they are seen: a word for any, and the choices. */
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

/** Difficulty of what nobody has rated. */
const UNKNOWN_DIFFICULTY = 3;

/** Whether a picture is as wished. What isn't known of it doesn't count as fulfilling a wish, except how hard it is. */
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

/** The wishes alone, out of something that has more. */
export function wishesOf({ hardest, extent, family, shape, sex, age, view }: Wishes): Wishes {
  const all = { hardest, extent, family, shape, sex, age, view };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
}
