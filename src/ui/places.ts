import type { Route } from 'next';

/** The places of the program, in the order they stand at the top of its pages. */
export const PLACES: readonly { href: Route; label: string }[] = [
  { href: '/', label: 'Today' },
  { href: '/plan', label: 'Plan' },
  { href: '/journal', label: 'Journal' },
  { href: '/poses', label: 'Poses' },
  { href: '/data', label: 'Data' },
];
