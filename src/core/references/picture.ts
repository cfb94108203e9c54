import { z } from 'zod';

const id = z.string().regex(/^[A-Za-z0-9-]{1,64}$/);

/** A figure kept in a set, with what it is chosen by. */
const setFigureSchema = z.object({
  /** A figure reference id. */
  id: z.string().startsWith('figure/').max(200),
  name: z.string().min(1).max(120),
  viewName: z.string().max(40).optional(),
  facing: z.enum(['left', 'right', 'toward you', 'away']).optional(),
  difficulty: z.number().int().min(1).max(5).optional(),
});
export type SetFigure = z.infer<typeof setFigureSchema>;

/** A named set of the learner's own pictures, and of figures made or taken in. */
export const pictureSetSchema = z.object({
  id,
  name: z.string().trim().min(1).max(80),
  createdAtMs: z.number().int().min(0),
  binnedAtMs: z.number().int().min(0).nullable(),
  figures: z.array(setFigureSchema).max(500).optional(),
});
export type PictureSet = z.infer<typeof pictureSetSchema>;

const IMAGE_TYPES = ['image/jpeg', 'image/png', 'image/webp', 'image/avif', 'image/gif'] as const;
export type ImageType = (typeof IMAGE_TYPES)[number];

/** A picture in a set. Its image and its thumbnail are kept under the same id. */
export const pictureSchema = z.object({
  id,
  setId: id,
  name: z.string().min(1).max(255),
  type: z.enum(IMAGE_TYPES),
  widthPx: z.int().min(1),
  heightPx: z.int().min(1),
  /** SHA-256 of the file as it was added, hexadecimal; the same file is not kept twice in a set. */
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  addedAtMs: z.number().int().min(0),
  binnedAtMs: z.number().int().min(0).nullable(),
});
export type Picture = z.infer<typeof pictureSchema>;

export const BUILT_IN_SET_ID = 'built-in';

export const pictureReferenceId = (pictureId: string): string => `picture/${pictureId}`;

/** The picture's id in a reference id; undefined for figures. */
export function parsePictureReference(referenceId: string): string | undefined {
  return /^picture\/(.+)$/.exec(referenceId)?.[1];
}

/** How long something in the bin can still be taken out. */
export const BIN_DAYS = 30;
