import { clamp } from '../clamp';

/** A rectangle in pixels. */
export interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** How a picture is turned in its place. */
export interface Turned {
  zoom: number;
  /** Shift of its middle, as shares of its unzoomed size. */
  panX: number;
  panY: number;
  mirrored: boolean;
  upsideDown: boolean;
}

/**
 * The largest place of a picture inside a frame, whole.
 * @param lean Where it stands in the room that is left over sideways: 0 left, 1 right.
 */
export function placeIn(frame: Rect, widthPx: number, heightPx: number, lean: number): Rect {
  const scale = Math.min(frame.width / widthPx, frame.height / heightPx);
  const width = widthPx * scale;
  const height = heightPx * scale;
  return { x: frame.x + (frame.width - width) * lean, y: frame.y + (frame.height - height) / 2, width, height };
}

/** Inside the clock at the edge, pixels. */
const MARGIN = { x: 34, y: 30 };
/** Below this width words and picture do not stand side by side. */
export const WIDE_PX = 640;
/** What the words over an upright narrow stage take. */
const WORDS_PX = 124;

/** Where a picture has room on a stage: inside the edge, and under the words where they are over it. None on one too small. */
export function roomOn({ width, height }: { width: number; height: number }): Rect | undefined {
  const top = width < WIDE_PX && height > width ? WORDS_PX : MARGIN.y;
  const room = { x: MARGIN.x, y: top, width: width - 2 * MARGIN.x, height: height - top - MARGIN.y };
  return room.width > 0 && room.height > 0 ? room : undefined;
}

/** The CSS transform of a picture in its place, about its middle. */
export function turnedStyle({ zoom, panX, panY, mirrored, upsideDown }: Turned): string {
  const sx = zoom * (mirrored ? -1 : 1) * (upsideDown ? -1 : 1);
  const sy = zoom * (upsideDown ? -1 : 1);
  return `translate(${String(panX * 100)}%, ${String(panY * 100)}%) scale(${String(sx)}, ${String(sy)})`;
}

/** The point of a picture, as shares of its width and height, that is shown at a point of the screen. Outside it below 0 or above 1. */
export function pictureAt(place: Rect, turned: Turned, x: number, y: number): [x: number, y: number] {
  const { zoom, panX, panY, mirrored, upsideDown } = turned;
  const sx = zoom * (mirrored ? -1 : 1) * (upsideDown ? -1 : 1);
  const sy = zoom * (upsideDown ? -1 : 1);
  return [
    0.5 + ((x - place.x) / place.width - 0.5 - panX) / sx,
    0.5 + ((y - place.y) / place.height - 0.5 - panY) / sy,
  ];
}

/** Another zoom that keeps the point of the picture under the pointer where it is; zoomed out, it is whole and in the middle. */
export function zoomedAt(place: Rect, turned: Turned, zoom: number, x: number, y: number, maxZoom: number): Turned {
  const next = clamp(zoom, 1, maxZoom);
  const ratio = next / turned.zoom;
  const fx = (x - place.x) / place.width - 0.5;
  const fy = (y - place.y) / place.height - 0.5;
  return held({
    ...turned,
    zoom: next,
    panX: fx - (fx - turned.panX) * ratio,
    panY: fy - (fy - turned.panY) * ratio,
  });
}

/** Never panned so far that the middle of the place shows no picture. */
export function held(turned: Turned): Turned {
  const most = turned.zoom > 1 ? (turned.zoom - 1) / 2 + 0.25 : 0;
  return { ...turned, panX: clamp(turned.panX, -most, most), panY: clamp(turned.panY, -most, most) };
}

/** A part of a picture, as shares. */
export interface Share {
  left: number;
  top: number;
  width: number;
  height: number;
}

const EVEN_SHARE = 0.88;

/** The view that brings a figure to the size all others have: so much of the height, or of the width where it lies. */
export function evenView(figure: Share, maxZoom: number): Pick<Turned, 'zoom' | 'panX' | 'panY'> {
  const zoom = clamp(EVEN_SHARE / Math.max(figure.height, figure.width), 1, maxZoom);
  if (zoom === 1) return { zoom, panX: 0, panY: 0 };
  return {
    zoom,
    panX: -zoom * (figure.left + figure.width / 2 - 0.5),
    panY: -zoom * (figure.top + figure.height / 2 - 0.5),
  };
}

/**
 * The zoom at which a figure is as tall on the screen as wanted.
 * @param placeHeightPx Of the whole picture at zoom 1, CSS pixels.
 * @param figureShare Height of the figure, share of the picture's.
 * @param pxPerMm CSS pixels of a millimeter on this screen.
 */
export const zoomForHeight = (wantedMm: number, placeHeightPx: number, figureShare: number, pxPerMm: number): number =>
  (wantedMm * pxPerMm) / (placeHeightPx * figureShare);

/** Width of a bank or library card, millimeters (ISO/IEC 7810, ID-1). */
export const CARD_WIDTH_MM = 85.6;
