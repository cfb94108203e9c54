import { useEffect, useRef, useState } from 'react';
import { type Appearance, appearanceKey } from '@/core/figure/picture/appearance';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { type Client, startFigureWorker } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';

type Lines = Pick<DrawnKey, 'planes' | 'solids'>;
const FORMS = ['planes', 'solids'] as const;

/**
 * Borders of planes and solids over a figure's picture, found only when they are wanted, by a worker of their own.
 * @returns What is known of this view; of another view nothing.
 */
export function useFormLines(id: string, appearance: Appearance, wanted: ReadonlySet<string>): Lines {
  const worker = useRef<Client<FigureApi>>(undefined);
  const [known, setKnown] = useState<{ of: string; lines: Lines }>({ of: '', lines: {} });
  const of = id + appearanceKey(appearance);
  const missing = FORMS.filter((form) => wanted.has(form) && !(known.of === of && known.lines[form])).join();
  useEffect(
    () => () => {
      worker.current?.stop();
      worker.current = undefined;
    },
    [],
  );
  useEffect(() => {
    let current = true;
    for (const form of FORMS) {
      if (!missing.includes(form)) continue;
      worker.current ??= startFigureWorker();
      worker.current.api.lines(id, appearance, form).then(
        (lines) => {
          if (!current) return;
          setKnown((before) => ({ of, lines: { ...(before.of === of && before.lines), [form]: lines } }));
        },
        () => undefined, // without its lines the picture is still there
      );
    }
    return () => {
      current = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `of` says all that matters of id and appearance
  }, [of, missing]);
  return known.of === of ? known.lines : {};
}
