import * as z from 'zod/mini';
import { LONGEST_REFERENCE_ID } from '../figure/catalogue/referenceId';
import { momentSchema } from '../moment';
import { sheetSizeSchema } from '../practice/paper/sheet';
import { durationSchema } from '../practice/time/duration';

const share = z.number().check(z.minimum(0), z.maximum(1));

/** What a member of a group is: a figure or picture, or a drawing of the learner's with its points. */
const sourceSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('reference'), referenceId: z.string().check(z.maxLength(LONGEST_REFERENCE_ID)) }),
  z.object({
    kind: z.literal('drawing'),
    pageId: z.string().check(z.minLength(1), z.maxLength(64)),
    drawing: z.string().check(z.maxLength(400)),
  }),
]);
export type MemberSource = z.infer<typeof sourceSchema>;

const memberSchema = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  source: sourceSchema,
  /** Where it stands, shares of the sheet's width and height: its middle, and its lowest place. */
  x: share,
  foot: share,
  /** How tall it stands upright, centimeters of a person. */
  standsCm: z.number().check(z.minimum(30), z.maximum(400)),
  /** A giant on purpose: so many times as large as where it stands would make it. */
  giant: z.optional(z.number().check(z.minimum(0.2), z.maximum(6))),
  mirrored: z.optional(z.boolean()),
});
export type Member = z.infer<typeof memberSchema>;

export const MOST_MEMBERS = 12;
/** So many drafts are shown to others at most. */
export const MOST_SHOWN = 3;

/** Several figures on one sheet. */
export const groupSchema = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  name: z.string().check(z.maxLength(80)),
  changedAtMs: momentSchema,
  size: sheetSizeSchema,
  upright: z.boolean(),
  /** Height of the eyes above the sheet's lower edge is 1 less this: 0 the upper edge, 1 the lower. One for all. */
  eyeLevel: share,
  /** How high the eyes are above the ground, centimeters. */
  eyeCm: z.number().check(z.minimum(20), z.maximum(1000)),
  lightFrom: z.enum(['left', 'right']),
  /** From the front to the back. */
  members: z.array(memberSchema).check(z.maxLength(MOST_MEMBERS)),
  /** Among the few that are shown to others. */
  shown: z.optional(z.boolean()),
  /** Time for each figure, and for finishing the joined sheet after the bell. */
  drawMs: durationSchema,
  finishMs: z.int().check(z.minimum(0), z.maximum(86_400_000)),
  /** Its outlines as they stood last, an SVG path on a sheet a thousand high: for looking at many drafts at once. */
  seen: z.optional(z.string().check(z.maxLength(60_000))),
});
export type Group = z.infer<typeof groupSchema>;

/** A draft with nobody in it. */
export const freshGroup = (id: string, nowMs: number): Group => ({
  id,
  name: '',
  changedAtMs: nowMs,
  size: 'A3',
  upright: false,
  eyeLevel: 0.34,
  eyeCm: 160,
  lightFrom: 'left',
  members: [],
  drawMs: 120_000,
  finishMs: 300_000,
});

/** A draft after another, to be changed: drafts are many, and none is lost. */
export const nextDraft = (group: Group, id: string, nowMs: number): Group => ({
  ...group,
  id,
  changedAtMs: nowMs,
  shown: undefined,
});

/**
 * Have a draft shown to others, or not.
 * @returns undefined where as many are shown already as may be.
 */
export const withShown = (group: Group, shown: boolean, all: readonly Group[]): Group | undefined =>
  shown && all.filter((one) => one.shown && one.id !== group.id).length >= MOST_SHOWN
    ? undefined
    : { ...group, shown: shown || undefined };

/** A member one step toward the front, or toward the back: what is covered changes, never a size. */
export function reordered(members: readonly Member[], id: string, step: -1 | 1): Member[] {
  const from = members.findIndex((m) => m.id === id);
  const to = from + step;
  if (from === -1 || to < 0 || to >= members.length) return [...members];
  const out = [...members];
  [out[from], out[to]] = [out[to], out[from]];
  return out;
}
