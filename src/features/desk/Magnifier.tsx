/** Its size in pixels, and how much it magnifies. */
const LENS_PX = 150;
const MAGNIFIED = 3.5;

/** A picture around a place that is dragged, magnified, with a cross on it; out of the way of the hand. */
export function Magnifier({
  url,
  at: [x, y],
  width,
  height,
  left,
}: {
  url: string;
  /** Shares of the whole picture. */
  at: readonly [x: number, y: number];
  /** How large the whole picture is shown, CSS pixels. */
  width: number;
  height: number;
  /** It stands on the left, as the place is on the right. */
  left: boolean;
}) {
  const [wide, tall] = [width * MAGNIFIED, height * MAGNIFIED];
  return (
    <div
      aria-hidden
      className={`pointer-events-none absolute top-2 overflow-hidden rounded-full border-2 border-ink bg-sheet ${left ? 'left-2' : 'right-2'}`}
      style={{ width: LENS_PX, height: LENS_PX }}
    >
      <img
        src={url}
        alt=""
        className="absolute max-w-none"
        style={{ width: wide, height: tall, left: LENS_PX / 2 - x * wide, top: LENS_PX / 2 - y * tall }}
      />
      <svg viewBox="0 0 2 2" className="absolute inset-0 h-full w-full">
        <path d="M1 0.7V1.3M0.7 1H1.3" stroke="var(--russet)" strokeWidth={0.03} />
      </svg>
    </div>
  );
}
