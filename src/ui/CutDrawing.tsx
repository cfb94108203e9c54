import type { SheetBox } from '@/core/desk/readingOrder';

/** A drawing cut out of a picture of its sheet, as tall as told, as wide as allowed, and never wider than its place. */
export function CutDrawing({
  url,
  aspect,
  box,
  tall,
  widest = Infinity,
  alt = '',
}: {
  /** The straightened sheet. */
  url: string | undefined;
  /** Width over height of the straightened sheet. */
  aspect: number;
  /** Where it is, shares of the sheet. */
  box: SheetBox;
  /** Pixels. */
  tall: number;
  /** Pixels. */
  widest?: number;
  alt?: string;
}) {
  const shape = (box.width * aspect) / box.height;
  return (
    <div
      className={`relative max-w-full shrink-0 overflow-hidden border border-hairline ${url ? '' : 'skeleton'}`}
      style={{ width: Math.min(widest, tall * shape), aspectRatio: shape }}
    >
      {url && (
        <img
          src={url}
          alt={alt}
          decoding="async"
          className="absolute max-w-none"
          style={{
            width: `${String(100 / box.width)}%`,
            height: `${String(100 / box.height)}%`,
            left: `${String((-100 * box.x) / box.width)}%`,
            top: `${String((-100 * box.y) / box.height)}%`,
          }}
        />
      )}
    </div>
  );
}
