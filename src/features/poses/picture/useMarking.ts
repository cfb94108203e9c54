'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { withHorizon } from '@/core/body/pictureReading';
import type { Picture, PictureBox } from '@/core/references/picture';
import { cropPicture } from '@/storage/pictures/cropPicture';
import { alterPictures } from '@/storage/pictures/history';
import { storageProblem } from '@/storage/problems';
import { toastProblem } from '@/ui/toast/toast';
import { pictureHref } from '../library/PictureCell';
import { told } from '../library/useLibraryActions';
import type { Points } from './usePoints';

const FRESH_FRAME: PictureBox = { left: 0.25, top: 0.2, width: 0.5, height: 0.6 };
/** What is left out on purpose, most often. */
export const LEFT_OUT = ['a hand', 'the head', 'the feet', 'what is held', 'the background', 'a part'];
/** What a part of a picture is framed for. */
type FramedFor = 'person' | 'close-up' | 'left out';

export interface Marking {
  framing: { for: FramedFor; box: PictureBox; words: string } | undefined;
  begin: (what: FramedFor) => void;
  moveFrame: (box: PictureBox) => void;
  /** What is left out, in words. */
  setWords: (words: string) => void;
  applyFrame: () => void;
  /** Where the horizon is being drawn. */
  horizon: number | undefined;
  setHorizon: (at: number) => void;
  /** Keep it, or with null forget the one that was kept. */
  keepHorizon: (at: number | null) => void;
  cancel: () => void;
}

/** What is being marked on a picture: a frame around a part of it, or its horizon. */
export function useMarking(picture: Picture, points: Points, placeId: string): Marking {
  const router = useRouter();
  const { id } = picture;
  const { body } = points;
  const [framing, setFraming] = useState<Marking['framing']>();
  const [horizon, setHorizon] = useState<number>();
  const applyFrame = (): void => {
    if (!framing) return;
    const { box, words } = framing;
    if (framing.for === 'person') points.find('full', box);
    else if (framing.for === 'close-up')
      cropPicture(picture, box).then(
        (cropId) => router.push(pictureHref(cropId, placeId)),
        (error: unknown) => toastProblem(storageProblem(error)),
      );
    else
      told(
        alterPictures('A part left out', [id], (p) => ({ leftOut: [...(p.leftOut ?? []), { box, words }] })),
        `Left out: ${words}; it is veiled while you draw`,
      );
    setFraming(undefined);
  };
  const keepHorizon = (at: number | null): void => {
    setHorizon(undefined);
    if (body)
      told(
        alterPictures(at === null ? 'Horizon forgotten' : 'Horizon drawn', [id], (p) => withHorizon(p, body, at)),
        at === null ? 'The horizon is forgotten' : 'How it is seen is read from the horizon now',
      );
  };
  return {
    framing,
    begin: (what) => setFraming({ for: what, box: FRESH_FRAME, words: LEFT_OUT[0] }),
    moveFrame: (box) => setFraming((now) => now && { ...now, box }),
    setWords: (words) => setFraming((now) => now && { ...now, words }),
    applyFrame,
    horizon,
    setHorizon,
    keepHorizon,
    cancel() {
      setFraming(undefined);
      setHorizon(undefined);
    },
  };
}
