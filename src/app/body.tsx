'use client';
import { type ComponentType, type ReactNode, useEffect, useState } from 'react';

/**
 * What a page shows once the records in the browser are read: fetched while the page wakes up, shown as soon as it is there, and at once
 * from then on. Not React's own way of waiting, which holds back what has come for three tenths of a second once it has shown that it
 * waits.
 * @param fetchBody The component, from a file of its own.
 * @param path Of the page: opened there, it is fetched before the page wakes up.
 * @param waiting Stands there until then, on the server too.
 */
export function body<P extends object>(
  fetchBody: () => Promise<ComponentType<P>>,
  path: string,
  waiting: ReactNode = null,
): ComponentType<P> {
  let found: ComponentType<P> | undefined;
  const early = typeof location !== 'undefined' && location.pathname === path ? fetchBody() : undefined;
  // Whoever waits for it is told where it cannot be fetched.
  early?.catch(() => undefined);
  return function Body(props: P) {
    const [Shown, setShown] = useState<ComponentType<P> | undefined>(() => found);
    const [problem, setProblem] = useState<Error>();
    useEffect(() => {
      if (Shown) return;
      let current = true;
      (early ?? fetchBody())
        // Once more: the line may have been gone for a moment.
        .catch(fetchBody)
        .then(
          (component) => {
            found = component;
            if (current) setShown(() => component);
          },
          (error: unknown) => {
            if (current) setProblem(error instanceof Error ? error : new Error(String(error)));
          },
        );
      return () => {
        current = false;
      };
    }, [Shown]);
    // Told by the page that is shown when something fails.
    if (problem) throw problem;
    return Shown ? <Shown {...props} /> : waiting;
  };
}
