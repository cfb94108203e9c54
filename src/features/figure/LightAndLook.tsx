import type { KeyLight, Look } from '@/core/figure/picture/light';
import { LightRing } from './LightRing';
import { type SeenAs, SeenAsChoice } from '@/ui/ValueFilters';

const LOOKS: readonly { look: Look; label: string }[] = [
  { look: 'clay', label: 'Clay' },
  { look: 'plaster', label: 'Plaster' },
  { look: 'red clay', label: 'Red clay' },
  { look: 'dark clay', label: 'Dark clay' },
  { look: 'flat', label: 'Flat, for line' },
  { look: 'planes', label: 'Planes' },
  { look: 'solids', label: 'Solids' },
];

export function LightAndLook({
  look,
  light,
  seenAs,
  onLook,
  onLight,
  onSeenAs,
}: {
  look: Look;
  light: KeyLight;
  seenAs: SeenAs;
  onLook: (look: Look) => void;
  onLight: (light: KeyLight) => void;
  onSeenAs: (seenAs: SeenAs) => void;
}) {
  return (
    <section aria-label="Light" className="no-print">
      <h2 className="text-[20px]">Light</h2>
      <div className="mt-1 flex flex-wrap items-center gap-x-8 gap-y-3">
        <LightRing light={light} onChange={onLight} />
        <div role="radiogroup" aria-label="Material" className="flex flex-col gap-1">
          {LOOKS.map(({ look: each, label }) => (
            <button
              key={each}
              type="button"
              role="radio"
              aria-checked={look === each}
              onClick={() => onLook(each)}
              className={`btn justify-start btn-sm ${look === each ? 'border-ink bg-sheet font-semibold' : 'btn-quiet'}`}
            >
              {label}
            </button>
          ))}
        </div>
        <SeenAsChoice className="max-sm:h-14" value={seenAs} onChange={onSeenAs} />
      </div>
    </section>
  );
}
