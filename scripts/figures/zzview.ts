// zzview OUT build poseId|- az,az.. el size crop(x0,y0,x1,y1 shares) look lightAz
import sharp from 'sharp';
import { buildFigure } from '@/core/figure/figure';
import { draftPicture } from '@/core/figure/picture/draft';
import { poseOf } from '@/core/figure/catalogue/reference';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { KIT } from './kit';
const [out, builds, poseIds, azs, el = '6', size = '900', crop = '0,0,1,1', look = 'clay', lightAz='-58', levels='1', relief='1'] = process.argv.slice(2);
const cells: { png: Buffer; w: number; h: number }[] = [];
for (const b of builds.split(','))
  for (const p of poseIds.split(','))
    for (const az of azs.split(',')) {
      const pose = p === '-' ? {} : poseOf(p).pose;
      const f = (buildFigure as any)(KIT, pose, BUILDS[b as 'masc'], { levels: Number(levels), directions: 48 }, { bones: Number(relief), part: p === '-' ? undefined : poseOf(p).part });
      const { width, height, data } = draftPicture(f, { azimuthDeg: Number(az), elevationDeg: Number(el), lensDeg: 22 }, { longSidePx: Number(size), ground: false, look: look as any, light: { azimuthDeg: Number(lightAz), elevationDeg: 46 } });
      const [x0, y0, x1, y1] = crop.split(',').map(Number);
      const left = Math.round(x0 * width), top = Math.round(y0 * height), w = Math.round((x1 - x0) * width), h = Math.round((y1 - y0) * height);
      const png = await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } }).extract({ left, top, width: w, height: h }).flatten({ background: '#efe9de' }).png().toBuffer();
      cells.push({ png, w, h });
    }
const W = cells.reduce((t, c) => t + c.w, 0), H = Math.max(...cells.map((c) => c.h));
let x = 0;
await sharp({ create: { width: W, height: H, channels: 3, background: '#efe9de' } }).composite(cells.map((c) => { const r = { input: c.png, left: x, top: H - c.h }; x += c.w; return r; })).png().toFile(out);
