import { BONES } from '@/core/figure/picture/appearance';
import type { Look } from '@/core/figure/picture/light';
import { LightRing } from './LightRing';
import type { PageState } from './pageState';
import { SeenAsChoice } from '@/ui/ValueFilters';

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
  state: { look, light, seenAs, bones, suit },
  onChange,
}: {
  state: PageState;
  onChange: (to: Partial<PageState>) => void;
}) {
  return (
    <section aria-label="Light" className="no-print">
      <h2 className="text-[20px]">Light</h2>
      <LightRing light={light} onChange={(to) => onChange({ light: to })} />
      <h3 className="mt-4 text-[16px] font-semibold">Material</h3>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <div role="radiogroup" aria-label="Material" className="flex flex-wrap gap-2">
          {LOOKS.map(({ look: each, label }) => (
            <button
              key={each}
              type="button"
              role="radio"
              aria-checked={look === each}
              onClick={() => onChange({ look: each })}
              className={`btn btn-sm max-sm:h-12 ${look === each ? 'border-ink bg-sheet font-semibold' : 'btn-quiet'}`}
            >
              {label}
            </button>
          ))}
        </div>
        <SeenAsChoice className="max-sm:h-14" value={seenAs} onChange={(to) => onChange({ seenAs: to })} />
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-x-8 gap-y-3">
        <label className="flex items-center gap-2 text-[14px]">
          Bones: soft
          <input
            type="range"
            className="range w-[110px]"
            aria-label="How much bones show, from soft to pronounced"
            min={BONES.low}
            max={BONES.high}
            step={BONES.step}
            value={bones}
            onChange={(event) => onChange({ bones: Number(event.target.value) })}
          />
          pronounced
        </label>
        <label className="flex min-h-6 items-center gap-2 max-sm:h-14">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={suit}
            onChange={(event) => onChange({ suit: event.target.checked })}
          />
          In a close-fitting suit
        </label>
      </div>
    </section>
  );
}
