import type { Rights } from './picture';

/** What a drawing is taken out for. */
export const PURPOSES = ['post', 'sell'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** A picture that was drawn from, and what may be done with it. */
export interface DrawnSource {
  name: string;
  /** null when the picture is no longer here, so that nobody can say. */
  rights: Rights | null;
}

export interface Gate {
  allowed: boolean;
  /** Why not, or what goes with it. */
  words: string;
  /** Who is named with it, each once. */
  credits: string[];
}

/** Why a drawing from one picture may not be taken out; undefined where it may. */
function objection(purpose: Purpose, { name, rights }: DrawnSource): string | undefined {
  if (rights === null)
    return 'A picture it was drawn from is no longer here, so what may be done with the drawing is not known.';
  const { license, credit } = rights;
  if (license === 'own') return undefined;
  if (license === null)
    return `Nothing is said yet about what may be done with “${name}”. Say it on the picture’s page first.`;
  if (license === 'free') return undefined;
  if (purpose === 'sell') return `“${name}” is for practice only: a drawing from it is not for sale.`;
  return credit.trim() === ''
    ? `“${name}” is for practice only. To show a drawing from it, say on its page who is to be named.`
    : undefined;
}

/**
 * Whether drawings may leave for a purpose, by the rights of the pictures they were drawn from. Built-in figures belong to the program
 * and ask for nothing: they are not among the sources.
 */
export function exportGate(purpose: Purpose, sources: readonly DrawnSource[]): Gate {
  const objections = sources.flatMap((source) => objection(purpose, source) ?? []);
  if (objections.length > 0) return { allowed: false, words: [...new Set(objections)].join(' '), credits: [] };
  const credits = [
    ...new Set(sources.map(({ rights }) => rights?.credit.trim() ?? '').filter((credit) => credit !== '')),
  ];
  return {
    allowed: true,
    words: credits.length === 0 ? 'Nobody has to be named.' : `Goes with it: after ${credits.join('; ')}.`,
    credits,
  };
}

/** The same where pictures themselves are to be seen in what leaves: then nothing less than one's own, or free, will do. */
export function pictureGate(
  purpose: Purpose,
  pictures: readonly DrawnSource[],
  drawnFrom: readonly DrawnSource[],
): Gate {
  const held = pictures.flatMap(({ name, rights }) =>
    rights && keptBack(rights) === undefined
      ? []
      : [
          `“${name}” itself is to be seen in it (${(rights && keptBack(rights)) ?? 'it is no longer here'}): put a drawing of it in its place.`,
        ],
  );
  return held.length > 0
    ? { allowed: false, words: [...new Set(held)].join(' '), credits: [] }
    : exportGate(purpose, [...pictures, ...drawnFrom]);
}

/** Why a picture itself stays here when a plan that uses it is shared; undefined where it may go along. */
export function keptBack({ license }: Rights): string | undefined {
  if (license === null) return 'nothing is said of its rights';
  return license === 'practice-only' ? 'for practice only' : undefined;
}

/** Rights as they hold for whom a picture was handed on to: what is the giver's own is theirs to practice from, not to sell. */
export const handedOn = (rights: Rights, planTitle: string): Rights => ({
  ...rights,
  license: rights.license === 'free' ? 'free' : 'practice-only',
  permission: rights.permission || `came with the plan “${planTitle}”`.slice(0, 300),
});
