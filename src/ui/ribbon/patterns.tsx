import type { RibbonFamily } from '@/core/practice/time/ribbon';

export const FAMILY_COLOR: Record<RibbonFamily, string> = {
  quick: 'var(--charcoal)',
  lines: 'var(--ochre)',
  seeing: 'var(--slate)',
  memory: 'var(--plum)',
  light: 'var(--umber)',
  body: 'var(--moss)',
  rest: 'var(--moss)',
};

export const isNotch = (family: RibbonFamily): boolean => family === 'body' || family === 'rest';

/** Families differ by pattern as well as by hue. `id` keeps several ribbons on a page apart. */
export function RibbonPatterns({ id }: { id: string }) {
  const sheet = 'var(--sheet)';
  return (
    <defs>
      <pattern id={`${id}-quick`} width="40" height="9" patternUnits="userSpaceOnUse">
        <rect width="40" height="9" fill="var(--charcoal)" />
        <path d="M0 3.2h17M23 6.6h15" stroke="var(--ground)" strokeOpacity=".2" strokeWidth=".9" />
      </pattern>
      <pattern id={`${id}-lines`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(38)">
        <rect width="6" height="6" fill={sheet} />
        <path d="M1.4 0V6" stroke="var(--ochre)" strokeWidth="2.3" />
      </pattern>
      <pattern id={`${id}-memory`} width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" fill={sheet} />
        <circle cx="2" cy="2" r="1.75" fill="var(--plum)" />
        <circle cx="6" cy="6" r="1.75" fill="var(--plum)" />
      </pattern>
      <pattern id={`${id}-seeing`} width="14" height="7" patternUnits="userSpaceOnUse">
        <rect width="14" height="7" fill={sheet} />
        <path d="M-1 5Q3 .2 7 3.5T15 3" fill="none" stroke="var(--slate)" strokeWidth="2.1" />
      </pattern>
      <pattern id={`${id}-light`} width="10" height="10" patternUnits="userSpaceOnUse">
        <rect width="10" height="10" fill={sheet} />
        <path
          d="M0 1.2h4.4M0 3.6h4.4M5.6 6.2H10M5.6 8.6H10M6.4 0v4.6M8.8 0v4.6M1.2 5.2V10M3.6 5.2V10"
          stroke="var(--umber)"
          strokeWidth="1.2"
        />
      </pattern>
      <pattern id={`${id}-body`} width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" fill="var(--moss)" />
      </pattern>
      <pattern id={`${id}-rest`} width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" fill="var(--moss)" />
      </pattern>
    </defs>
  );
}
