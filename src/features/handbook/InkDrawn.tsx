'use client';
import { useEffect, useRef } from 'react';
import { emptySheet, layInk, type Material, NATURES } from '@/core/hand/ink';
import type { HandDrawing } from '@/core/hand/stroke';
import { seededRandom } from '@/core/random';

/** The sheet that a drawing in each material stands on is so tall, millimeters: broad ones are for large sheets. */
const SHEET_MM: Record<Material, number> = { graphite: 105, ballpoint: 105, charcoal: 200, brush: 150 };
/** It has so many pixels in its height. */
const SHEET_PX = 420;
/** Red, green and blue of the paper: ink is laid on paper, at night too. */
const PAPER = [247, 243, 234] as const;

/** A drawing by hand in a material, on paper. */
export function InkDrawn({
  drawing,
  material,
  height,
  label,
}: {
  drawing: HandDrawing;
  material: Material;
  /** CSS pixels. */
  height: number;
  label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const width = (height * drawing.width) / drawing.height;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!canvas.current || !context) return;
    const tallMm = SHEET_MM[material];
    const wideMm = (tallMm * drawing.width) / drawing.height;
    const sheet = emptySheet(wideMm, tallMm, SHEET_PX / tallMm, seededRandom(1));
    const scale = sheet.height / drawing.height;
    const strokes = drawing.strokes.map((stroke) => ({
      ...stroke,
      points: stroke.points.map(([x, y, at, press]) => [x * scale, y * scale, at, press] as const),
    }));
    layInk(sheet, strokes, material);
    const { color } = NATURES[material];
    const image = new ImageData(sheet.width, sheet.height);
    sheet.ink.forEach((ink, i) => {
      for (let c = 0; c < 3; c++) image.data[4 * i + c] = PAPER[c] + ink * (color[c] - PAPER[c]);
      image.data[4 * i + 3] = 255;
    });
    canvas.current.width = sheet.width;
    canvas.current.height = sheet.height;
    context.putImageData(image, 0, 0);
  }, [drawing, material]);
  return <canvas ref={canvas} role="img" aria-label={label} style={{ width, height }} />;
}
