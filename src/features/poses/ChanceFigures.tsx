'use client';
import { Dices } from 'lucide-react';
import { useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import type { BuildName } from '@/core/figure/skeleton/builds';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import type { PictureSet } from '@/core/references/picture';
import { setFigures } from '@/storage/references/describeFigures';
import { saveSet } from '@/storage/pictures/pictures';
import { storageProblem } from '@/storage/problems';
import { FigureGrid } from './FigureCell';

const AT_A_TIME = 12;
const BUILDS_IN_TURN: readonly BuildName[] = ['masc', 'fem', 'lean', 'older', 'muscular', 'heavy', 'slight', 'stocky'];
const AZIMUTHS = [30, -40, 70, -20, 150, 10, -75, 45, -130, 20, -55, 100];

const figureIds = (roll: number): string[] =>
  Array.from({ length: AT_A_TIME }, (_, i) =>
    figureReferenceId({
      poseId: `chance.${String(roll * AT_A_TIME + i + 1)}`,
      build: BUILDS_IN_TURN[(roll + i) % BUILDS_IN_TURN.length],
      view: { azimuthDeg: AZIMUTHS[i], elevationDeg: 6, lensDeg: 26 },
    }),
  );

/** Poses made by chance from the authored ones, twelve at a time; each comes back from its number. */
export function ChanceFigures({ onKept }: { onKept: (setId: string) => void }) {
  const [roll, setRoll] = useState(() => Math.floor(Math.random() * 5000));
  const [keeping, setKeeping] = useState(false);
  const ids = figureIds(roll);
  const keep = (): void => {
    setKeeping(true);
    setFigures(ids)
      .then(async (figures) => {
        const set: PictureSet = {
          id: crypto.randomUUID(),
          name: `Chance poses ${String(roll * AT_A_TIME + 1)} to ${String((roll + 1) * AT_A_TIME)}`,
          createdAtMs: Date.now(),
          binnedAtMs: null,
          figures,
        };
        await saveSet(set);
        onKept(set.id);
      })
      .catch((error: unknown) => toastProblem(storageProblem(error)))
      .finally(() => setKeeping(false));
  };
  return (
    <section aria-label="Chance poses">
      <div className="flex flex-wrap items-center gap-3 py-4">
        <p className="max-w-[62ch] flex-1 max-sm:basis-full">
          Poses nobody thought up: blends of the authored ones, varied within what joints allow, and only those that
          stand without falling or running into themselves. Each is told by its number and comes back the same.
        </p>
        <button type="button" className="btn max-sm:h-14" onClick={() => setRoll(Math.floor(Math.random() * 5000))}>
          <Dices size={17} aria-hidden /> Another twelve
        </button>
        <button type="button" className="btn-quiet btn max-sm:h-14" disabled={keeping} onClick={keep}>
          {keeping ? 'Keeping' : 'Keep these as a set'}
        </button>
      </div>
      <FigureGrid
        label="Chance poses"
        figures={ids.map((id, i) => ({ id, name: `Chance pose ${String(roll * AT_A_TIME + i + 1)}` }))}
      />
    </section>
  );
}
