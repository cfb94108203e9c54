'use client';
import { useEffect, useState } from 'react';

export interface ObjectUrl {
  blob: Blob;
  /** Holds while it is shown: it is taken back with the key, and when one leaves. */
  url: string;
}
type Load = (key: string, gone: AbortSignal) => Promise<Blob | undefined>;

/**
 * An address for what is loaded for a key, taken back when it is no longer shown.
 * @param load Must stay the same function; `gone` tells it when nobody waits any more.
 * @returns undefined while it is loaded and where there is no key, null when it cannot be had; never what belongs to the key before.
 */
export function useObjectUrl(key: string | undefined, load: Load): ObjectUrl | null | undefined {
  const [made, setMade] = useState<{ key: string; load: Load; object: ObjectUrl | null }>();
  useEffect(() => {
    if (key === undefined) return;
    const gone = new AbortController();
    let url: string | undefined;
    const show = (blob: Blob | undefined): void => {
      if (gone.signal.aborted) return;
      url = blob && URL.createObjectURL(blob);
      setMade({ key, load, object: blob && url ? { blob, url } : null });
    };
    load(key, gone.signal).then(show, () => show(undefined));
    return () => {
      gone.abort();
      setMade(undefined);
      if (url) URL.revokeObjectURL(url);
    };
  }, [key, load]);
  return made?.key === key && made?.load === load ? made?.object : undefined;
}
