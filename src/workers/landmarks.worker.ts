/**
 * Finds bodies in pictures. Built by scripts/landmarks.mjs into one classic script: the runtime calls importScripts, which a module
 * worker does not have.
 */
import { type CompiledModel, loadAndCompile, loadLiteRt, Tensor } from '@litertjs/core';
import * as Comlink from 'comlink';
import { MOST_OTHERS } from '@/core/body/body';
import {
  ANCHORS,
  type Detection,
  detections,
  DETECTOR_PX,
  fitsTile,
  isSameLook,
  LANDMARK_PX,
  type Region,
  tilesOf,
  unmirrored,
  wholeRegion,
} from '@/core/body/detector';
import { bodySize, isOneBody } from '@/core/body/oneBody';
import { networkBody, type NetworkBody } from '@/core/body/landmarkNetwork';

export type LandmarkModel = 'full' | 'heavy';
export interface FoundBodies {
  /** The largest body; undefined where none was found. */
  body: FoundBody | undefined;
  /** Others in the picture, the largest first. */
  others: FoundBody[];
}
export type FoundBody = Omit<NetworkBody, 'next'>;
/** Shares of the picture: where a body is, drawn by the learner. */
export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

const BASE = '/landmarks/';
const CERTAIN = 0.5;
/** How sure the detector is at least, of the whole of a picture and of each of its parts: there are many of those, each with its chance to err. */
const LEAST_WHOLE = 0.5;
const LEAST_TILE = 0.6;
/** Where somebody is, others often are: of a part it need be no surer then than of the whole, if the landmark network is surer for it. */
const LEAST_BESIDE = 0.5;
const CERTAIN_BESIDE = 0.8;
/** So many bodies are read in one picture at most, and so many places looked at for them. */
const MOST_BODIES = 1 + MOST_OTHERS;
const MOST_LOOKS = 24;
const canvas = new OffscreenCanvas(LANDMARK_PX, LANDMARK_PX);
const context = canvas.getContext('2d', { willReadFrequently: true }) as OffscreenCanvasRenderingContext2D;

/** A region of a picture, or its mirror image, as the numbers a network takes: RGB, from `low` to 1. */
function sample(
  image: ImageBitmap,
  { x, y, size, turn }: Region,
  px: number,
  low: 0 | -1,
  mirrored = false,
): Float32Array {
  canvas.width = px;
  canvas.height = px;
  context.imageSmoothingQuality = 'high';
  context.fillStyle = '#000';
  context.fillRect(0, 0, px, px);
  context.translate(px / 2, px / 2);
  context.scale((mirrored ? -px : px) / size, px / size);
  context.rotate(-turn);
  context.drawImage(image, -x, -y);
  const { data } = context.getImageData(0, 0, px, px);
  const out = new Float32Array(px * px * 3);
  const step = (1 - low) / 255;
  for (let i = 0, j = 0; i < data.length; i += 4) for (let k = 0; k < 3; k++) out[j++] = data[i + k] * step + low;
  return out;
}

async function run(model: CompiledModel, numbers: Float32Array, px: number): Promise<Float32Array[]> {
  const input = new Tensor(numbers, [1, px, px, 3]);
  const outputs = await model.run(input);
  input.delete();
  return outputs.map((output) => {
    const values = new Float32Array(output.toTypedArray() as Float32Array);
    output.delete();
    return values;
  });
}

/** The runtime looks for a graphics processor and warns where there is none; none is used here. */
async function loadQuietly(): Promise<void> {
  const { warn } = console;
  console.warn = () => undefined;
  await loadLiteRt(BASE).finally(() => (console.warn = warn));
}

let runtime: Promise<unknown> | undefined;
const models = new Map<string, Promise<CompiledModel>>();
function model(name: string): Promise<CompiledModel> {
  // The runtime writes notes through console.error.
  (self as unknown as { Module: object }).Module = { print: () => undefined, printErr: () => undefined };
  runtime ??= loadQuietly();
  const known =
    models.get(name) ?? runtime.then(() => loadAndCompile(`${BASE}${name}.tflite`, { accelerator: 'wasm' }));
  models.set(name, known);
  return known;
}

interface Place extends Detection {
  /** Sure enough to be looked at even where nobody was found yet. */
  alone: boolean;
}

/** Where the detector sees bodies in a part of a picture. It sees some only in the mirror, so it is shown both. */
async function detect(image: ImageBitmap, part: Region, least: number): Promise<Place[]> {
  const places: Place[] = [];
  for (const mirrored of [false, true]) {
    const numbers = sample(image, part, DETECTOR_PX, -1, mirrored);
    const outputs = await run(await model('detection'), numbers, DETECTOR_PX);
    const boxes = outputs.find((o) => o.length === ANCHORS * 12);
    const scores = outputs.find((o) => o.length === ANCHORS);
    if (!boxes || !scores) throw new Error('The detector gave other numbers than expected.');
    for (const { score, region } of detections(boxes, scores, part, Math.min(least, LEAST_BESIDE)))
      places.push({ score, region: mirrored ? unmirrored(region, part) : region, alone: score >= least });
  }
  return places;
}

/** Where bodies may be in the whole of a picture and, where it is large, in its parts: the surest first, and of nearly the same only that. */
async function detectAll(image: ImageBitmap): Promise<Place[]> {
  const { width, height } = image;
  const found = await detect(image, wholeRegion(width, height), LEAST_WHOLE);
  for (const tile of tilesOf(width, height))
    found.push(...(await detect(image, tile, LEAST_TILE)).filter(({ region }) => fitsTile(region, tile)));
  const places: Place[] = [];
  for (const place of found.sort((a, b) => b.score - a.score)) {
    const same = places.find(({ region }) => isSameLook(region, place.region));
    if (same) same.alone ||= place.alone;
    else places.push(place);
  }
  return places;
}

/** The square to look at around what the learner framed. */
const boxRegion = (box: Box, width: number, height: number): Region => ({
  x: (box.left + box.width / 2) * width,
  y: (box.top + box.height / 2) * height,
  size: 1.2 * Math.max(box.width * width, box.height * height),
  turn: 0,
});

const api = {
  /** Load what is needed, so that the first picture does not wait for it. */
  async warm(name: LandmarkModel): Promise<void> {
    await Promise.all([model('detection'), model(name)]);
  },
  /**
   * The bodies in a picture.
   * @param box Where to look for one; without it only where the detector saw somebody: the landmarks are found in anything they are asked for.
   */
  async find(image: Blob, name: LandmarkModel, box?: Box): Promise<FoundBodies> {
    const bitmap = await createImageBitmap(image);
    try {
      const { width, height } = bitmap;
      const look = async (region: Region): Promise<NetworkBody> =>
        networkBody(
          await run(await model(name), sample(bitmap, region, LANDMARK_PX, 0), LANDMARK_PX),
          region,
          width,
          height,
        );
      const places = box
        ? [{ score: 1, region: boxRegion(box, width, height), alone: true }]
        : (await detectAll(bitmap)).slice(0, MOST_LOOKS);
      const bodies: FoundBody[] = [];
      for (const { score: detected, region, alone } of places) {
        if (bodies.length === MOST_BODIES) break;
        if (!alone && bodies.length === 0) continue;
        let body = await look(region);
        if (body.score <= CERTAIN) continue;
        const again = await look(body.next);
        if (again.score >= body.score - 0.05) body = again;
        const { score, points, space } = body;
        if (score <= (alone ? CERTAIN : CERTAIN_BESIDE)) continue;
        if (bodies.some((other) => isOneBody(points, other.points, width / height))) continue;
        // No surer than either of the two that saw it.
        bodies.push({ score: Math.min(1, score, detected), points, space });
      }
      const size = ({ points }: FoundBody): number => bodySize(points, width / height);
      const [body, ...others] = bodies.sort((a, b) => size(b) - size(a));
      return { body, others };
    } finally {
      bitmap.close();
    }
  },
};
export type LandmarksApi = typeof api;
Comlink.expose(api);
