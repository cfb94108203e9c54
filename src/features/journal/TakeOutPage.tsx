'use client';
import { useState } from 'react';
import { posesDrawn } from '@/core/journal/drawings';
import type { Page, Session } from '@/core/journal/session';
import { type DrawnSource, exportGate, type Gate, type Purpose, PURPOSES } from '@/core/references/exportGate';
import { parsePictureReference } from '@/core/references/picture';
import { imageKey, loadImage } from '@/storage/images';
import { loadPicture } from '@/storage/pictures/pictures';
import { storageProblem } from '@/storage/problems';
import { download } from '@/ui/download';
import { Notice } from '@/ui/Notice';
import { withCredits } from './creditStrip';

/** The pictures of the learner's that a session was drawn from; figures of the program ask for nothing. */
async function sourcesOf(session: Session): Promise<DrawnSource[]> {
  const ids = new Set(
    posesDrawn(session).flatMap(({ referenceId }) => (referenceId && parsePictureReference(referenceId)) || []),
  );
  const pictures = await Promise.all([...ids].map((id) => loadPicture(id)));
  return pictures.map((picture) => ({ name: picture?.name ?? '', rights: picture?.rights ?? null }));
}

/** Take a page out to show it or to sell it, as far as the pictures it was drawn from allow. */
export function TakeOutPage({ page, session, number }: { page: Page; session: Session; number: number }) {
  const [gate, setGate] = useState<Gate>();
  const [problem, setProblem] = useState('');
  const takeOut = async (purpose: Purpose): Promise<void> => {
    const found = exportGate(purpose, await sourcesOf(session));
    if (!found.allowed) {
      setGate(found);
      return;
    }
    const photo = await loadImage(imageKey('page', page.id));
    if (!photo) throw new Error('The photograph of the page is not at hand.');
    download(await withCredits(photo, found.credits), `page-${String(number)}.jpg`);
    setGate(found);
  };
  return (
    <section aria-label="Take it out">
      <h3 className="text-[17px]">Take it out</h3>
      <p className="text-[14px] text-quiet">Nothing leaves this browser but what you take out yourself.</p>
      <div className="mt-2 flex flex-wrap gap-2">
        {PURPOSES.map((purpose) => (
          <button
            key={purpose}
            type="button"
            className="btn-quiet btn min-h-11"
            onClick={() => {
              setProblem('');
              setGate(undefined);
              takeOut(purpose).catch((error: unknown) => setProblem(storageProblem(error)));
            }}
          >
            {purpose === 'post' ? 'To show it' : 'To sell it'}
          </button>
        ))}
      </div>
      {gate && (
        <p className="mt-2 max-w-[44ch]" role="status">
          {gate.allowed ? `Taken out. ${gate.words}` : gate.words}
        </p>
      )}
      {problem && <Notice>{problem}</Notice>}
    </section>
  );
}
