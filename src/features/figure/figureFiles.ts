import encode from 'png-chunks-encode';
import { parse } from 'opentype.js';
import extract from 'png-chunks-extract';
import text from 'png-chunk-text';
import { FIGURE_KEYWORD } from '@/core/interchange/figurePicture';

/**
 * A picture as PNG with the figure it shows written into it as a tEXt chunk.
 * @param poseJson The figure's reference and pose, ASCII.
 */
export async function pngWithPose(picture: Blob, poseJson: string): Promise<Blob> {
  const bitmap = await createImageBitmap(picture);
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no canvas');
  context.fillStyle = '#e9e5dc';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  const png = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
  return new Blob([withText(png, poseJson) as Uint8Array<ArrayBuffer>], { type: 'image/png' });
}

/** Put a text chunk before a PNG's end. */
function withText(png: Uint8Array, content: string): Uint8Array {
  const chunks = extract(png);
  chunks.splice(-1, 0, text.encode(FIGURE_KEYWORD, content));
  return encode(chunks);
}

/** Labels keep so far from the edge of the page, its own units. */
const MARGIN = 6;
/** The font of labels, as outlines: a file shows them as they are, whatever is installed where it is opened. */
const FONT = new URL(
  '../../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff',
  import.meta.url,
).href;

/** How far a stretch must be moved to lie within a page, from its edge. */
const inward = (from: number, to: number, size: number): number =>
  from < MARGIN ? MARGIN - from : Math.min(0, size - MARGIN - to);

/** Texts of a drawing as paths, each moved inside the page where it would stand out over it. */
async function outlineTexts(svg: SVGSVGElement): Promise<void> {
  const texts = [...svg.querySelectorAll('text')];
  if (texts.length === 0) return;
  const font = parse(await (await fetch(FONT)).arrayBuffer());
  const { x, width, height } = svg.viewBox.baseVal;
  for (const text of texts) {
    const words = text.textContent;
    const number = (name: string): number => Number(text.getAttribute(name) ?? 0);
    const size = number('font-size');
    const anchor = text.getAttribute('text-anchor');
    const wide = font.getAdvanceWidth(words, size);
    const left = number('x') - (anchor === 'middle' ? wide / 2 : anchor === 'end' ? wide : 0);
    const box = font.getPath(words, left, number('y'), size).getBoundingBox();
    const outlined = font.getPath(
      words,
      left + inward(box.x1 - x, box.x2 - x, width),
      number('y') + inward(box.y1, box.y2, height),
      size,
    );
    const path = document.createElementNS(svg.namespaceURI, 'path');
    for (const { name, value } of text.attributes)
      if (!['x', 'y', 'font-size', 'font-family', 'text-anchor', 'class'].includes(name))
        path.setAttribute(name, value);
    path.setAttribute('d', outlined.toPathData(1));
    path.setAttribute('aria-label', words);
    text.replaceWith(path);
  }
}

/** The answer key as a file of its own: the colors it has on the screen written out, labels as outlines inside the page, on a plain ground. */
export async function svgFile(shown: SVGSVGElement): Promise<Blob> {
  const style = getComputedStyle(document.documentElement);
  const svg = shown.cloneNode(true) as SVGSVGElement;
  await outlineTexts(svg);
  const markup = new XMLSerializer()
    .serializeToString(svg)
    .replace(/ class="[^"]*"/g, '')
    .replace(/var\((--[\w-]+)\)/g, (_, name: string) => style.getPropertyValue(name).trim());
  return new Blob([markup], { type: 'image/svg+xml' });
}
