'use client';
import { useEffect, useState } from 'react';
import { type Lights, lightsOf } from '@/core/seeing/lights';
import type { Point } from '@/core/desk/quad';

/** Long side on which light and dark are looked at, pixels. */
const LOOK_PX = 640;

/** A figure in a picture, by its rings: shares of the picture's width and height, what is between limbs left out. */
export interface Ringed {
  url: string;
  outline: readonly (readonly Point[])[];
  between: readonly (readonly Point[])[];
}

async function lightsIn({ url, outline, between }: Ringed): Promise<Lights> {
  const picture = new Image();
  picture.src = url;
  await picture.decode();
  const k = LOOK_PX / Math.max(picture.naturalWidth, picture.naturalHeight);
  const [width, height] = [Math.round(picture.naturalWidth * k), Math.round(picture.naturalHeight * k)];
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no 2D canvas');
  const traced = (rings: readonly (readonly Point[])[]): void => {
    context.beginPath();
    for (const ring of rings) {
      ring.forEach(([x, y], i) =>
        i === 0 ? context.moveTo(x * width, y * height) : context.lineTo(x * width, y * height),
      );
      context.closePath();
    }
  };
  traced(outline);
  context.fill();
  context.globalCompositeOperation = 'destination-out';
  traced(between);
  context.fill();
  const mask = context.getImageData(0, 0, width, height).data;
  const inside = Uint8Array.from({ length: width * height }, (_, i) => (mask[i * 4 + 3] > 127 ? 1 : 0));
  context.globalCompositeOperation = 'copy';
  context.drawImage(picture, 0, 0, width, height);
  const ys = outline.flat().map(([, y]) => y * height);
  const { data } = context.getImageData(0, 0, width, height);
  const found = lightsOf({ width, height, data }, inside, Math.max(...ys) - Math.min(...ys));
  const shared = ({ x, y, ...area }: NonNullable<Lights['brightest']>): typeof area & Record<'x' | 'y', number> => ({
    ...area,
    x: x / width,
    y: y / height,
  });
  return { ...found, brightest: found.brightest && shared(found.brightest), rivals: found.rivals.map(shared) };
}

/** The lights of a figure, places as shares of its picture; undefined while they are looked for and where nothing is asked. */
export function useLights(ringed: Ringed | undefined): Lights | undefined {
  const [found, setFound] = useState<{ of: Ringed; lights: Lights }>();
  useEffect(() => {
    if (!ringed) return;
    let current = true;
    lightsIn(ringed).then(
      (lights) => current && setFound({ of: ringed, lights }),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [ringed]);
  return found?.of === ringed ? found?.lights : undefined;
}
