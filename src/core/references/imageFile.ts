import { listWords } from '../words';
import type { ImageProblem } from './imageProblem';
import type { ImageType } from './picture';

export interface ImageFacts {
  type: ImageType | 'image/heic';
  widthPx: number;
  heightPx: number;
}

/** Decoding needs four bytes a pixel at once; beyond this a browser tab may die of it. */
export const MAX_MEGAPIXELS = 100;

/** Files taken at once; more come in a second go. */
export const MAX_FILES = 20_000;

/** By name ending, and by what is found in the file. */
export const IMAGE_TYPES_BY_ENDING: Record<string, ImageFacts['type']> = {
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
  avif: 'image/avif',
  gif: 'image/gif',
  heic: 'image/heic',
  heif: 'image/heic',
};

/** What is worth knowing of a file that was taken in. */
export type ImageNote = 'first frame' | 'made smaller' | 'other ending' | 'converted';

const NOTE_WORDS: Record<ImageNote, string> = {
  'first frame': 'moves; its first frame is kept to draw from',
  'made smaller': 'was larger than is kept and was made smaller',
  'other ending': 'is of another kind than its name says and was read as what it is',
  converted: 'was converted, since browsers do not show its kind or keep the place it was taken at in it',
};
/** What was done to a file when it was taken in, as a sentence. */
export const noteSentence = (name: string, notes: readonly ImageNote[]): string =>
  `“${shortName(name)}” ${listWords(notes.map((note) => NOTE_WORDS[note]))}.`;

const LONG_NAME = 80;
/** A name as it reads in a sentence: long ones are cut in the middle, so that the ending stays. */
export const shortName = (name: string): string =>
  name.length <= LONG_NAME ? name : `${name.slice(0, LONG_NAME - 20).toWellFormed()}…${name.slice(-16).toWellFormed()}`;

/** What happened to a file and what to do, in a sentence. */
export function problemSentence(fileName: string, problem: ImageProblem): string {
  const name = shortName(fileName);
  switch (problem.kind) {
    case 'empty':
      return `“${name}” is empty (0 bytes). Copy it again from where it came from.`;
    case 'not a picture':
      return `“${name}” is not a picture. JPEG, PNG, WebP, AVIF, GIF and HEIC can be added.`;
    case 'unknown type':
      return `“${name}” is a ${problem.type} picture, which browsers do not show. Save it as JPEG or PNG and add that.`;
    case 'truncated':
      return `“${name}” breaks off before its end, as after an interrupted copy. Copy it again from where it came from.`;
    case 'damaged':
      return `“${name}” is damaged and cannot be shown. Try opening and saving it again in another program.`;
    case 'failed':
      return `“${name}” could not be prepared. The file may be fine: this was a fault in Fox Minute or a lack of memory. Close other programs and try again; the Data page has the details.`;
    case 'too heavy':
      return `“${name}” has ${problem.megabytes} MB; files up to 400 MB can be added. Save it smaller: a few MB are plenty for drawing from.`;
    case 'too large':
      return `“${name}” has ${problem.megapixels} megapixels; up to ${MAX_MEGAPIXELS} can be shown safely. Save it smaller: 12 are plenty for drawing from.`;
    case 'already there':
      return `“${name}” is the same file as “${problem.as}”, which is kept once and is here.`;
    case 'no room':
      return `There was no room left for “${name}”. What was added before it is kept; free some space on this machine or take pictures out of a set.`;
    case 'gone':
      return `“${name}” could no longer be read: it was moved, renamed or taken away meanwhile. Choose it again from where it is now.`;
    case 'not copied':
      return `“${name}” was still waiting when the page was closed. Choose it again; what was added stays.`;
    case 'too many':
      return `“${name}” is beyond the ${MAX_FILES.toLocaleString('en')} files taken at once. Add it in a second go.`;
  }
}
