// Contact sheet of figures, drawn in plain code: tsx scripts/figures/sheet.ts OUT.png [columns id id ...]
// Without ids, the first view of every pose in the sets.
import sharp from 'sharp';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { draftPicture } from '@/core/figure/picture/draft';
import { COARSE } from '@/core/figure/forms';
import { POSE_SLUGS } from '@/core/figure/poses/poses';
import { parseFigureReference, poseOf, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import { KIT } from './kit';

const CELL = [170, 190] as const;
const [out, columnsText = '12', ...asked] = process.argv.slice(2);
const columns = Number(columnsText);
const firsts = POSE_SLUGS.map((slug) => SET_FIGURES.find(({ poseId }) => poseId === slug)).filter(
  (f) => f !== undefined,
);
const ids = asked.length > 0 ? asked : firsts.map(figureReferenceId);
const rows = Math.ceil(ids.length / columns);
const cells = await Promise.all(
  ids.map(async (id, i) => {
    const reference = parseFigureReference(id);
    if (!reference) throw new Error(`not a figure: ${id}`);
    const figure = referenceFigure(KIT, reference, COARSE);
    const { width, height, data } = draftPicture(figure, reference.view, {
      longSidePx: 164,
      ground: true,
    });
    const label = Buffer.from(
      `<svg width="${String(CELL[0])}" height="16"><text x="4" y="12" font-family="sans-serif" font-size="9">${poseOf(reference.poseId).name.replace('&', '&amp;')}</text></svg>`,
    );
    const picture = await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } })
      .png()
      .toBuffer();
    const [left, top] = [(i % columns) * CELL[0], Math.floor(i / columns) * CELL[1]];
    return [
      { input: picture, left: left + Math.floor((CELL[0] - width) / 2), top: top + CELL[1] - 16 - height },
      { input: label, left, top: top + CELL[1] - 16 },
    ];
  }),
);
await sharp({ create: { width: columns * CELL[0], height: rows * CELL[1], channels: 3, background: '#f5efe4' } })
  .composite(cells.flat())
  .png({ palette: true, colors: 128 })
  .toFile(out);
