import * as z from 'zod/mini';
import { momentSchema } from '../moment';
import type { Family } from '../figure/catalogue/families';
import { LONGEST_REFERENCE_ID } from '../figure/catalogue/referenceId';
import { factValuesSchema } from './facts';
import { querySchema } from './query';

const id = z.string().check(z.regex(/^[A-Za-z0-9-]{1,64}$/));

/** A figure kept in a set, with what it is chosen by. */
const setFigureSchema = z.object({
  /** A figure reference id. */
  id: z.string().check(z.startsWith('figure/'), z.maxLength(LONGEST_REFERENCE_ID)),
  name: z.string().check(z.minLength(1), z.maxLength(120)),
  viewName: z.optional(z.string().check(z.maxLength(40))),
  facing: z.optional(z.enum(['left', 'right', 'toward you', 'away'])),
  difficulty: z.optional(z.int().check(z.minimum(1), z.maximum(5))),
});
export type SetFigure = z.infer<typeof setFigureSchema>;

/** A set holds more pictures than one can get to know from here on: said, never enforced. */
export const SET_CAP = 200;

/** So many figures a set holds. */
export const MOST_FIGURES = 500;

/** A named set: of the learner's own pictures put in by hand or found by a rule, and of figures made or taken in. */
export const pictureSetSchema = z.object({
  id,
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
  createdAtMs: momentSchema,
  binnedAtMs: z.nullable(momentSchema),
  figures: z.optional(z.array(setFigureSchema).check(z.maxLength(MOST_FIGURES))),
  /** The set holds whatever the library has of this, now and later. */
  rule: z.optional(querySchema),
  /** Picture ids in the learner's own order; others follow as they were added. */
  order: z.optional(z.array(id).check(z.maxLength(20_000))),
  /** Picture ids that every pick from the set takes. */
  pins: z.optional(z.array(id).check(z.maxLength(500))),
  /** The set mirrors a folder on disk, by the id of its handle. */
  folderId: z.optional(id),
});
export type PictureSet = z.infer<typeof pictureSetSchema>;

const IMAGE_TYPES = ['image/jpeg', 'image/png', 'image/webp', 'image/avif', 'image/gif'] as const;
export type ImageType = (typeof IMAGE_TYPES)[number];

export const LICENSES = ['own', 'free', 'practice-only'] as const;
export const rightsSchema = z.object({
  license: z.nullable(z.enum(LICENSES)),
  /** Who is to be named where a drawing from it is shown. */
  credit: z.string().check(z.maxLength(300)),
  /** That the sitter agrees, or where the permission is written. */
  permission: z.string().check(z.maxLength(300)),
  /** Where it is from: a place, an archive. */
  source: z.string().check(z.maxLength(300)),
});
export type Rights = z.infer<typeof rightsSchema>;
export const NO_RIGHTS: Rights = { license: null, credit: '', permission: '', source: '' };

/** Numbers read off a picture, for showing reasons and finding pictures like it. */
const measuresSchema = z.object({
  /** Mean lightness and its spread, 0 to 1. */
  mean: z.number().check(z.minimum(0), z.maximum(1)),
  spread: z.number().check(z.minimum(0), z.maximum(1)),
  /** Directions of ten body segments in the picture, degrees; null where not seen. See core/body/limbs. */
  limbs: z.optional(z.array(z.nullable(z.number())).check(z.maxLength(16))),
});

/** A part of a picture, as shares of its width and height. */
const boxSchema = z.object({
  left: z.number().check(z.minimum(0), z.maximum(1)),
  top: z.number().check(z.minimum(0), z.maximum(1)),
  width: z.number().check(z.minimum(0.01), z.maximum(1)),
  height: z.number().check(z.minimum(0.01), z.maximum(1)),
});
export type PictureBox = z.infer<typeof boxSchema>;

/** A file that stays in a folder on disk: where, and as it was when last read. */
export const inFolderSchema = z.object({
  folderId: id,
  path: z.string().check(z.maxLength(4000)),
  bytes: z.number().check(z.minimum(0)),
  modifiedMs: z.number(),
  gone: z.boolean(),
});

/** Parts left out on purpose: veiled while drawing. */
export const leftOutSchema = z
  .array(z.object({ box: boxSchema, words: z.string().check(z.maxLength(80)) }))
  .check(z.maxLength(20));

const recordSchema = z.object({
  id,
  /** Sets it was put in by hand; a picture may be in none. */
  setIds: z.array(id).check(z.maxLength(500)),
  name: z.string().check(z.minLength(1), z.maxLength(300)),
  type: z.enum(IMAGE_TYPES),
  widthPx: z.int().check(z.minimum(1)),
  heightPx: z.int().check(z.minimum(1)),
  /** SHA-256 of the file as it was added, hexadecimal. */
  hash: z.string().check(z.regex(/^[0-9a-f]{64}$/)),
  /** Perceptual hash, 64 bits in hexadecimal: alike pictures have alike hashes. */
  likeness: z._default(z.nullable(z.string().check(z.regex(/^[0-9a-f]{16}$/))), null),
  bytes: z._default(z.int().check(z.minimum(0)), 0),
  addedAtMs: momentSchema,
  /** When it was photographed, by the file's own word. */
  takenAtMs: z._default(z.nullable(momentSchema), null),
  binnedAtMs: z.nullable(momentSchema),
  rights: z._default(rightsSchema, NO_RIGHTS),
  /** What the program read off it, and how sure it is of each, 0 to 1. */
  found: z._default(factValuesSchema, {}),
  sure: z._default(z.record(z.string(), z.number().check(z.minimum(0), z.maximum(1))), {}),
  /** Version of the rules it was read by; 0 is not yet. */
  readBy: z._default(z.int().check(z.minimum(0)), 0),
  /** What the learner said instead: never overwritten. */
  corrected: z._default(factValuesSchema, {}),
  measures: z._default(z.nullable(measuresSchema), null),
  /** "Harder than expected" minus "easier": two of one kind move the difficulty by one. */
  felt: z._default(z.int().check(z.minimum(-100), z.maximum(100)), 0),
  /** Themes. */
  tags: z._default(z.array(z.string().check(z.minLength(1), z.maxLength(60))).check(z.maxLength(40)), []),
  /** When it was put on the later shelf. */
  laterAtMs: z._default(z.nullable(momentSchema), null),
  /** Alike pictures that the learner wants to keep beside it. */
  keptBeside: z._default(z.array(id).check(z.maxLength(100)), []),
  /** A close-up of another picture: that picture, and which part of it. */
  partOf: z.optional(z.object({ pictureId: id, box: boxSchema })),
  leftOut: z.optional(leftOutSchema),
  /** Where the learner drew its horizon, as a share of its height from the top; it may lie outside. */
  horizon: z.optional(z.nullable(z.number().check(z.minimum(-1), z.maximum(2)))),
  inFolder: z.optional(inFolderSchema),
});

/** Pictures kept by the first version knew one set each. */
function upgradePicture(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || !('setId' in value)) return value;
  const { setId, ...rest } = value;
  return { setIds: [setId], ...rest };
}

/** A picture in the library. Its image and its thumbnail are kept under the same id. */
export const pictureSchema = z.pipe(z.transform(upgradePicture), recordSchema);
export type Picture = z.infer<typeof recordSchema>;

/** A picture's record with everything that is not said left open. */
export const newPicture = (fields: z.input<typeof recordSchema>): Picture => recordSchema.parse(fields);

export const BUILT_IN_SET_ID = 'built-in';
/** The set of one family of the figures that ship. */
export const builtInFamilySetId = (family: Family): string => `${BUILT_IN_SET_ID}/${family.replaceAll(' ', '-')}`;
/** Everything the learner has taken in. */
export const LIBRARY_ID = 'library';
export const LATER_ID = 'later';

const MIRRORED = '~m';
/** How a picture of the library is named among references, as it is or mirrored. */
export const pictureReferenceId = (pictureId: string, mirrored = false): string =>
  `picture/${pictureId}${mirrored ? MIRRORED : ''}`;

/** The picture's id in a reference id, mirrored or not; undefined for figures. */
export function parsePictureReference(referenceId: string): string | undefined {
  return /^picture\/([A-Za-z0-9-]+)(~m)?$/.exec(referenceId)?.[1];
}

/** Whether a reference is the mirror image of a picture. */
export const isMirrored = (referenceId: string): boolean =>
  referenceId.startsWith('picture/') && referenceId.endsWith(MIRRORED);
