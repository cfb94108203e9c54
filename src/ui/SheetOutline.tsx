import type { Corners } from '@/core/desk/quad';

/** The edges of a sheet over the photograph it lies in. @param corners Shares of the photograph. */
export function SheetOutline({ corners }: { corners: Corners }) {
  return (
    <svg
      viewBox="0 0 1 1"
      preserveAspectRatio="none"
      className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
    >
      <path
        d={`M${corners.map(([x, y]) => `${String(x)} ${String(y)}`).join('L')}Z`}
        fill="none"
        stroke="var(--russet)"
        strokeWidth={3}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
