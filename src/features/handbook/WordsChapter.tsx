import { anchorOf, GLOSSARY, type GlossaryWord } from '@/core/handbook/glossary';

const WORDS = Object.keys(GLOSSARY) as GlossaryWord[];

/** Words that the program uses in a sense of its own. */
export function WordsChapter() {
  return (
    <>
      <h1 className="text-[30px]">Words</h1>
      <p className="mt-1 max-w-[68ch] font-serif text-[19px]">
        What is meant here by words that are used elsewhere too.
      </p>
      <dl className="mt-4 grid gap-x-8 gap-y-2 sm:grid-cols-[180px_minmax(0,68ch)]">
        {WORDS.map((word) => (
          <div key={word} id={anchorOf(word)} className="contents">
            <dt className="font-semibold">{word}</dt>
            <dd className="max-sm:mb-1">{GLOSSARY[word]}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}
