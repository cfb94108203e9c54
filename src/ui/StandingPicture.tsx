import { catalogued } from '@/core/figure/catalogue/catalogue';
import { parsePictureReference } from '@/core/references/picture';

const TALLEST_PX = 104;
/** In a narrow cell a figure may lean over its neighbors by this much. */
const SPILL = 1.3;
const SMALL_CELL_PX = 34;

/** A reference standing on its cell: a cut-out figure, or a small print of a picture. In small cells every other one is left out. */
export function StandingPicture({
  referenceId,
  url,
  width,
  every,
}: {
  referenceId: string | null;
  /** Its small picture. */
  url: string | undefined;
  width: number;
  every: number;
}) {
  if (referenceId === null || !url) return null;
  if (width < SMALL_CELL_PX && every % 2 === 1) return null;
  const room = width < SMALL_CELL_PX ? width * 2 : width;
  if (parsePictureReference(referenceId))
    return (
      <img src={url} alt="" className="mb-1 border border-rule" style={{ maxHeight: '90%', maxWidth: room * 0.92 }} />
    );
  const [w, h] = catalogued(referenceId)?.small ?? [1, 2];
  const height = Math.min(TALLEST_PX, (room * SPILL * h) / w);
  return <img src={url} alt="" className="max-h-full max-w-none shrink-0" style={{ height, width: 'auto' }} />;
}
