import { clamp } from '../clamp';
import { type Material, NATURES } from '../hand/ink';
import type { InkStroke } from './inkStroke';
import { markOf } from './inkStroke';
import { darknessOf, halfMmOf, meanPress, ringPath, strokeOutline, strokePieces } from './outline';

export interface SheetMm {
  widthMm: number;
  heightMm: number;
}

/** Written into XML. */
const written = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c);

const PAPER = '#fbf8f1';

/**
 * A sheet as an SVG file: every stroke a shape of its own, in millimeters, rubbed-out places in the color of the paper.
 * @param strokes As they are seen, in the order they were made.
 */
export function sheetSvg(strokes: readonly InkStroke[], { widthMm, heightMm }: SheetMm, title: string): string {
  const shapes = strokes.map((stroke) => {
    const { points } = markOf(stroke);
    const path = strokePieces(points.length)
      .map(([from, to], i, all) => ringPath(strokeOutline(points.slice(from, to), stroke, i === all.length - 1)))
      .join('');
    const fill = stroke.tool === 'eraser' ? PAPER : `rgb(${NATURES[stroke.tool].color.join(',')})`;
    const dark = stroke.tool === 'eraser' ? 1 : inkAlpha(stroke.tool, meanPress(points));
    return `<path d="${path}" fill="${fill}" fill-opacity="${dark.toFixed(2)}"/>`;
  });
  const size = `width="${widthMm.toFixed(1)}mm" height="${heightMm.toFixed(1)}mm"`;
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" ${size} viewBox="0 0 ${widthMm.toFixed(1)} ${heightMm.toFixed(1)}">`,
    `<title>${written(title)}</title>`,
    `<rect width="100%" height="100%" fill="${PAPER}"/>`,
    ...shapes,
    '</svg>',
    '',
  ].join('\n');
}

/** How much a stroke covers what is under it, 0 to 1, by how hard it was pressed. */
export const inkAlpha = (tool: Material, press: number): number =>
  darknessOf(tool) * (1 - NATURES[tool].grain * 0.7 * (1 - press));

/**
 * A sheet as InkML (W3C Recommendation of 20 September 2011): traces of X and Y in millimeters, F as a share of full pressure, T in
 * milliseconds of the drawing's own time.
 */
export function sheetInkMl(strokes: readonly InkStroke[], { widthMm, heightMm }: SheetMm): string {
  const tools = [...new Set(strokes.map(({ tool }) => tool))];
  const traces = strokes.map((stroke) => {
    const places = markOf(stroke).points.map(
      // A line that leaves the paper stays on its edge: the file declares the paper's range.
      ([x, y, at, press]) =>
        `${clamp(x, 0, widthMm).toFixed(2)} ${clamp(y, 0, heightMm).toFixed(2)} ${press.toFixed(3)} ${String(Math.round(at))}`,
    );
    return `<trace contextRef="#sheet" brushRef="#${stroke.tool}">${places.join(', ')}</trace>`;
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<ink xmlns="http://www.w3.org/2003/InkML">',
    '<definitions>',
    '<context xml:id="sheet"><inkSource xml:id="pen"><traceFormat>',
    `<channel name="X" type="decimal" units="mm" min="0" max="${widthMm.toFixed(1)}"/>`,
    `<channel name="Y" type="decimal" units="mm" min="0" max="${heightMm.toFixed(1)}"/>`,
    '<channel name="F" type="decimal" units="dev" min="0" max="1"/>',
    '<channel name="T" type="integer" units="ms"/>',
    '</traceFormat></inkSource></context>',
    ...tools.map(
      (tool) =>
        `<brush xml:id="${tool}"><annotation type="tool">${tool}</annotation><brushProperty name="width" value="${(2 * halfMmOf({ tool })).toFixed(2)}" units="mm"/></brush>`,
    ),
    '</definitions>',
    ...traces,
    '</ink>',
    '',
  ].join('\n');
}
