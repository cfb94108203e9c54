import { CHAPTERS } from '@/core/handbook/chapters';
import { RowOfPlaces } from '@/ui/RowOfPlaces';

const PLACES: readonly (readonly [href: string, title: string])[] = [
  ['/handbook', 'Exercises'],
  ...CHAPTERS.map(({ id, title }) => [`/handbook/${id}`, title] as const),
  ['/handbook/keys', 'Keys and pedals'],
  ['/handbook/words', 'Words'],
];

/** The chapters of the handbook. */
export const ChapterNav = () => <RowOfPlaces label="Handbook" places={PLACES} />;
