import { fileEnding } from '@/core/interchange/fileEnding';
import { planFileWords, type PlanPicture, writePlanFile } from '@/core/interchange/planFile';
import type { OpenedPlan } from '@/core/interchange/planZip';
import { ZipError } from '@/core/interchange/zip';
import type { Chosen } from '@/core/practice/plan/layOut';
import type { Recipe } from '@/core/practice/plan/recipe';
import { handedOn, keptBack } from '@/core/references/exportGate';
import { mirroredReference } from '@/core/references/mirrorReference';
import { isMirrored, parsePictureReference, type Picture, pictureReferenceId } from '@/core/references/picture';
import { db } from '@/storage/db';
import { cancelBatch, changeBatch } from './intake/batches';
import { processWaiting } from './intake/process';
import { stageFiles } from './intake/stage';
import { pictureImage } from './pictureImage';
import { binSet, changePictures, loadPicture, saveSet } from './pictures';

/** A picture of the learner's own that a plan draws from. */
export interface UsedPicture {
  reference: string;
  picture: Picture;
  /** Why it stays here when the plan is shared; undefined where it goes along. */
  keptBack: string | undefined;
}

/** Own pictures among references, each reference once. */
export async function usedPictures(references: readonly string[]): Promise<UsedPicture[]> {
  const { store } = (await db()).transaction('pictures');
  const found = await Promise.all(
    [...new Set(references)].map(async (reference) => {
      const id = parsePictureReference(reference);
      const picture = id === undefined ? undefined : await store.get(id);
      return picture ? [{ reference, picture, keptBack: keptBack(picture.rights) }] : [];
    }),
  );
  return found.flat();
}

/** A plan as a file to share: JSON, or a ZIP where pictures go with it. */
export interface PackedPlan {
  file: Blob;
  ending: 'plan.json' | 'plan.zip';
  /** What is in it, and what is not. */
  words: string;
}

/** Pack a plan with the pictures that may go with it. */
export async function packPlan(recipe: Recipe, chosen: Chosen, withPictures: boolean): Promise<PackedPlan> {
  const used = await usedPictures(Object.values(chosen).flatMap((ids) => ids.filter((id) => id !== null)));
  const reasons = new Map<string, string>();
  const paths = new Map<string, string>();
  const images = new Map<string, Blob>();
  const pictures: PlanPicture[] = [];
  for (const { reference, picture, keptBack: reason } of used) {
    const { id, name, hash: sha256, rights, leftOut, corrected } = picture;
    const image = withPictures && reason === undefined && !paths.has(id) ? await pictureImage(picture) : undefined;
    if (image) {
      paths.set(id, `pictures/${String(paths.size + 1)}.${fileEnding(picture.type)}`);
      images.set(paths.get(id) as string, image);
    }
    const path = paths.get(id);
    if (reason !== undefined) reasons.set(name, reason);
    else if (withPictures && path === undefined) reasons.set(name, 'its file cannot be read now');
    pictures.push({
      reference,
      name,
      sha256,
      ...(path !== undefined && { held: { path, rights, corrected, ...(leftOut && { leftOut }) } }),
    });
  }
  const json = writePlanFile(recipe, chosen, pictures);
  const words = planFileWords(pictures, reasons);
  if (images.size === 0) return { file: new Blob([json], { type: 'application/json' }), ending: 'plan.json', words };
  const { writePlanZip } = await import('@/core/interchange/planZip');
  return { file: await writePlanZip(json, images), ending: 'plan.zip', words };
}

/** Where the pictures of a plan are in this browser: under the same address, or the same file under another. */
export async function findPicturesHere(pictures: readonly PlanPicture[]): Promise<Map<string, string>> {
  const here = new Map<string, string>();
  for (const { reference, sha256 } of pictures) {
    const id = parsePictureReference(reference);
    const same = id === undefined ? undefined : await loadPicture(id);
    const found = same?.binnedAtMs === null ? same : await pictureOfFile(sha256);
    if (found) here.set(reference, likeReference(reference, found));
  }
  return here;
}

async function pictureOfFile(sha256: string): Promise<Picture | undefined> {
  return (await (await db()).getAllFromIndex('pictures', 'byHash', sha256)).find((p) => p.binnedAtMs === null);
}

/** The reference of a picture, mirrored where the one asked for is. */
function likeReference(asked: string, { id }: Picture): string {
  const plain = pictureReferenceId(id);
  return isMirrored(asked) ? mirroredReference(plain) : plain;
}

const sha256Of = async (blob: Blob): Promise<string> =>
  [...new Uint8Array(await crypto.subtle.digest('SHA-256', await blob.arrayBuffer()))]
    .map((byte) => byte.toString(16).padStart(2, '0'))
    .join('');

const LOOK_AGAIN_MS = 200;

/**
 * Take pictures that a plan holds into the library, in a set that is called like the plan.
 * @param wanted Those of its pictures that are to be taken.
 * @param signal Ends it: what was taken so far stays.
 * @returns Where each is now, by the plan's reference. One that is damaged or cannot be shown is not among them.
 */
export async function takeInPictures(
  { file, image }: OpenedPlan,
  wanted: readonly PlanPicture[],
  nowMs: number,
  signal: AbortSignal,
  onProgress: (done: number, total: number) => void,
): Promise<Map<string, string>> {
  const files = new Map<string, File>();
  for (const { held, name } of wanted) {
    if (!held || files.has(held.path)) continue;
    const blob = await image(held.path, signal).catch((error: unknown) => {
      if (error instanceof ZipError) return undefined;
      throw error;
    });
    if (blob) files.set(held.path, new File([blob], name));
  }
  if (files.size === 0) return new Map();
  const { title } = file.recipe;
  const setId = crypto.randomUUID();
  await saveSet({
    id: setId,
    name: title.trim().slice(0, 80).trim() || 'Shared plan',
    createdAtMs: nowMs,
    binnedAtMs: null,
  });
  const given = [...files.values()].map((one) => ({ file: one, name: one.name }));
  const batchId = await stageFiles(given, setId, null, nowMs, () => undefined, 0);
  for (;;) {
    const batch = await (await db()).get('batches', batchId);
    if (batch?.state !== 'running') break;
    onProgress(batch.done, batch.total);
    if (signal.aborted) await cancelBatch(batchId);
    else await processWaiting(signal);
    await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
  }
  const added = new Set((await (await db()).get('batches', batchId))?.pictureIds);
  if (added.size === 0) await binSet(setId, nowMs);
  const here = new Map<string, string>();
  for (const { reference, held } of wanted) {
    const given = held && files.get(held.path);
    const picture = given && (await pictureOfFile(await sha256Of(given)));
    if (!picture) continue;
    here.set(reference, likeReference(reference, picture));
    const { rights, leftOut, corrected } = held;
    if (added.delete(picture.id))
      await changePictures([picture.id], () => ({
        rights: handedOn(rights, title),
        corrected,
        ...(leftOut && { leftOut }),
      }));
  }
  // What became of it is told where the plan is opened.
  await changeBatch(batchId, () => ({ seen: true }));
  return here;
}
