import type { Material } from '../hand/ink';
import type { Manner } from '../hand/mannerNames';

/** Ways to see a picture that the handbook shows. */
export type WayOfSeeing = 'as it is' | 'squinting' | 'two values' | 'mirrored' | 'upside down' | 'from afar';

/** A picture of a passage: a figure of the program's, or what its hand draws of it. */
export type Illustration = { caption: string } & (
  | {
      /** A layer of the answer key over the chapter's figure. */
      kind: 'layer';
      id: string;
    }
  | {
      /** The chapter's figure as the hand draws it in a time; with a material on paper, else in plain line. */
      kind: 'hand';
      manner: Manner;
      /** Milliseconds. */
      ms: number;
      material?: Material;
    }
  | { kind: 'seen'; as: WayOfSeeing }
  | {
      /** A pose, and how long a model can hold it. */
      kind: 'held';
      reference: string;
      /** As the answer key of the reference estimates it, seconds. */
      holdS: number;
    }
  | {
      /** A move of the warm-up, by its name. */
      kind: 'move';
      name: string;
    }
);

/** A part of a chapter. */
export interface Passage {
  heading: string;
  paragraphs: readonly string[];
  /** Things in a row, each with what is to be said of it. */
  list?: readonly (readonly [what: string, words: string])[];
  /** One stands beside the words, several below them in a row. */
  pictures?: readonly Illustration[];
}

export interface Chapter {
  id: string;
  title: string;
  /** One sentence: what it is about. */
  about: string;
  /** The figure of the program's that its pictures are of. */
  figure?: string;
  passages: readonly Passage[];
}
