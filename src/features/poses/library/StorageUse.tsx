'use client';
import { useEffect, useState } from 'react';
import { bytesWords } from '@/core/words';
import { toast } from '@/ui/toast/toast';

/** In bytes. */
interface Use {
  used: number;
  of: number;
  kept: boolean;
}

async function measure(): Promise<Use | undefined> {
  const { usage = 0, quota = 0 } = (await navigator.storage?.estimate?.()) ?? {};
  if (quota === 0) return undefined;
  return { used: usage, of: quota, kept: (await navigator.storage.persisted?.()) ?? false };
}

/** How much room the pictures take, and whether the browser has promised to keep them. */
export function StorageUse({ changes }: { changes: unknown }) {
  const [use, setUse] = useState<Use>();
  useEffect(() => {
    let current = true;
    measure().then(
      (u) => current && setUse(u),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [changes]);
  if (!use) return null;
  const keep = (): void => {
    navigator.storage
      .persist()
      .then((kept) => {
        setUse({ ...use, kept });
        if (!kept)
          toast('The browser did not promise it. It usually does once Fox Minute is used more often or installed.');
      })
      .catch(() => undefined);
  };
  return (
    <p className="mt-6 text-[14px] text-quiet">
      Fox Minute uses {bytesWords(use.used)} of about {bytesWords(use.of)} in this browser.{' '}
      {use.kept ? (
        'The browser keeps it until you delete it.'
      ) : (
        <>
          The browser may clear it when the disk is full.{' '}
          <button type="button" className="link" onClick={keep}>
            Ask it to keep everything
          </button>
        </>
      )}
    </p>
  );
}
