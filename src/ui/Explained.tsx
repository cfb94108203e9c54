import { explained, type ExplainedPiece } from '@/core/handbook/explained';
import { Word } from './Word';

/** Pieces of a text, the words of the list among them explained where they stand. */
export const ExplainedPieces = ({ pieces }: { pieces: readonly ExplainedPiece[] }) =>
  pieces.map(({ text, word }, i) =>
    word ? (
      <Word key={i} of={word}>
        {text}
      </Word>
    ) : (
      text
    ),
  );

/** A text of its own, in which each word of the list is explained where it comes first. */
export const Explained = ({ children }: { children: string }) => <ExplainedPieces pieces={explained([children])[0]} />;
