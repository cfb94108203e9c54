import sharp from 'sharp';
import { drawnSheet, photographed } from '../../tests/desk/camera';
const { photo } = photographed(drawnSheet({ seed: 5, figures: 2, widthMm: 297, heightMm: 210 }), { seed: 4, desk: 'dark', width: 1200, height: 900 });
await sharp(Buffer.from(photo.data.buffer), { raw: { width: photo.width, height: photo.height, channels: 4 } }).jpeg({ quality: 60 }).toFile('tests/fixtures/sheet.jpg');
