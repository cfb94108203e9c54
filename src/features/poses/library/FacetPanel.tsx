import type { GlossaryWord } from '@/core/handbook/glossary';
import { FACET_WORDS, type FacetCounts, valueWords } from '@/core/references/facets';
import { type Facet, type Query, toggled } from '@/core/references/query';
import { Word } from '@/ui/Word';

/** Shown first; the others are one tap away. */
const FIRST: readonly Facet[] = ['subject', 'view', 'facing', 'family', 'drawn'];

function FacetValues({
  counts: { facet, values },
  query,
  onChange,
}: {
  counts: FacetCounts;
  query: Query;
  onChange: (query: Query) => void;
}) {
  return (
    <ul>
      {values.map(({ value, count }) => {
        const child = facet === 'subject' && value.includes('/');
        return (
          <li key={value}>
            <label
              className={`flex min-h-[24px] cursor-pointer items-center gap-2 max-sm:min-h-[44px] ${child ? 'pl-5 text-[14px]' : ''}`}
            >
              <input
                type="checkbox"
                className="checkbox checkbox-xs max-sm:checkbox-md"
                // As asked, not as found: the counts may follow a moment later.
                checked={query.wanted[facet]?.includes(value) ?? false}
                onChange={() => onChange(toggled(query, facet, value))}
              />
              <span className="min-w-0 flex-1 wrap-anywhere">{valueWords(facet, value)}</span>
              <span className="text-[13px] text-quiet tabular-nums">{count}</span>
            </label>
          </li>
        );
      })}
    </ul>
  );
}

/** Facets whose name is a word of the program's own. */
const FACET_MEANINGS: Partial<Record<Facet, GlossaryWord>> = {
  view: 'view',
  facing: 'facing',
  family: 'family',
  foreshortened: 'foreshortened',
};

/** Narrow the pictures down: any of the values ticked in a facet, all facets together, with how many each would leave. */
export function FacetPanel({
  facets,
  query,
  onChange,
}: {
  facets: readonly FacetCounts[];
  query: Query;
  onChange: (query: Query) => void;
}) {
  // A facet that tells nothing apart is no help, unless something in it is ticked.
  const useful = facets.filter(({ values }) => values.length > 1 || values.some((v) => v.chosen));
  return (
    <div role="group" aria-label="Narrow down" className="text-[15px]">
      {useful.map((counts) => (
        <details
          key={counts.facet}
          className="border-b border-hairline py-1"
          open={FIRST.includes(counts.facet) || counts.values.some((v) => v.chosen)}
        >
          <summary className="cursor-pointer py-1 font-semibold max-sm:py-3">{FACET_WORDS[counts.facet]}</summary>
          {FACET_MEANINGS[counts.facet] && (
            <p className="text-[14px] text-quiet">
              <Word of={FACET_MEANINGS[counts.facet] as GlossaryWord}>What is meant</Word>
            </p>
          )}
          <FacetValues counts={counts} query={query} onChange={onChange} />
        </details>
      ))}
    </div>
  );
}
