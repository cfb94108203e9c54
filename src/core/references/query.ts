import * as z from 'zod/mini';

export const SORTS = [
  'newest first',
  'in your order',
  'by name',
  'gentle to hard',
  'least drawn first',
  'longest not drawn',
  'taken, newest first',
] as const;
export type Sort = (typeof SORTS)[number];

export const FACETS = [
  'subject',
  'extent',
  'hand',
  'view',
  'facing',
  'family',
  'eyeLevel',
  'difficulty',
  'foreshortened',
  'light',
  'lightFrom',
  'tone',
  'clothing',
  'theme',
  'license',
  'drawn',
  'lastDrawn',
] as const;
export type Facet = (typeof FACETS)[number];

/** What is looked for in the library: in each facet any of the values named, over all facets together, and words in the name. */
export const querySchema = z.object({
  text: z._default(z.string().check(z.maxLength(200)), ''),
  wanted: z._default(
    z.partialRecord(z.enum(FACETS), z.array(z.string().check(z.maxLength(60))).check(z.maxLength(40))),
    {},
  ),
  sort: z._default(z.enum(SORTS), 'newest first'),
});
export type Query = z.infer<typeof querySchema>;

export const EVERYTHING: Query = { text: '', wanted: {}, sort: 'newest first' };

/** A query with one value of a facet switched on or off. */
export function toggled(query: Query, facet: Facet, value: string): Query {
  const before = query.wanted[facet] ?? [];
  const after = before.includes(value) ? before.filter((v) => v !== value) : [...before, value];
  const others = Object.entries(query.wanted).filter(([name]) => name !== facet);
  const wanted = Object.fromEntries(after.length > 0 ? [...others, [facet, after]] : others) as Query['wanted'];
  return { ...query, wanted };
}

/** Whether a query leaves nothing out. */
export const isEverything = ({ text, wanted }: Query): boolean =>
  text.trim() === '' && Object.keys(wanted).length === 0;
