/** Ways to see the picture: in its colors, with half-closed eyes, in grey, or in a few values. */
const SEEN_AS = [
  { id: 'color', label: 'In color' },
  { id: 'squint', label: 'Squinting' },
  { id: 'grey', label: 'In grey' },
  { id: 'values-2', label: 'In 2 values' },
  { id: 'values-3', label: 'In 3 values' },
  { id: 'values-5', label: 'In 5 values' },
] as const;
export type SeenAs = (typeof SEEN_AS)[number]['id'];

export const isSeenAs = (id: string): id is SeenAs => SEEN_AS.some((way) => way.id === id);

/** Until only the large shapes remain. */
const SQUINT = 'blur(1.2dvh)';

/** The CSS filter of a way of seeing; its definitions are drawn once by ValueFilters. */
export const filterOf = (seenAs: SeenAs): string | undefined =>
  seenAs === 'color' ? undefined : seenAs === 'squint' ? SQUINT : `url(#seen-${seenAs})`;

/** Rec. 709 luminance into all three channels. */
const LUMINANCE = '0.2126 0.7152 0.0722 0 0  0.2126 0.7152 0.0722 0 0  0.2126 0.7152 0.0722 0 0  0 0 0 1 0';
const steps = (n: number): string => Array.from({ length: n }, (_, i) => (i / (n - 1)).toFixed(3)).join(' ');

/** Before values are parted they flow together over so many pixels: shapes, and no specks along their edges. */
const PARTED_PX = 1.1;

/** The address of the filter that leaves so many values. */
export const valuesFilter = (values: number, name = 'seen'): string => `${name}-values-${String(values)}`;

/**
 * Definitions of the filters: luminance, then as many steps as there are values.
 * @param threshold Where light and dark part, 0 to 1: values below it come out in the darker half, whatever their number.
 */
export function ValueFilters({ name = 'seen', threshold = 0.5 }: { name?: string; threshold?: number }) {
  const bend = Math.log(0.5) / Math.log(threshold);
  return (
    <svg width="0" height="0" aria-hidden className="absolute">
      {[0, 2, 3, 5].map((n) => (
        <filter key={n} id={n === 0 ? `${name}-grey` : valuesFilter(n, name)} colorInterpolationFilters="sRGB">
          {n > 0 && <feGaussianBlur stdDeviation={PARTED_PX} />}
          <feColorMatrix type="matrix" values={LUMINANCE} />
          {n > 0 && bend !== 1 && (
            <feComponentTransfer>
              <feFuncR type="gamma" exponent={bend} />
              <feFuncG type="gamma" exponent={bend} />
              <feFuncB type="gamma" exponent={bend} />
            </feComponentTransfer>
          )}
          {n > 0 && (
            <feComponentTransfer>
              <feFuncR type="discrete" tableValues={steps(n)} />
              <feFuncG type="discrete" tableValues={steps(n)} />
              <feFuncB type="discrete" tableValues={steps(n)} />
            </feComponentTransfer>
          )}
        </filter>
      ))}
    </svg>
  );
}

/** The choice of a way of seeing. */
export function SeenAsChoice({
  value,
  onChange,
  className = '',
}: {
  value: SeenAs;
  onChange: (seenAs: SeenAs) => void;
  className?: string;
}) {
  return (
    <select
      className={`select w-auto select-sm ${className}`}
      aria-label="How the picture is seen"
      value={value}
      onChange={(event) => onChange(event.target.value as SeenAs)}
    >
      {SEEN_AS.map(({ id, label }) => (
        <option key={id} value={id}>
          {label}
        </option>
      ))}
    </select>
  );
}
