import { GLOSSARY, type GlossaryWord } from './glossary';

/** A piece of a text: plain, or a word of the list as it stands there. */
export interface ExplainedPiece {
  text: string;
  word?: GlossaryWord;
}

/** Words that mostly stand in their ordinary sense: they are in the list, and not marked in running text. */
const ORDINARY: ReadonlySet<GlossaryWord> = new Set([
  'course',
  'family',
  'reference',
  'sheet',
  'view',
  'contour',
  'bias',
]);

/** How each word may stand in a text: with a capital, and in the plural. Longer ones first, so that a part of one is not taken for it. */
const WORDS = (Object.keys(GLOSSARY) as GlossaryWord[])
  .filter((word) => !ORDINARY.has(word))
  .sort((a, b) => b.length - a.length);
const FORMS = new RegExp(`\\b(${WORDS.join('|')})(?:s|es)?\\b`, 'gi');

/**
 * Texts cut into pieces, so that each word of the list is marked where it comes first in all of them.
 * @param met Words that were marked before; those of these texts are put in.
 * @returns for each text its pieces in order; together they are the text.
 */
export function explained(texts: readonly string[], met = new Set<GlossaryWord>()): ExplainedPiece[][] {
  return texts.map((text) => {
    const pieces: ExplainedPiece[] = [];
    let from = 0;
    for (const found of text.matchAll(FORMS)) {
      const word = found[1].toLowerCase() as GlossaryWord;
      if (met.has(word)) continue;
      met.add(word);
      if (found.index > from) pieces.push({ text: text.slice(from, found.index) });
      pieces.push({ text: found[0], word });
      from = found.index + found[0].length;
    }
    if (from < text.length) pieces.push({ text: text.slice(from) });
    return pieces;
  });
}
