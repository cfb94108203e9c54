import { drawnReferences } from '../journal/history';
import type { Session } from '../journal/session';
import type { DrawnFacts } from './facets';
import { parsePictureReference } from './picture';

/** How often and when last each picture was drawn, by its id; its mirror image counts for it. */
export function drawnByPicture(sessions: readonly Session[]): Map<string, DrawnFacts> {
  const out = new Map<string, DrawnFacts>();
  for (const session of sessions)
    for (const reference of drawnReferences(session)) {
      const id = parsePictureReference(reference);
      if (id === undefined) continue;
      const before = out.get(id);
      out.set(id, {
        times: (before?.times ?? 0) + 1,
        lastMs: Math.max(before?.lastMs ?? 0, session.startedAtMs),
      });
    }
  return out;
}
