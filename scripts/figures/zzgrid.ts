// zzgrid OUT cols px lightAz relief id...  (id = figure reference id)
import sharp from 'sharp';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { draftPicture } from '@/core/figure/picture/draft';
import { FINE } from '@/core/figure/forms';
import { parseFigureReference, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import { KIT } from './kit';
const [out, cols, px, lightAz, relief, look, ...ids0] = process.argv.slice(2);
const all = SET_FIGURES.map(figureReferenceId);
const ids = ids0.flatMap((x) => { if (x.startsWith('@')) { const [re, from, to] = x.slice(1).split(':'); return all.filter((i) => new RegExp(re).test(i)).slice(Number(from ?? 0), Number(to ?? 999)); } return [x]; });
const N = Number(cols), P = Number(px);
const rows = Math.ceil(ids.length / N);
const items = [];
let i = 0;
for (const id of ids) {
  const r = parseFigureReference(id)!;
  const f = referenceFigure(KIT, r, FINE, { bones: Number(relief) });
  const { width, height, data } = draftPicture(f, r.view, { longSidePx: P - 6, ground: false, look: look as any, light: { azimuthDeg: Number(lightAz), elevationDeg: 46 } });
  const png = await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } }).png().toBuffer();
  const left = (i % N) * P + Math.floor((P - width) / 2), top = Math.floor(i / N) * P + (P - height);
  items.push({ input: png, left, top: top });
  items.push({ input: Buffer.from(`<svg width="${P}" height="14"><text x="2" y="10" font-family="sans-serif" font-size="9">${id.slice(7)}</text></svg>`), left: (i % N) * P, top: Math.floor(i / N) * P });
  i++;
}
await sharp({ create: { width: N * P, height: rows * P, channels: 3, background: '#efe9de' } }).composite(items).png().toFile(out);
