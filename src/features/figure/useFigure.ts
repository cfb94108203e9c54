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

/** A finished view that was shown lately. */
interface Seen {
  picture: Blob;
  /** Its address, which holds as long as it is remembered: what the browser has decoded is not decoded again. */
  url: string;
  reading: FigureReading | undefined;
}

/** After this long without turning, the finished picture is begun. */
const SETTLED_MS = 450;
/** So many finished views are at hand without asking the database or a worker. */
const LATELY = 12;
/** A picture that was replaced is gone from the screen by then. */
const REPLACED_MS = 1000;
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
  const [lately] = useState(() => new Map<string, Seen>());
  useEffect(
    () => () => {
      for (const { url } of lately.values()) URL.revokeObjectURL(url);
      lately.clear();
    },
    [lately],
  );
  useEffect(() => {
    let current = true;
    let finishing = false;
    // The newest last; the oldest goes, once nothing shows it any more.
    const remember = (seen: Seen): void => {
      lately.delete(shows);
      lately.set(shows, seen);
      for (const [old, { url }] of lately) {
        if (lately.size <= LATELY) break;
        lately.delete(old);
        setTimeout(() => URL.revokeObjectURL(url), REPLACED_MS);
      }
    };
    // What was known of another view does not hold for this one.
    const settled = (before: Shown): Shown =>
      before.shows === shows ? before : { ...before, busy: true, reading: undefined, shows };
    const show = (picture: Blob, url: string, busy: boolean): void =>
      setState((before) => ({ ...settled(before), url, picture, busy, failed: false }));
    let draftUrl: string | undefined;
    const dropDraft = (): void => {
      const url = draftUrl;
      draftUrl = undefined;
      if (url) setTimeout(() => URL.revokeObjectURL(url), REPLACED_MS);
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
      const draft = await inTurn((api) => api.draft(id, appearance, DRAFT));
      if (!current) return superseded;
      draftUrl = URL.createObjectURL(draft);
      show(draft, draftUrl, true);
      await new Promise((resolve) => setTimeout(resolve, SETTLED_MS));
      if (!current) return superseded;
      finishing = true;
      finisher.current ??= startFigureWorker();
      const picture = await finisher.current.api.render(id, appearance);
      finishing = false;
      return picture;
    };
    const known = lately.get(shows);
    let reading = known?.reading;
    if (known) {
      remember(known);
      void Promise.resolve().then(() => current && setState({ shows, ...finished(known) }));
    } else
      loadReferenceImage(id, appearance, render).then(
        (picture) => {
          if (!picture || !current) return;
          const url = URL.createObjectURL(picture);
          remember({ picture, url, reading });
          show(picture, url, false);
          dropDraft();
        },
        () => current && setState((before) => ({ ...settled(before), busy: false, failed: true })),
      );
    if (!reading)
      inTurn((api) => api.read(id, appearance)).then(
        (read) => {
          if (!current) return;
          reading = read;
          const seen = lately.get(shows);
          if (seen) seen.reading = read;
          setState((before) => ({ ...settled(before), reading: read }));
        },
        () => undefined,
      );
    return () => {
      current = false;
      dropDraft();
      if (!finishing) return;
      finisher.current?.stop();
      finisher.current = undefined;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `shows` says all that matters of id and appearance
  }, [shows]);
  if (state.shows === shows) return state;
  const seen = lately.get(shows);
  return seen ? finished(seen) : { ...state, busy: true, reading: undefined };
}

const finished = ({ picture, url, reading }: Seen): FigureState => ({
  picture,
  url,
  reading,
  busy: false,
  failed: false,
});
