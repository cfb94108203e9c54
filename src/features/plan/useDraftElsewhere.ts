'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type Recipe, recipeSchema } from '@/core/practice/plan/recipe';
import { onChange } from '@/storage/changes';
import { loadSetting } from '@/storage/settings';

/** Reads a draft as it is kept; undefined for none, or one that isn't a recipe. */
function readDraft(json: string | undefined): Recipe | undefined {
  try {
    return recipeSchema.safeParse(JSON.parse(json ?? 'null')).data;
  } catch {
    return undefined;
  }
}

export interface DraftElsewhere {
  elsewhere: Recipe | undefined;
  /** Notes what this tab writes, so that it knows its own draft again. */
  written: (json: string) => void;
  /** Drops the other draft. */
  ignore: () => void;
}

/** Notices when another tab writes the plan draft, so that neither tab overwrites the other's without a word. */
export function useDraftElsewhere(): DraftElsewhere {
  const [elsewhere, setElsewhere] = useState<Recipe>();
  const own = useRef(new Set<string>());
  const written = useCallback((json: string): void => {
    own.current.add(json);
  }, []);
  useEffect(
    () =>
      onChange((store) => {
        if (store !== 'settings') return;
        loadSetting('planDraft').then(
          (json) => {
            const draft = json === undefined || own.current.has(json) ? undefined : readDraft(json);
            if (draft) setElsewhere(draft);
          },
          () => undefined,
        );
      }),
    [],
  );
  const ignore = useCallback((): void => setElsewhere(undefined), []);
  return { elsewhere, written, ignore };
}
