import { LONGEST_REFERENCE_ID } from '../figure/catalogue/referenceId';
import * as z from 'zod/mini';
import { parseFigureReference } from '../figure/catalogue/reference';
import { splitFigureReference } from '../figure/catalogue/referenceId';

/** A set of poses as a file: what each figure is, with the pose's own data. See docs/formats.md. */
const POSE_SET_FORMAT = 'fox-minute-poses';

const fileSchema = z.object({
  format: z.literal(POSE_SET_FORMAT),
  version: z.literal(1),
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
  figures: z
    .array(
      z.object({
        reference: z.string().check(z.maxLength(LONGEST_REFERENCE_ID)),
        name: z.string().check(z.minLength(1), z.maxLength(120)),
      }),
    )
    .check(z.minLength(1), z.maxLength(500)),
});

export interface PoseSetFile {
  name: string;
  figures: { reference: string; name: string }[];
}

/** A pose that can be shown: chance poses by any number, all others by being found. */
function isKnown(reference: string): boolean {
  const figure = splitFigureReference(reference);
  if (!figure) return false;
  return /^chance\.\d{1,9}(~m)?$/.test(figure.poseId) || parseFigureReference(reference) !== undefined;
}

/** A file of poses to be given away. */
export const poseSetJson = (name: string, figures: readonly object[]): string =>
  JSON.stringify({ format: POSE_SET_FORMAT, version: 1, name, figures }, undefined, 1);

/**
 * Read a set of poses from a file's text.
 * @throws Error with a sentence for the user.
 */
export function parsePoseSet(text: string): PoseSetFile {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new Error('The file is not JSON: it may have been cut off on the way.');
  }
  const { format, version } = z
    .catch(z.partial(z.object({ format: z.unknown(), version: z.unknown() })), {})
    .parse(value);
  if (format !== POSE_SET_FORMAT) throw new Error('The file is not a set of poses from this program.');
  if (version !== 1)
    throw new Error(`The file was made by a later version (${String(version)}). Update this one and try again.`);
  const parsed = fileSchema.safeParse(value);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    throw new Error(`The file has a fault at “${issue.path.join('.')}”.`);
  }
  const bad = parsed.data.figures.findIndex(({ reference }) => !isKnown(reference));
  if (bad >= 0)
    throw new Error(
      `Figure ${String(bad + 1)} of the file, “${parsed.data.figures[bad].name}”, is of a pose that is not known here. Nothing was taken in; ask for the file again.`,
    );
  return parsed.data;
}
