'use client';
import { useEffect, useRef, useState } from 'react';
import { type Appearance, appearanceKey } from '@/core/figure/picture/appearance';
import type { AnswerKey } from '@/core/figure/facts/answerKey';
import type { FigureFacts } from '@/core/figure/catalogue/reference';
import { loadReferenceImage } from '@/storage/references/references';
import { type Client, startFigureWorker } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';

interface FigureReading {
  key: AnswerKey;
  sentences: string[];
  facts: FigureFacts;
}
export interface FigureState {
  /** Address of the picture; the one before it stays until there is another. */
  url: string | undefined;
  picture: Blob | undefined;
  /** A finished picture is being made. */
  busy: boolean;
  failed: boolean;
  /** What is known of this very view; undefined while it is read. */
  reading: FigureReading | undefined;
}

interface Shown extends FigureState {
  /** The view that all of it belongs to. */
  shows: string;
}

/** After this long without turning, the finished picture is begun. */
const SETTLED_MS = 450;
/** So many finished views are at hand without asking the database. */
const LATELY = 12;
const DRAFT = { longSidePx: 620, ground: true } as const;

/** A promise that never settles: what was asked for is no longer wanted. */
const superseded = new Promise<never>(() => undefined);

/**
 * Picture and facts of a figure's view. While it is turned, drafts follow as fast as they can be drawn, the newest only; when it
 * stays, the finished picture takes their place.
 */
export function useFigure(id: string, appearance: Appearance): FigureState {
  const drafts = useRef<Client<FigureApi>>(undefined);
  const finisher = useRef<Client<FigureApi>>(undefined);
  const [state, setState] = useState<Shown>({
    url: undefined,
    picture: undefined,
    busy: true,
    failed: false,
    reading: undefined,
    shows: '',
  });
  const shows = id + appearanceKey(appearance);
  useEffect(
    () => () => {
      drafts.current?.stop();
      finisher.current?.stop();
      drafts.current = finisher.current = undefined;
    },
    [],
  );
  const turn = useRef(Promise.resolve());
  const lately = useRef(new Map<string, Blob>());
  useEffect(() => {
    let current = true;
    let finishing = false;
    // What was known of another view does not hold for this one.
    const settled = (before: Shown): Shown =>
      before.shows === shows ? before : { ...before, busy: true, reading: undefined, shows };
    const show = (picture: Blob, busy: boolean): void => {
      if (!current) return;
      const url = URL.createObjectURL(picture);
      setState((before) => {
        const old = before.url;
        if (old) setTimeout(() => URL.revokeObjectURL(old), 1000);
        return { ...settled(before), url, picture, busy, failed: false };
      });
    };
    // One piece of work at a time: whoever waited meanwhile looks whether it is still wanted.
    const inTurn = <T>(work: (api: Client<FigureApi>['api']) => Promise<T>): Promise<T> => {
      const result = turn.current.then(() => {
        if (!current) return undefined;
        drafts.current ??= startFigureWorker();
        return work(drafts.current.api);
      });
      turn.current = result.then(
        () => undefined,
        () => undefined,
      );
      return result.then((value) => value ?? superseded);
    };
    const render = async (): Promise<Blob> => {
      show(await inTurn((api) => api.draft(id, appearance, DRAFT)), true);
      await new Promise((resolve) => setTimeout(resolve, SETTLED_MS));
      if (!current) return superseded;
      finishing = true;
      finisher.current ??= startFigureWorker();
      const picture = await finisher.current.api.render(id, appearance);
      finishing = false;
      return picture;
    };
    const known = lately.current.get(shows);
    const loading = known ? Promise.resolve(known) : loadReferenceImage(id, appearance, render);
    loading.then(
      (picture) => {
        if (!picture) return;
        show(picture, false);
        // The newest last; the oldest goes.
        lately.current.delete(shows);
        lately.current.set(shows, picture);
        for (const old of lately.current.keys()) if (lately.current.size > LATELY) lately.current.delete(old);
      },
      () => current && setState((before) => ({ ...settled(before), busy: false, failed: true })),
    );
    inTurn((api) => api.read(id, appearance)).then(
      (reading) => current && setState((before) => ({ ...settled(before), reading })),
      () => undefined,
    );
    return () => {
      current = false;
      if (!finishing) return;
      finisher.current?.stop();
      finisher.current = undefined;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `shows` says all that matters of id and appearance
  }, [shows]);
  return state.shows === shows ? state : { ...state, busy: true, reading: undefined };
}
