import sharp from 'sharp';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { draftPicture } from '@/core/figure/picture/draft';
import { FINE } from '@/core/figure/forms';
import { parseFigureReference } from '@/core/figure/catalogue/reference';
import { KIT } from './kit';
const [out, form, ...ids] = process.argv.slice(2);
const cells = []; let x = 0;
for (const id of ids) {
  const r = parseFigureReference(id)!;
  const f = referenceFigure(KIT, r, FINE, { form: form as any });
  const { width, height, data } = draftPicture(f, r.view, { longSidePx: 700, ground: true, look: form as any, light: { azimuthDeg: -58, elevationDeg: 46 } });
  cells.push({ input: await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } }).png().toBuffer(), left: x, top: 0 }); x += width;
}
await sharp({ create: { width: x, height: 700, channels: 3, background: '#efe9de' } }).composite(cells).png().toFile(out);
