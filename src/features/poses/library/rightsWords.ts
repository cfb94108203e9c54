import type { Rights } from '@/core/references/picture';

export const LICENSE_WORDS: Record<NonNullable<Rights['license']>, { name: string; told: string }> = {
  own: { name: 'my own', told: 'You made it. Photographs of people need their OK.' },
  free: { name: 'free to use', told: 'A license allows it; name the author where it asks for that.' },
  'practice-only': {
    name: 'for practice only',
    told: 'Drawings from it may be shown with a credit line, and not sold.',
  },
};
