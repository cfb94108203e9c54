import * as z from 'zod/mini';
import { changeSetting, loadSetting } from '@/storage/settings';
import { type Stored, useStored } from '@/storage/hooks/useStored';

const ROOMS = ['desk', 'easel', 'model', 'pocket'] as const;
const VOICES = ['never', 'blind work', 'always'] as const;

/** How sessions look, sound and are steered in the room one draws in. */
const roomSchema = z.object({
  room: z._default(z.enum(ROOMS), 'desk'),
  /** The hand that draws: words and controls keep to the other side. */
  hand: z._default(z.enum(['right', 'left']), 'right'),
  /** What sessions are drawn on. */
  drawsOn: z._default(z.enum(['paper', 'screen']), 'paper'),
  /** What a lift does to one line on the screen. */
  liftDoes: z._default(z.enum(['counts', 'ends']), 'counts'),
  voice: z._default(z.enum(VOICES), 'blind work'),
  beats: z._default(z.boolean(), true),
  stages: z._default(z.boolean(), true),
  /** A reminder to look back at the reference, this often; 0 for none. */
  lookBackMs: z._default(z.int().check(z.minimum(0), z.maximum(600_000)), 0),
  /** With the clock put away the end is rung. */
  endWithoutClock: z._default(z.boolean(), true),
  vibrate: z._default(z.boolean(), false),
  /** The picture may be seen in the lead-in, unless its exercise is about having seen it only for so long. */
  leadInShows: z._default(z.boolean(), false),
  /** Figures of mixed pictures are brought to one apparent size. */
  evenSizes: z._default(z.boolean(), false),
  /** Learned keys and pedals: what was pressed, and the key it stands for. */
  learned: z._default(z.record(z.string().check(z.maxLength(40)), z.string().check(z.maxLength(12))), {}),
  /** Pixels of a millimeter on this screen, measured with a card; missing before it was. */
  pxPerMm: z.optional(z.number().check(z.minimum(1), z.maximum(40))),
});
export type Room = z.infer<typeof roomSchema>;
export const PLAIN_ROOM: Room = roomSchema.parse({});

function parseRoom(kept: string | undefined): Room {
  if (kept === undefined) return PLAIN_ROOM;
  try {
    return roomSchema.parse(JSON.parse(kept));
  } catch {
    // Not readable any more: as it comes.
    return PLAIN_ROOM;
  }
}

export const loadRoom = async (): Promise<Room> => parseRoom(await loadSetting('room'));

export const changeRoom = (change: Partial<Room>): Promise<void> =>
  changeSetting('room', (before) => JSON.stringify(roomSchema.parse({ ...parseRoom(before), ...change })));

export const useRoom = (): Stored<Room> => useStored(loadRoom, ['settings'], []);
