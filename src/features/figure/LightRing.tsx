import { LIGHT_DIRECTIONS, LIGHT_HEIGHTS } from '@/core/figure/picture/appearance';
import { type KeyLight, LIGHT_SOURCES, type LightSource } from '@/core/figure/picture/light';

const SOURCE_WORDS: Record<LightSource, string> = {
  studio: 'Studio lamp',
  window: 'Window',
  'lamp from below': 'Lamp from below',
  overcast: 'Overcast sky',
};

/** Where the key light stands: a ring of eight places around the figure, seen from above, and three heights; and what light it is. */
export function LightRing({ light, onChange }: { light: KeyLight; onChange: (light: KeyLight) => void }) {
  return (
    <div className="mt-1 flex items-center gap-5">
      <div role="radiogroup" aria-label="Where the light comes from" className="relative h-[132px] w-[132px] shrink-0">
        <span className="absolute inset-[18px] rounded-full border border-hairline" aria-hidden />
        <span className="absolute inset-0 grid place-items-center text-[12px] text-quiet" aria-hidden>
          figure
        </span>
        {LIGHT_DIRECTIONS.map(({ azimuthDeg, name }, i) => {
          // Evenly around the ring, so that each is easily hit.
          const a = (i * Math.PI) / 4;
          const chosen = light.azimuthDeg === azimuthDeg;
          return (
            <button
              key={azimuthDeg}
              type="button"
              role="radio"
              aria-checked={chosen}
              aria-label={name}
              title={name}
              onClick={() => onChange({ ...light, azimuthDeg })}
              className="absolute grid h-8 w-8 -translate-x-1/2 -translate-y-1/2 place-items-center"
              style={{ left: 66 + 50 * Math.sin(a), top: 66 + 50 * Math.cos(a) }}
            >
              <span
                className={`block rounded-full border-2 border-ink ${chosen ? 'h-5 w-5 bg-[var(--ochre)]' : 'h-3 w-3 bg-ground'}`}
              />
            </button>
          );
        })}
      </div>
      <div className="flex flex-col items-start gap-3">
        <div role="radiogroup" aria-label="How high the light stands" className="flex flex-wrap gap-2">
          {[...LIGHT_HEIGHTS].reverse().map(({ elevationDeg, name }) => (
            <button
              key={elevationDeg}
              type="button"
              role="radio"
              aria-checked={light.elevationDeg === elevationDeg}
              onClick={() => onChange({ ...light, elevationDeg })}
              className={`btn btn-sm max-sm:h-12 ${light.elevationDeg === elevationDeg ? 'border-ink bg-sheet font-semibold' : 'btn-quiet'}`}
            >
              {name}
            </button>
          ))}
        </div>
        <select
          className="select w-auto select-sm max-sm:h-14"
          aria-label="Kind of light"
          value={light.source ?? 'studio'}
          onChange={(event) => onChange({ ...light, source: event.target.value as LightSource })}
        >
          {LIGHT_SOURCES.map((source) => (
            <option key={source} value={source}>
              {SOURCE_WORDS[source]}
            </option>
          ))}
        </select>
      </div>
    </div>
  );
}
