import type { Group } from '@/core/group/group';
import type { Placed } from '@/core/group/placeMembers';
import { posesDrawn } from '@/core/journal/drawings';
import type { Page } from '@/core/journal/session';
import type { Gate, Purpose } from '@/core/references/exportGate';
import { gateForPictures } from '@/storage/references/takingOut';
import { loadSession } from '@/storage/sessions/sessions';
import { withCredits } from '@/ui/creditStrip';
import { download } from '@/ui/download';
import { groupPicture } from './groupPicture';
import type { MemberPicture } from './MemberPictures';

/** The sheet as a picture, as far as what is to be seen in it allows. */
export async function takeGroupOut(
  purpose: Purpose,
  group: Group,
  placed: readonly Placed[],
  pictures: ReadonlyMap<string, MemberPicture>,
  pages: readonly Page[],
): Promise<Gate> {
  const drawnFrom = await Promise.all(
    group.members.map(async ({ source }): Promise<string | null> => {
      if (source.kind !== 'drawing') return null;
      const session = await loadSession(pages.find(({ id }) => id === source.pageId)?.sessionId ?? '');
      return (session && posesDrawn(session).find((d) => d.drawing === source.drawing)?.referenceId) ?? null;
    }),
  );
  const shown = group.members.flatMap(({ source }) => (source.kind === 'reference' ? [source.referenceId] : []));
  const gate = await gateForPictures(purpose, shown, drawnFrom);
  if (!gate.allowed) return gate;
  const image = await withCredits(await groupPicture(group, placed, pictures), gate.credits);
  download(image, `${group.name || 'group'}.${image.type === 'image/png' ? 'png' : 'jpg'}`);
  return gate;
}
