import { BlobReader, BlobWriter, TextReader, ZipWriter } from '@zip.js/zip.js/lib/zip-core-native.js';
import { PICTURE_ZIP_LIMITS } from '../references/pictureZip';
import { MOST_PICTURES, PLAN_BYTES, type PlanFile, readPlanFile } from './planFile';
import { listZip, ZIP_OPTIONS, ZipError, type ZipLimits } from './zip';

const PLAN_PATH = 'plan.json';

const LIMITS: ZipLimits = { ...PICTURE_ZIP_LIMITS, entries: MOST_PICTURES + 1 };

/**
 * A plan with pictures of its own as one ZIP: the plan file, and each picture as it is where the plan says it is held.
 * @param images by the path that the plan gives; read one at a time
 * @throws AbortError when the signal says so
 */
export async function writePlanZip(
  planJson: string,
  images: ReadonlyMap<string, Blob>,
  signal?: AbortSignal,
): Promise<Blob> {
  const zip = new ZipWriter(new BlobWriter('application/zip'), { ...ZIP_OPTIONS, ...(signal && { signal }) });
  // Stored as they are: pictures are packed already, and a plan is small.
  await zip.add(PLAN_PATH, new TextReader(planJson), { level: 0 });
  for (const [path, image] of images) await zip.add(path, new BlobReader(image), { level: 0 });
  return zip.close();
}

/** A plan that was opened, and the pictures it holds. */
export interface OpenedPlan {
  file: PlanFile;
  /** Bytes of all pictures in it. */
  bytes: number;
  /**
   * One picture, checked against its own checksum.
   * @returns Undefined where the ZIP has none at this path.
   * @throws ZipError where it is damaged; AbortError when the signal says so
   */
  image: (path: string, signal?: AbortSignal) => Promise<Blob | undefined>;
}

const SAFE = 'Nothing here was changed.';
const NO_PLAN = `This ZIP holds no plan. ${SAFE} Choose one saved by “Share as a file”.`;
const PROBLEMS: Readonly<Record<ZipError['fault'], string>> = {
  'not a zip': `This file is not a whole ZIP: it is something else, or it breaks off before its end. ${SAFE} Ask for the file again.`,
  unsafe: `This ZIP holds files with paths that lead elsewhere, so it was not opened. ${SAFE}`,
  'too large': `This ZIP would unpack to far more than a plan needs, so it was not opened. ${SAFE}`,
  damaged: `The plan in this ZIP is damaged. ${SAFE} Ask for the file again.`,
  'cannot be read': `The plan in this ZIP is packed in a way that cannot be read here. ${SAFE} Ask for the file again.`,
};

/** Open a plan with its pictures. Nothing but the plan is unpacked yet. @returns It, or a sentence as of readPlanFile. */
export async function openPlanZip(zip: Blob): Promise<OpenedPlan | { problem: string }> {
  try {
    const entries = new Map((await listZip(zip, LIMITS)).map((entry) => [entry.path, entry]));
    const plan = entries.get(PLAN_PATH);
    if (!plan || plan.bytes > PLAN_BYTES) return { problem: NO_PLAN };
    const read = readPlanFile(new TextDecoder().decode(await plan.read()));
    if ('problem' in read) return read;
    const { file } = read;
    return {
      file,
      bytes: file.pictures.reduce((sum, { held }) => sum + (held ? (entries.get(held.path)?.bytes ?? 0) : 0), 0),
      image: async (path, signal) => {
        const bytes = await entries.get(path)?.read(signal);
        return bytes && new Blob([bytes]);
      },
    };
  } catch (error) {
    if (error instanceof ZipError) return { problem: PROBLEMS[error.fault] };
    throw error;
  }
}
