import { type Body, bodySchema } from '../body/body';
import { type Course, courseSchema } from '../growing/courseRecord';
import { type Group, groupSchema } from '../group/group';
import { type KeptDrawing, keptDrawingSchema } from '../journal/keptDrawing';
import { type Page, pageSchema, type Session, sessionSchema } from '../journal/session';
import { type Viewing, viewingSchema } from '../journal/viewing';
import { type InkStroke, inkStrokeSchema } from '../strokes/inkStroke';
import { type SavedPlan, savedPlanSchema } from '../practice/plan/savedPlan';
import { type Picture, pictureSchema, type PictureSet, pictureSetSchema } from '../references/picture';

/** The records a learner keeps, by the store they are in; each carries its own id. */
export const RECORD_SCHEMAS = {
  sessions: sessionSchema,
  /** Photographed sheets. */
  pages: pageSchema,
  sets: pictureSetSchema,
  pictures: pictureSchema,
  /** Bodies found or set in pictures, by the picture's id. */
  bodies: bodySchema,
  /** Plans the learner keeps. */
  plans: savedPlanSchema,
  /** How references were seen last, by the reference's id. */
  viewings: viewingSchema,
  /** What is said of single drawings, by session and drawing. */
  drawings: keptDrawingSchema,
  courses: courseSchema,
  /** Strokes on sheets on the screen, by session and turn. */
  strokes: inkStrokeSchema,
  /** Several figures on one sheet. */
  groups: groupSchema,
} as const;
export type RecordKind = keyof typeof RECORD_SCHEMAS;
export const RECORD_KINDS = Object.keys(RECORD_SCHEMAS) as RecordKind[];

/** What one record of each kind is called; an s makes it several. */
export const KIND_WORDS: Record<RecordKind, string> = {
  sessions: 'session',
  pages: 'page',
  sets: 'set',
  pictures: 'picture',
  bodies: 'body-point set',
  plans: 'plan',
  viewings: 'picture viewing',
  drawings: 'drawing',
  courses: 'course',
  strokes: 'stroke',
  groups: 'group',
};

/** Everything that is kept, without images. */
export interface Records {
  sessions: Session[];
  pages: Page[];
  sets: PictureSet[];
  pictures: Picture[];
  bodies: Body[];
  plans: SavedPlan[];
  viewings: Viewing[];
  drawings: KeptDrawing[];
  courses: Course[];
  strokes: InkStroke[];
  groups: Group[];
  settings: Record<string, string | number | boolean>;
}
/** An archive’s records with nothing in them. */
export const noRecords = (): Records => ({
  sessions: [],
  pages: [],
  sets: [],
  pictures: [],
  bodies: [],
  plans: [],
  viewings: [],
  drawings: [],
  courses: [],
  strokes: [],
  groups: [],
  settings: {},
});

/** How many records there are, of all kinds together. */
export const countRecords = (records: Records): number =>
  RECORD_KINDS.reduce((sum, kind) => sum + records[kind].length, 0);
