import type { Exercise } from '../exercises/exercise';

/** A drawing medium and what it asks for. */
export interface Medium {
  id: string;
  name: string;
  /** Laid on by the side, for masses. */
  broad: boolean;
  /** Can be rubbed out. */
  erases: boolean;
  /** Minutes of drawing that one piece lasts before it wants sharpening or changing; undefined where it does not. */
  minutesEach?: number;
  piece: string;
  grades: readonly string[];
  /** Said when it is laid out. */
  cautions?: readonly string[];
}

const DUST = 'Tap dust off, do not blow; wash your hands; let air in.';
const BLADE =
  'With a blade: cut away from your hand, the thumb pushing its back, over a bin. Close it when it is not in use.';

export const MEDIA: readonly Medium[] = [
  {
    id: 'charcoal pencil',
    name: 'charcoal pencil',
    broad: false,
    erases: true,
    minutesEach: 30,
    piece: 'pencil',
    grades: ['2B', '4B', '6B'],
    cautions: [BLADE, DUST],
  },
  {
    id: 'charcoal',
    name: 'charcoal stick',
    broad: true,
    erases: true,
    minutesEach: 60,
    piece: 'stick',
    grades: ['soft', 'medium', '4B'],
    cautions: [DUST],
  },
  {
    id: 'pencil',
    name: 'pencil',
    broad: false,
    erases: true,
    minutesEach: 30,
    piece: 'pencil',
    grades: ['2B', '3B', '4B', '6B', '8B'],
    cautions: [BLADE],
  },
  {
    id: 'conte',
    name: 'conté',
    broad: true,
    erases: true,
    minutesEach: 60,
    piece: 'stick',
    grades: ['B', '2B', 'sanguine'],
    cautions: [DUST],
  },
  {
    id: 'pastel',
    name: 'pastel',
    broad: true,
    erases: true,
    minutesEach: 60,
    piece: 'stick',
    grades: [],
    cautions: [DUST],
  },
  { id: 'ballpoint', name: 'ballpoint', broad: false, erases: false, piece: 'pen', grades: [] },
  { id: 'fineliner', name: 'fineliner', broad: false, erases: false, piece: 'pen', grades: ['0.3', '0.5', '0.8'] },
  { id: 'brush pen', name: 'brush pen', broad: true, erases: false, piece: 'pen', grades: [] },
  { id: 'ink and brush', name: 'ink and brush', broad: true, erases: false, piece: 'brush', grades: [] },
  {
    id: 'colored pencil',
    name: 'colored pencil',
    broad: false,
    erases: false,
    minutesEach: 30,
    piece: 'pencil',
    grades: [],
  },
  { id: 'digital', name: 'on a tablet', broad: true, erases: true, piece: 'stylus', grades: [] },
];

/** A medium by its id; a word of the learner's own stands for itself. */
export const mediumById = (id: string): Medium =>
  MEDIA.find((m) => m.id === id) ?? { id, name: id, broad: true, erases: true, piece: 'piece', grades: [] };

/** Soft enough to show, for what is dark and quick, and for a line that is followed slowly. */
const SOFT: Readonly<Record<string, { quick: string; slow: string }>> = {
  pencil: { quick: '2B to 8B, best from 6B on', slow: '2B to 4B' },
  'charcoal pencil': { quick: '4B to 6B', slow: '2B' },
  charcoal: { quick: 'soft, or a 4B stick', slow: 'medium' },
};

/** Which grades suit some exercises, in words; undefined for a medium without. Others are as good. */
export function gradesFor({ id }: Pick<Medium, 'id'>, exercises: readonly Exercise[]): string | undefined {
  if (exercises.length === 0 || !Object.hasOwn(SOFT, id)) return undefined;
  const slow = exercises.every(({ rule }) => rule.pace === 'slow');
  return slow ? `${SOFT[id].slow} for a slow line` : `${SOFT[id].quick}, for what is dark and quick`;
}

/** Pieces to sharpen before the start: one for each stretch of drawing one lasts, and a spare from four on. */
export function piecesToSharpen({ minutesEach }: Medium, drawingMs: number): number {
  if (minutesEach === undefined || drawingMs === 0) return 0;
  const needed = Math.ceil(drawingMs / 60_000 / minutesEach);
  return needed > 3 ? needed + 1 : needed;
}

/** Sheets for so many drawings. */
export const sheetsFor = (drawings: number, perSheet: number): number => Math.ceil(drawings / perSheet);

/** Pictures to have at hand for so many poses: about a third more. */
export const withSpares = (poses: number): number => poses + Math.ceil(poses / 3);
