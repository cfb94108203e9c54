import * as z from 'zod/mini';
import { promisedDaysSchema, promisedMinutesSchema } from './growing/promise';
import { MAX_CHOOSING_MS } from './journal/session';
import { LONGEST_SESSION_MINUTES, SHORTEST_SESSION_MINUTES } from './practice/start/minutes';

/** How a page was left, as JSON that the page itself reads and checks. */
const asJson = z.string().check(z.maxLength(4_000_000));

/** Each setting with the values it may have. */
export const SETTINGS = {
  /** Minutes chosen last on Today. */
  minutes: z.int().check(z.minimum(SHORTEST_SESSION_MINUTES), z.maximum(LONGEST_SESSION_MINUTES)),
  /** The set chosen last on Today. */
  setId: z.string().check(z.maxLength(64)),
  volume: z.number().check(z.minimum(0), z.maximum(1)),
  /** The demo learner was put in (or deliberately left out): never again by itself. */
  seeded: z.boolean(),
  /** Figures wear close-fitting cover everywhere: for shared screens. */
  covered: z.boolean(),
  /** How the figure's page was left. */
  figurePage: asJson,
  /** How the library was left. */
  libraryPage: asJson,
  /** Time spent choosing pictures since the last session, ms. */
  choosingMs: z.number().check(z.minimum(0), z.maximum(MAX_CHOOSING_MS)),
  /** The plan being built. */
  planDraft: asJson,
  /** What was asked for on the Plan page. */
  planAsk: asJson,
  /** The room drawn in: how sessions look, sound and are steered. */
  room: asJson,
  /** What a week is meant to have. */
  promisedDays: promisedDaysSchema,
  promisedMinutes: promisedMinutesSchema,
  /** What is drawn with, as it was said last on Today. */
  medium: z.string().check(z.maxLength(40)),
  /** After how many days a picture returns to be drawn again, and how often the newer of two was told: see growing/again. */
  againWaits: asJson,
  blindPairs: asJson,
  /** Which hand draws was said. */
  handSaid: z.boolean(),
  /** What was left in the pad when its sheets were counted. */
  pad: asJson,
  /** What is said to the inner critic, chosen on a good day. */
  criticReply: z.string().check(z.maxLength(300)),
  /** Sessions said in a line, the last one first, as JSON. */
  sessionLines: asJson,
  /** Sessions proposed on Today begin with a warm-up. */
  warmUp: z.boolean(),
  /** Advice on Today is wanted. */
  advice: z.boolean(),
  /** The build whose figures the kept pictures of them show. */
  figures: z.string().check(z.maxLength(64)),
  /** Sentences about what had to be mended in what was kept, until they are read. */
  mended: asJson,
} as const;
export type Settings = { [K in keyof typeof SETTINGS]: z.infer<(typeof SETTINGS)[K]> };
/** Whether there is a setting of this name. */
export const isSettingName = (name: string): name is keyof Settings => Object.hasOwn(SETTINGS, name);
