'use client';
import { posesDrawn } from '@/core/journal/drawings';
import type { Page, Session } from '@/core/journal/session';
import type { Gate, Purpose } from '@/core/references/exportGate';
import { imageKey, loadImage } from '@/storage/images';
import { storageProblem } from '@/storage/problems';
import { gateFor } from '@/storage/references/takingOut';
import { withCredits } from '@/ui/creditStrip';
import { download } from '@/ui/download';
import { TakeOut } from '@/ui/TakeOut';

/** Take a page out to show it or to sell it, as far as the pictures it was drawn from allow. */
export function TakeOutPage({ page, session, number }: { page: Page; session: Session; number: number }) {
  const take = async (purpose: Purpose): Promise<Gate> => {
    const gate = await gateFor(
      purpose,
      posesDrawn(session).map(({ referenceId }) => referenceId),
    );
    if (!gate.allowed) return gate;
    const photo = await loadImage(imageKey('page', page.id));
    if (!photo) throw new Error('The photograph of the page is not at hand.');
    download(await withCredits(photo, gate.credits), `page-${String(number)}.jpg`);
    return gate;
  };
  return <TakeOut onTake={take} problemOf={storageProblem} />;
}
