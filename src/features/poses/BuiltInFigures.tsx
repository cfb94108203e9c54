'use client';
import { Download } from 'lucide-react';
import type { Route } from 'next';
import dynamic from 'next/dynamic';
import { Link } from '@/ui/Link';
import { useMemo, useState } from 'react';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { BUILT_IN_SETS, type BuiltInSet, isInSet } from '@/core/references/builtIn';
import { FigureGrid } from './FigureCell';
import type { PickTarget } from './pick/PickFor';
import { SharedScreen } from './SharedScreen';
import { takeOutPoses } from './takeOutPoses';
import { intoView } from '@/ui/intoView';

const PickFor = dynamic(() => import('./pick/PickFor').then((m) => m.PickFor));

/** The built-in figures: always there, each to be turned and drawn from any side; all of them or one family of poses. */
export function BuiltInFigures({
  set,
  onPractice,
  onAddOwn,
}: {
  set: BuiltInSet;
  onPractice: () => void;
  onAddOwn: () => void;
}) {
  const [picking, setPicking] = useState(false);
  const target = useMemo((): PickTarget => ({ name: set.name, placeId: set.id }), [set]);
  const figures = CATALOGUE.filter((entry) => isInSet(entry, set));
  const takeOut = (): void =>
    takeOutPoses(
      set.name,
      figures.map(({ id }) => id),
    );
  return (
    <section aria-label={set.name}>
      <div className="flex flex-wrap items-center gap-3 py-4">
        <p className="max-w-[62ch] flex-1 max-sm:basis-full">
          A village gets ready for its lantern pageant. Clay figures, yours to use: open one to turn and light it, and
          to see its answer key.
        </p>
        <button type="button" className="btn btn-primary max-sm:h-14" onClick={() => setPicking(true)}>
          Pick for me
        </button>
        <button type="button" className="btn-quiet btn max-sm:h-14" onClick={onPractice}>
          Practice from this set
        </button>
        <button type="button" className="btn-quiet btn max-sm:h-14" onClick={onAddOwn}>
          Add your own pictures
        </button>
      </div>
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2 pb-4">
        <nav
          aria-label="Families of poses"
          className="row-sideways flex min-w-[300px] flex-1 flex-wrap gap-1 max-sm:min-w-0 max-sm:basis-full"
        >
          {BUILT_IN_SETS.map(({ id, family }) => (
            <Link
              key={id}
              href={(family ? `/poses?set=${encodeURIComponent(id)}` : '/poses') as Route}
              scroll={false}
              ref={id === set.id ? intoView : undefined}
              aria-current={id === set.id ? 'true' : undefined}
              className={`rounded-[4px] border px-3 py-1 max-sm:py-3 ${id === set.id ? 'border-ink bg-sheet font-semibold' : 'border-transparent hover:border-rule'}`}
            >
              {family ?? 'all'}
            </Link>
          ))}
        </nav>
        <span className="ml-auto">
          <SharedScreen label="Covered figures only" />
        </span>
        <button type="button" className="btn-quiet btn btn-sm max-sm:h-14" onClick={takeOut}>
          <Download size={15} aria-hidden /> Poses as JSON
        </button>
      </div>
      <FigureGrid label={set.name} figures={figures} />
      {picking && <PickFor target={target} onClose={() => setPicking(false)} />}
    </section>
  );
}
