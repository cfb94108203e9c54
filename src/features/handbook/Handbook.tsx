'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { durationWords } from '@/core/practice/time/duration';
import { CATALOG } from '@/core/practice/exercises';
import { type Exercise, FAMILIES, FAMILY_NAMES } from '@/core/practice/exercises/exercise';
import { HANDBOOK } from '@/core/practice/exercises/handbook';
import { schoolStages } from '@/core/practice/rules/stages';
import { Explained } from '@/ui/Explained';

// The marks of all pictures together are larger than the page.
const EntryPicture = dynamic(() => import('./EntryPicture').then((m) => m.EntryPicture), { ssr: false });

// Neither is there anything to start before the records are read.
const TryItNow = dynamic(() => import('./TryItNow').then((m) => m.TryItNow), { ssr: false });

const SeeItDrawn = dynamic(() => import('./SeeItDrawn').then((m) => m.SeeItDrawn), { ssr: false });

/** Every exercise: what it is for, how it goes, what is looked at afterward. */
export function Handbook() {
  return (
    <>
      <h1 className="text-[30px]">Exercises</h1>
      <p className="mt-1 max-w-[68ch]">
        What each is for, how it goes and what to look at afterward. Cautions stand beside what they belong to. They are
        general and usual; they do not replace a physician, the rules of a studio, or the model’s own word.
      </p>
      {FAMILIES.map((family) => {
        const some = CATALOG.filter((e) => e.family === family);
        return some.length === 0 ? null : (
          <section key={family} aria-labelledby={`family-${family}`}>
            <h2 id={`family-${family}`} className="mt-8 border-t border-ink pt-3 text-[22px]">
              {FAMILY_NAMES[family]}
            </h2>
            <div className="mt-3 grid gap-x-10 gap-y-8 lg:grid-cols-2">
              {some.map((e) => (
                <Entry key={e.id} exercise={e} />
              ))}
            </div>
          </section>
        );
      })}
    </>
  );
}

/** Things to look at, some of them questions, as one sentence or several. */
const lookAtWords = (lookAt: readonly string[]): string =>
  `${lookAt.join('; ').replaceAll('?; ', '? ')}.`.replace(/\?\.$/, '?');

function Entry({ exercise }: { exercise: Exercise }) {
  const { id, name, purpose, shortestMs, usualMs, longestMs, school, lookAt, closingQuestion } = exercise;
  const stages = schoolStages(school, usualMs);
  const [drawn, setDrawn] = useState(false);
  return (
    <article id={id} className="flex gap-5">
      <div className="flex w-[110px] shrink-0 justify-center">
        <EntryPicture exercise={id} />
      </div>
      <div className="min-w-0">
        <h3 className="text-[19px]">{name}</h3>
        <p className="font-serif text-[16px] leading-snug">{purpose}</p>
        <p className="mt-1">
          <Explained>{HANDBOOK[id] ?? ''}</Explained>
        </p>
        <p className="mt-1 text-[14px] text-quiet">
          {durationWords(shortestMs)} to {durationWords(longestMs)}
          {stages.length > 1 &&
            `; in ${durationWords(usualMs)}: ${stages.map((s) => `${s.name} ${durationWords(s.lengthMs)}`).join(', ')}`}
          . Afterward: {closingQuestion}
          {lookAt.length > 0 && ` Look at: ${lookAtWords(lookAt)}`}
        </p>
        <button
          type="button"
          className="mt-1 min-h-6 link text-[14px]"
          aria-label={`See ${name} drawn`}
          onClick={() => setDrawn(true)}
        >
          See it drawn
        </button>
        <TryItNow exercise={exercise} />
        {drawn && <SeeItDrawn exercise={exercise} onClose={() => setDrawn(false)} />}
      </div>
    </article>
  );
}
