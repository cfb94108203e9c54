import type { ReferenceFacts } from './coverage';

/** What a picture shows, as far as exercises tell pictures apart. */
export const SUBJECT_KINDS = ['figure', 'head', 'hand or foot', 'trunk', 'animal', 'thing'] as const;
export type SubjectKind = (typeof SUBJECT_KINDS)[number];

const BY_FAMILY: Readonly<Record<string, SubjectKind>> = {
  heads: 'head',
  hands: 'hand or foot',
  feet: 'hand or foot',
  'torsos and backs': 'trunk',
};
const BY_SUBJECT: readonly (readonly [subject: string, kind: SubjectKind])[] = [
  ['parts/head', 'head'],
  ['parts/hands', 'hand or foot'],
  ['parts/feet', 'hand or foot'],
  ['parts/trunk', 'trunk'],
  ['people', 'figure'],
  ['animals', 'animal'],
  ['things', 'thing'],
];

/** What a reference shows; undefined where nothing is known of it. */
export function subjectKindOf({
  family,
  subject,
}: Pick<ReferenceFacts, 'family' | 'subject'>): SubjectKind | undefined {
  if (subject !== undefined) {
    const known = BY_SUBJECT.find(([start]) => subject.startsWith(start));
    if (known) return known[1];
  }
  if (family === undefined) return undefined;
  return BY_FAMILY[family] ?? 'figure';
}

/** What most of some references show; undefined where no kind has more than half of them. */
export function commonKind(references: readonly Pick<ReferenceFacts, 'family' | 'subject'>[]): SubjectKind | undefined {
  const counts = new Map<SubjectKind, number>();
  for (const reference of references) {
    const kind = subjectKindOf(reference);
    if (kind) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  }
  return [...counts].find(([, count]) => count > references.length / 2)?.[0];
}
