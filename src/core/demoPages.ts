import type { HandErrors } from './hand/errors';
import type { Material } from './hand/ink';
import type { DeskKind, PaperTone } from './hand/photograph';

/** A page of the demo learner's: which evening it is of, and how it was drawn and photographed. */
export interface DemoPage {
  sessionId: string;
  material: Material;
  paper: readonly [widthMm: number, heightMm: number];
  tone: PaperTone;
  desk: DeskKind;
  /** Drawings on it at most. */
  most: number;
  curl?: number;
  /** It lies on the desk as it was photographed, to be cut by whoever looks on. */
  uncut?: boolean;
}

/** From the first weeks to the last. */
export const DEMO_PAGES: readonly DemoPage[] = [
  { sessionId: 'demo-1', material: 'graphite', paper: [210, 297], tone: 'white', desk: 'wood', most: 4 },
  { sessionId: 'demo-4', material: 'charcoal', paper: [297, 420], tone: 'cream', desk: 'dark', most: 4 },
  { sessionId: 'demo-6', material: 'ballpoint', paper: [297, 210], tone: 'white', desk: 'wood', most: 10 },
  { sessionId: 'demo-9', material: 'brush', paper: [297, 420], tone: 'white', desk: 'dark', most: 3, curl: 0.006 },
  { sessionId: 'demo-11', material: 'graphite', paper: [210, 297], tone: 'white', desk: 'pale', most: 4 },
  { sessionId: 'demo-12', material: 'charcoal', paper: [297, 420], tone: 'white', desk: 'wood', most: 4, uncut: true },
];

/** The id of the page that is made of an entry. */
export const demoPageId = (i: number): string => `demo-page-${String(i + 1)}`;

/** Twelve weeks: in them what she gets wrong becomes less. */
const WEEKS_DAYS = 84;
const between = (first: number, last: number, share: number): number => first + (last - first) * share;

/** How the demo learner draws so many days before today: heads 14 % too large at first, tilts flattened, an unsure line. */
export function demoErrors(daysAgo: number): HandErrors {
  const share = Math.max(0, Math.min(1, 1 - daysAgo / WEEKS_DAYS));
  return {
    head: between(0.14, 0.03, share),
    legs: between(-0.08, -0.02, share),
    waist: between(0.1, 0.02, share),
    tilts: between(0.6, 0.85, share),
    squeezed: 0,
    shaky: between(0.005, 0.0022, share),
    scratchy: between(0.45, 0.1, share),
    slow: between(1.5, 1.05, share),
    forgets: 0,
  };
}
