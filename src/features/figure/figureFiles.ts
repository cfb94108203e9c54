import encode from 'png-chunks-encode';
import extract from 'png-chunks-extract';
import text from 'png-chunk-text';

/** Keyword under which a PNG carries its pose. */
const POSE_KEYWORD = 'fox-minute-figure';

/**
 * A picture as PNG with the figure it shows written into it as a tEXt chunk.
 * @param poseJson The figure's reference and pose, ASCII.
 */
export async function pngWithPose(picture: Blob, poseJson: string): Promise<Blob> {
  const bitmap = await createImageBitmap(picture);
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d');
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
  chunks.splice(-1, 0, text.encode(POSE_KEYWORD, content));
  return encode(chunks);
}

/** The answer key as a file of its own: the colors it has on the screen written out, on a plain ground. */
export function svgFile(svg: SVGSVGElement): Blob {
  const style = getComputedStyle(document.documentElement);
  const markup = new XMLSerializer()
    .serializeToString(svg)
    .replace(/ class="[^"]*"/g, '')
    .replaceAll('font-family="inherit"', 'font-family="Atkinson Hyperlegible Next, sans-serif"')
    .replace(/var\((--[\w-]+)\)/g, (_, name: string) => style.getPropertyValue(name).trim());
  return new Blob([markup], { type: 'image/svg+xml' });
}
