'use client';
import { ChevronDown, RotateCcw } from 'lucide-react';
import type { BodyReading } from '@/core/body/readBody';
import { effectiveFacts, isSaid, sureness } from '@/core/references/effectiveFacts';
import { valueWords } from '@/core/references/facets';
import { canBeSaid, FACT_WORDS, type FactName } from '@/core/references/facts';
import type { Picture } from '@/core/references/picture';
import { FactField, TAGGED } from '../library/FactFields';
import type { LibraryActions } from '../library/useLibraryActions';

/** What holds of a picture, how it was found out, and a tap to say otherwise. */
export function FactList({
  picture,
  why,
  actions,
}: {
  picture: Picture;
  why: BodyReading['why'];
  actions: LibraryActions;
}) {
  const facts = effectiveFacts(picture);
  return (
    <section aria-label="What it shows">
      <h2 className="text-[20px]">What it shows</h2>
      <ul className="mt-1">
        {TAGGED.filter((name) => canBeSaid(name, facts)).map((name) => (
          <Fact key={name} name={name} value={facts[name]} picture={picture} why={why[name]} actions={actions} />
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <span>After drawing it:</span>
        <button type="button" className="btn-quiet btn btn-sm" onClick={() => actions.felt([picture.id], 1)}>
          harder than expected
        </button>
        <button type="button" className="btn-quiet btn btn-sm" onClick={() => actions.felt([picture.id], -1)}>
          easier
        </button>
        {picture.felt !== 0 && (
          <span className="text-[14px] text-quiet">
            {Math.abs(picture.felt)} more {picture.felt > 0 ? 'harder' : 'easier'}; two of one kind move it by one.
          </span>
        )}
      </div>
    </section>
  );
}

function Fact({
  name,
  value,
  picture,
  why,
  actions,
}: {
  name: FactName;
  value: string | undefined;
  picture: Picture;
  why: string | undefined;
  actions: LibraryActions;
}) {
  const sure = sureness(picture, name);
  const byHand = picture.corrected[name] !== undefined;
  const found = value !== undefined;
  const perhaps = found && !isSaid(picture, name);
  return (
    <li className="border-b border-hairline">
      <details>
        <summary className="flex cursor-pointer list-none items-center gap-2 py-1 max-sm:py-3">
          <span className="w-[112px] shrink-0 text-quiet">{FACT_WORDS[name]}</span>
          <span className={`flex-1 ${perhaps ? 'italic' : 'font-semibold'}`}>
            {found ? `${perhaps ? 'perhaps ' : ''}${valueWords(name, value)}` : '–'}
          </span>
          <span className="text-[13px] text-quiet">
            {byHand ? 'you said so' : found ? `${String(Math.round(sure * 100))} % sure` : 'not known'}
          </span>
          <ChevronDown size={15} aria-hidden className="text-quiet" />
        </summary>
        <div className="pb-2 pl-[120px] max-sm:pl-0">
          {!byHand && why && <p className="text-[14px] text-quiet">Because {why}.</p>}
          <FactField
            name={name}
            value={picture.corrected[name] ?? ''}
            empty="as found"
            onChange={(v) => actions.correct([picture.id], name, v)}
          />
          {byHand && (
            <button
              type="button"
              className="btn-quiet btn btn-xs"
              onClick={() => actions.correct([picture.id], name, undefined)}
            >
              <RotateCcw size={12} aria-hidden /> Back to what was found
            </button>
          )}
        </div>
      </details>
    </li>
  );
}
