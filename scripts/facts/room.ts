// Made-up rooms, things in them, and how a camera sees them in poor light.
import sharp from 'sharp';

/** A made-up room behind the figure: wall, floor, a window or a door, so that the ground is not empty. */
export function room(width: number, height: number, random: () => number): string {
  const hue = Math.floor(random() * 360);
  const wall = `hsl(${String(hue)} ${String(10 + random() * 25)}% ${String(35 + random() * 50)}%)`;
  const floor = `hsl(${String((hue + 40) % 360)} 20% ${String(25 + random() * 40)}%)`;
  const horizon = height * (0.55 + random() * 0.25);
  const x = random() * width * 0.8;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${String(width)}" height="${String(height)}"><rect width="100%" height="100%" fill="${wall}"/><rect y="${String(horizon)}" width="100%" height="100%" fill="${floor}"/><rect x="${String(x)}" y="${String(height * 0.08)}" width="${String(width * 0.22)}" height="${String(height * 0.4)}" fill="hsl(${String((hue + 180) % 360)} 15% ${String(20 + random() * 60)}%)"/></svg>`;
}

/** Something in a room that is no person: an animal on four legs, a bird, a chair, a lamp, a coat on a stand, a tree. */
export function thing(width: number, height: number, random: () => number): string {
  const at = (x: number, y: number): [string, string] => [(x * width).toFixed(0), (y * height).toFixed(0)];
  const dark = `hsl(${String(Math.floor(random() * 360))} ${String(10 + random() * 30)}% ${String(15 + random() * 35)}%)`;
  const light = `hsl(30 ${String(10 + random() * 30)}% ${String(55 + random() * 30)}%)`;
  const size = 0.5 + random() * 0.5;
  const [x0, floor] = [0.5 + (random() - 0.5) * 0.3, 0.88];
  const line = (x1: number, y1: number, x2: number, y2: number, w: number, color = dark): string => {
    const [[a, b], [c, d]] = [at(x0 + x1 * size, floor - y1 * size), at(x0 + x2 * size, floor - y2 * size)];
    return `<path d="M${a} ${b}L${c} ${d}" stroke="${color}" stroke-width="${(w * size * width).toFixed(0)}" stroke-linecap="round"/>`;
  };
  const blob = (x: number, y: number, rx: number, ry: number, color = dark): string => {
    const [cx, cy] = at(x0 + x * size, floor - y * size);
    return `<ellipse cx="${cx}" cy="${cy}" rx="${(rx * size * width).toFixed(0)}" ry="${(ry * size * height).toFixed(0)}" fill="${color}"/>`;
  };
  const kinds = [
    // Four legs, a neck, a head, a tail.
    () =>
      [-0.22, -0.14, 0.14, 0.22].map((x) => line(x, 0.3, x + 0.02, 0, 0.045)).join('') +
      blob(0, 0.38, 0.28, 0.12) +
      line(0.24, 0.42, 0.34, 0.6, 0.09) +
      blob(0.39, 0.63, 0.09, 0.05) +
      line(-0.28, 0.42, -0.38, 0.28, 0.03),
    // A bird that stands upright.
    () =>
      line(-0.03, 0.12, -0.03, 0, 0.015) +
      line(0.04, 0.12, 0.04, 0, 0.015) +
      blob(0, 0.3, 0.13, 0.2) +
      blob(0.03, 0.56, 0.07, 0.07) +
      line(0.09, 0.56, 0.16, 0.54, 0.02, light) +
      blob(0.01, 0.27, 0.07, 0.14, light),
    // A chair.
    () =>
      [-0.15, 0.15].map((x) => line(x, 0.3, x, 0, 0.03)).join('') +
      line(-0.15, 0.3, 0.15, 0.3, 0.04) +
      line(-0.15, 0.7, -0.15, 0.3, 0.03) +
      line(0.15, 0.7, 0.15, 0.3, 0.03) +
      line(-0.15, 0.6, 0.15, 0.6, 0.05) +
      line(-0.15, 0.48, 0.15, 0.48, 0.03),
    // A standing lamp.
    () => line(0, 0.75, 0, 0, 0.02) + line(-0.1, 0.01, 0.1, 0.01, 0.03) + blob(0, 0.82, 0.13, 0.1, light),
    // A coat on a stand: shoulders, sleeves, nobody in it.
    () =>
      line(0, 0.85, 0, 0, 0.02) +
      blob(0, 0.5, 0.13, 0.25, light) +
      line(-0.12, 0.68, -0.2, 0.4, 0.07, light) +
      line(0.12, 0.68, 0.2, 0.4, 0.07, light) +
      blob(0, 0.86, 0.03, 0.02),
    // A tree.
    () =>
      line(0, 0.45, 0, 0, 0.06) +
      line(0, 0.4, 0.14, 0.55, 0.03) +
      blob(0, 0.66, 0.22, 0.2, light) +
      blob(-0.12, 0.56, 0.12, 0.1, light),
    // Nothing at all.
    () => '',
  ];
  return kinds[Math.floor(random() * kinds.length)]();
}

/** A picture as a camera gives it in poor light, as JPEG: grain, a little blur, more or less bright. */
export async function grainy(picture: Buffer, width: number, height: number, random: () => number): Promise<Buffer> {
  const grain = Buffer.from(Array.from({ length: width * height * 3 }, () => 128 + Math.round((random() - 0.5) * 40)));
  const noise = await sharp(grain, { raw: { width, height, channels: 3 } })
    .png()
    .toBuffer();
  return sharp(picture)
    .composite([{ input: noise, blend: 'soft-light' }])
    .blur(0.6)
    .modulate({ brightness: 0.6 + random() * 0.6 })
    .jpeg({ quality: 84 })
    .toBuffer();
}
