import { group } from 'd3-array';
import * as z from 'zod/mini';
import { pageSchema } from '@/core/journal/session';
import { inkStrokeSchema } from '@/core/strokes/inkStroke';
import { announce } from './changes';
import { atomically, db, put } from './db';
import { imageKey } from './images';
import { countStrokes } from './sessions/strokes';

/** What ships of a page: its record without what is only known here, and the name of its photograph. */
const shippedSchema = z.array(
  z.object({
    id: z.string(),
    file: z.string().check(z.regex(/^[a-z0-9-]+\.jpg$/)),
    sessionId: pageSchema.shape.sessionId,
    widthPx: pageSchema.shape.widthPx,
    heightPx: pageSchema.shape.heightPx,
    sheet: pageSchema.shape.sheet,
  }),
);

async function fetched(path: string): Promise<Response> {
  const response = await fetch(path);
  if (!response.ok) throw new Error(`${path}: ${String(response.status)}`);
  return response;
}

/** Lay the demo learner's pages beside those of her sessions that are here; what is there already stays, in the bin too. */
export async function addDemoPages(): Promise<void> {
  const shipped = shippedSchema.parse(await (await fetched('/demo/pages.json')).json());
  for (const { file, ...page } of shipped) {
    const database = await db();
    const session = await database.get('sessions', page.sessionId);
    if (!session || (await database.getKey('pages', page.id)) !== undefined) continue;
    const [image, thumbnail] = await Promise.all(
      [file, `small-${file}`].map(async (name) => (await fetched(`/demo/${name}`)).blob()),
    );
    await atomically(['pages', 'images'], async (tx) => {
      await put(tx, 'pages', { ...page, addedAtMs: session.startedAtMs + session.lastSeenMs, binnedAtMs: null });
      await put(tx, 'images', image, imageKey('page', page.id));
      await put(tx, 'images', thumbnail, imageKey('thumbnail', page.id));
    });
    announce('pages');
  }
}

/** Lay her strokes beside those of her sessions on the screen that are here; once they are there they stay as they are. */
async function addDemoStrokes(): Promise<void> {
  const database = await db();
  const shipped = z.array(inkStrokeSchema).parse(await (await fetched('/demo/strokes.json')).json());
  for (const [sessionId, strokes] of group(shipped, (stroke) => stroke.sessionId)) {
    const here = (await database.getKey('sessions', sessionId)) !== undefined;
    if (!here || (await countStrokes(sessionId)) > 0) continue;
    await atomically(['strokes'], async (tx) => {
      for (const stroke of strokes) await put(tx, 'strokes', stroke);
    });
    announce('strokes');
  }
}

let adding: Promise<void> | undefined;

/** They are looked for again the next time: her sessions are gone, and may come back. */
export const forgetDemoPages = (): void => {
  adding = undefined;
};

/** Asked for whenever her sessions are looked at, done once a visit; without the network there are simply none. */
export function demoPagesOnce(): void {
  adding ??= Promise.all([addDemoPages(), addDemoStrokes()]).then(
    () => undefined,
    () => {
      adding = undefined;
    },
  );
}
