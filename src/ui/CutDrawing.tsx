import type { SheetBox } from '@/core/desk/readingOrder';

/** A drawing cut out of a picture of its sheet, as tall as told or as wide as allowed. */
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
  const width = Math.min(widest, tall * shape);
  const height = width / shape;
  return (
    <div
      className={`relative max-w-full shrink-0 overflow-hidden border border-hairline ${url ? '' : 'skeleton'}`}
      style={{ width, height }}
    >
      {url && (
        <img
          src={url}
          alt={alt}
          decoding="async"
          className="absolute max-w-none"
          style={{
            width: width / box.width,
            height: height / box.height,
            left: (-box.x * width) / box.width,
            top: (-box.y * height) / box.height,
          }}
        />
      )}
    </div>
  );
}
