import sharp from 'sharp';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { draftPicture } from '@/core/figure/picture/draft';
import { FINE } from '@/core/figure/forms';
import { SET_FIGURES } from '@/core/figure/catalogue/reference';
import { KIT } from './kit';
const sums: Record<string, number> = {}; let n = 0;
for (let i = 0; i < SET_FIGURES.length; i += 17) {
  const r = SET_FIGURES[i]; n++;
  const f = referenceFigure(KIT, r, FINE);
  const { width, height, data } = draftPicture(f, r.view, { longSidePx: 320, ground: false });
  for (const [q, a, s] of [[78, 80, false], [72, 60, false], [70, 50, true], [74, 40, true], [66, 60, true]] as const) {
    const b = await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } }).webp({ quality: q, alphaQuality: a, effort: 6, smartSubsample: s }).toBuffer();
    sums[`${q},${a},${s}`] = (sums[`${q},${a},${s}`] ?? 0) + b.length;
  }
}
for (const [k, v] of Object.entries(sums)) console.log(k, (v / n / 1000).toFixed(2));
