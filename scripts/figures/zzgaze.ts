import sharp from 'sharp';
import { poseBody } from '@/core/figure/posedBody';
import { buildFigure } from '@/core/figure/figure';
import { draftPicture } from '@/core/figure/picture/draft';
import { poseOf } from '@/core/figure/catalogue/reference';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { partHeading } from '@/core/figure/picture/view';
import { KIT } from './kit';
const [out, ...ids] = process.argv.slice(2);
const cells = [];
let x = 0;
for (const id of ids) {
  const [p, b, az] = id.split('/');
  const f = buildFigure(KIT, poseOf(p).pose, BUILDS[b as 'masc'], { levels: 2, directions: 48 }, { part: 'head' });
  const { width, height, data } = draftPicture(f, { azimuthDeg: partHeading(f.rig, 'head') + Number(az), elevationDeg: 2, lensDeg: 20 }, { longSidePx: 640, ground: false, light: { azimuthDeg: -40, elevationDeg: 40 } });
  const png = await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } }).png().toBuffer();
  cells.push({ input: png, left: x, top: 0 }); x += width;
}
await sharp({ create: { width: x, height: 640, channels: 3, background: '#efe9de' } }).composite(cells).png().toFile(out);
