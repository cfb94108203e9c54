import { behindWindow, type Pictured, type Window } from '@/core/desk/pair';
import type { Point } from '@/core/desk/quad';
import type { Lights } from '@/core/seeing/lights';

/** What lies over a picture behind its window: shapes between the limbs in one flat tone, the brightest light and its rivals. */
export function OverPicture({
  pictured,
  window,
  shapes,
  lights,
}: {
  pictured: Pictured;
  window: Window;
  /** Rings, shares of the picture. */
  shapes: readonly (readonly Point[])[];
  lights: Lights | undefined;
}) {
  const { width, height } = pictured;
  const size = (pictured.bottom - pictured.top) * 0.05;
  const circle = (light: { x: number; y: number }, rival: boolean) => (
    <circle
      key={`${String(light.x)} ${String(light.y)}`}
      cx={light.x * width}
      cy={light.y * height}
      r={size}
      fill="none"
      stroke="var(--russet)"
      strokeWidth={rival ? 1.6 : 3}
      strokeDasharray={rival ? '3 3' : undefined}
      vectorEffect="non-scaling-stroke"
    />
  );
  return (
    <svg
      viewBox={`0 0 ${String(width)} ${String(height)}`}
      className="pointer-events-none absolute overflow-visible"
      style={behindWindow(pictured, window)}
      aria-hidden
    >
      {shapes.map((ring, i) => (
        <path
          key={i}
          d={`M${ring.map(([x, y]) => `${(x * width).toFixed(1)} ${(y * height).toFixed(1)}`).join('L')}Z`}
          fill="var(--slate)"
          fillOpacity={0.8}
        />
      ))}
      {lights?.brightest && circle(lights.brightest, false)}
      {lights?.rivals.map((light) => circle(light, true))}
    </svg>
  );
}
