'use client';
import { ArrowLeft, Clock, Crop, EyeOff, Trash2 } from 'lucide-react';
import { fullDate } from '@/core/dateWords';
import type { Route } from 'next';
import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { POINT_LAYERS, pointsKey } from '@/core/body/pointsKey';
import { readBody } from '@/core/body/readBody';
import { durationWords } from '@/core/practice/time/duration';
import { singlePosePlan } from '@/core/practice/plan/singlePose';
import { effectiveFacts } from '@/core/references/effectiveFacts';
import { type Picture, type PictureBox, pictureReferenceId } from '@/core/references/picture';
import { listWords } from '@/core/words';
import { alterPictures } from '@/storage/pictures/history';
import { cropPicture } from '@/storage/pictures/cropPicture';
import { useIsHidden } from '@/storage/references/hiddenReference';
import { useLibrary } from '@/storage/pictures/library';
import { storageProblem } from '@/storage/problems';
import { useStart } from '@/storage/hooks/useStart';
import { useCovered } from '@/storage/hooks/useCovered';
import { FigureOfPicture } from './FigureOfPicture';
import { AnswerKeyPanel } from '@/ui/answerKey/AnswerKeyPanel';
import { type LayerId, LAYERS, toggledLayer } from '@/ui/answerKey/layers';
import { DrawnFromMemory } from '@/ui/DrawnFromMemory';
import { Notice } from '@/ui/Notice';
import { type SeenAs, SeenAsChoice } from '@/ui/ValueFilters';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { pictureHref } from '../library/PictureCell';
import { told, useLibraryActions } from '../library/useLibraryActions';
import { useUndoKeys } from '../library/useUndoKeys';
import { FactList } from './FactList';
import { PicturePlate } from './PicturePlate';
import { PointTools } from './PointTools';
import { RightsFields } from './RightsFields';
import { Similar } from './Similar';
import { useImageOf } from './useImageOf';
import { usePoints } from './usePoints';
import { usePageKeys } from '@/ui/input/usePageKeys';

const LENGTHS_MS = [30_000, 60_000, 120_000, 300_000];
const FRESH_FRAME: PictureBox = { left: 0.25, top: 0.2, width: 0.5, height: 0.6 };
/** What is left out on purpose, most often. */
const LEFT_OUT = ['a hand', 'the head', 'the feet', 'what is held', 'the background', 'a part'];
type Framing = 'person' | 'close-up' | 'left out';

export function PicturePage() {
  const params = useSearchParams();
  const id = params.get('id') ?? '';
  const placeId = params.get('set') ?? 'library';
  const { pictures, problem } = useLibrary();
  const hidden = useIsHidden(pictureReferenceId(id));
  const picture = pictures?.find((p) => p.id === id);
  if (problem) return <Notice>{problem}</Notice>;
  if (!pictures) return <div className="mt-4 h-[70dvh] skeleton" aria-label="Fetching the picture" />;
  if (!picture)
    return (
      <div className="max-w-[60ch] py-8">
        <Notice tone="plain">
          There is no picture at this address any more. <Link href="/poses?set=library">See all your pictures</Link>.
        </Notice>
      </div>
    );
  if (hidden) return <DrawnFromMemory />;
  return <OnePicture key={id} picture={picture} all={pictures} placeId={placeId} />;
}

function OnePicture({ picture, all, placeId }: { picture: Picture; all: readonly Picture[]; placeId: string }) {
  const router = useRouter();
  const actions = useLibraryActions();
  const image = useImageOf(picture);
  const points = usePoints(picture);
  const covered = useCovered();
  const [layers, setLayers] = useState<ReadonlySet<LayerId>>(new Set());
  const [moving, setMoving] = useState(false);
  const [framing, setFraming] = useState<{ for: Framing; box: PictureBox; words: string }>();
  const [lifted, setLifted] = useState(false);
  const [seenAs, setSeenAs] = useState<SeenAs>('color');
  const { starting, start } = useStart(toastProblem);
  useUndoKeys();
  const { body } = points;
  const { id, name, widthPx, heightPx } = picture;
  const answers = useMemo(
    () => body && pointsKey(body.points, body.space, widthPx, heightPx),
    [body, widthPx, heightPx],
  );
  const reading = useMemo(
    () => body && readBody(body, effectiveFacts(picture).subject === 'people/two or more' ? 2 : 1),
    [body, picture],
  );
  const toggle = (layer: LayerId): void => setLayers((before) => toggledLayer(before, layer));
  usePageKeys((key) => {
    const layer = LAYERS.find((l) => l.hotkey === key && (POINT_LAYERS as readonly string[]).includes(l.id));
    if (layer) toggle(layer.id);
    return layer !== undefined;
  });

  const fail = (error: unknown): void => {
    toastProblem(storageProblem(error));
  };
  const drawNow = (ms: number): void => {
    unlockSound();
    start({ ...singlePosePlan(pictureReferenceId(id), ms), why: 'You chose this picture.' });
  };
  const applyFrame = (): void => {
    if (!framing) return;
    const { box } = framing;
    if (framing.for === 'person') points.find('full', box);
    else if (framing.for === 'close-up')
      cropPicture(picture, box).then((cropId) => router.push(pictureHref(cropId, placeId)), fail);
    else
      told(
        alterPictures('A part left out', [id], (p) => ({
          leftOut: [...(p.leftOut ?? []), { box, words: framing.words }],
        })),
        `Left out: ${framing.words}; it is veiled while you draw`,
      );
    setFraming(undefined);
  };
  const veiled = covered === true && effectiveFacts(picture).clothing === 'bare' && !lifted;
  const parent = picture.partOf && all.find((p) => p.id === picture.partOf?.pictureId);
  const parts = all.filter((p) => p.partOf?.pictureId === id && p.binnedAtMs === null);
  return (
    <div className="grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_400px]">
      <div className="min-w-0">
        <Link
          href={`/poses?set=${encodeURIComponent(placeId)}` as Route}
          className="mb-2 inline-flex items-center gap-1 py-1 text-quiet hover:text-ink"
        >
          <ArrowLeft size={15} aria-hidden /> Back to the pictures
        </Link>
        {image === undefined ? (
          <div className="h-[60dvh] skeleton" aria-label="Fetching the picture" />
        ) : image === null ? (
          <Notice tone="plain">
            The file of this picture is not at hand{picture.inFolder ? ': open its folder again from its set' : ''}.
            What you said about it is kept.
          </Notice>
        ) : (
          <PicturePlate
            url={image.url}
            name={name}
            widthPx={widthPx}
            heightPx={heightPx}
            veiled={veiled}
            seenAs={seenAs}
            body={body}
            answers={answers}
            shown={layers}
            moving={moving}
            onMove={points.move}
            box={framing?.box}
            onBox={(box) => framing && setFraming({ ...framing, box })}
            leftOut={(picture.leftOut ?? []).map(({ box }) => box)}
            lightFrom={effectiveFacts(picture).lightFrom}
          />
        )}
        <div className="mt-3 flex flex-wrap gap-2">
          {framing ? (
            <p className="flex flex-wrap items-center gap-2" role="status">
              {
                {
                  person: 'Draw the frame around the person.',
                  'close-up': 'Frame what you want to study.',
                  'left out': 'Frame what you will not draw.',
                }[framing.for]
              }
              {framing.for === 'left out' && (
                <select
                  className="select w-[150px] select-sm"
                  aria-label="What is left out"
                  value={framing.words}
                  onChange={(event) => setFraming({ ...framing, words: event.target.value })}
                >
                  {LEFT_OUT.map((words) => (
                    <option key={words}>{words}</option>
                  ))}
                </select>
              )}
              <button type="button" className="btn btn-sm" onClick={applyFrame}>
                Use this frame
              </button>
              <button type="button" className="btn-quiet btn btn-sm" onClick={() => setFraming(undefined)}>
                Cancel
              </button>
            </p>
          ) : (
            <>
              <PointTools
                points={points}
                moving={moving}
                onMoving={setMoving}
                onFrame={() => setFraming({ for: 'person', box: FRESH_FRAME, words: LEFT_OUT[0] })}
              />
              <button
                type="button"
                className="btn-quiet btn btn-sm max-sm:h-12"
                onClick={() => setFraming({ for: 'close-up', box: FRESH_FRAME, words: LEFT_OUT[0] })}
              >
                <Crop size={15} aria-hidden /> Close-up of a part
              </button>
              <button
                type="button"
                className="btn-quiet btn btn-sm max-sm:h-12"
                onClick={() => setFraming({ for: 'left out', box: FRESH_FRAME, words: LEFT_OUT[0] })}
              >
                <EyeOff size={15} aria-hidden /> Leave a part out
              </button>
              {(picture.leftOut?.length ?? 0) > 0 && (
                <button
                  type="button"
                  className="btn-quiet btn btn-sm max-sm:h-12"
                  onClick={() =>
                    told(
                      alterPictures('Nothing left out', [id], () => ({ leftOut: [] })),
                      'Nothing is left out',
                    )
                  }
                >
                  Leave nothing out ({listWords((picture.leftOut ?? []).map((l) => l.words))})
                </button>
              )}
              <SeenAsChoice className="max-sm:h-12" value={seenAs} onChange={setSeenAs} />
              {veiled && (
                <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={() => setLifted(true)}>
                  Lift the veil
                </button>
              )}
            </>
          )}
        </div>
      </div>
      <div className="flex min-w-0 flex-col gap-5">
        <header>
          <h1 className="text-[26px] leading-tight wrap-anywhere">{name}</h1>
          <p className="text-quiet">
            {widthPx} by {heightPx} pixels
            {picture.takenAtMs !== null && `, taken ${fullDate(picture.takenAtMs)}`}
            {parent && (
              <>
                , a part of <Link href={pictureHref(parent.id, placeId)}>{parent.name}</Link>
              </>
            )}
          </p>
          {parts.length > 0 && (
            <p className="text-[14px]">
              Close-ups:{' '}
              {parts.map((p) => (
                <Link key={p.id} href={pictureHref(p.id, placeId)} className="mr-2 link">
                  {p.name}
                </Link>
              ))}
            </p>
          )}
          <div className="mt-2 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn-quiet btn btn-sm max-sm:h-12"
              aria-pressed={picture.laterAtMs !== null}
              onClick={() => actions.later([id], picture.laterAtMs === null)}
            >
              <Clock size={15} aria-hidden /> {picture.laterAtMs === null ? 'For later' : 'Off the later shelf'}
            </button>
            <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={() => actions.bin([id])}>
              <Trash2 size={15} aria-hidden /> Put in the bin
            </button>
          </div>
          {picture.binnedAtMs !== null && <p className="mt-2">It is in the bin.</p>}
        </header>
        <section aria-label="Draw this picture">
          <p className="font-semibold">Draw this picture now</p>
          <div className="mt-2 flex flex-wrap gap-2">
            {LENGTHS_MS.map((ms) => (
              <button
                key={ms}
                type="button"
                className="btn max-sm:h-14"
                disabled={starting || !image}
                onClick={() => drawNow(ms)}
              >
                {durationWords(ms)}
              </button>
            ))}
          </div>
        </section>
        <FactList picture={picture} why={reading?.why ?? {}} actions={actions} />
        {body && (
          <AnswerKeyPanel shown={layers} only={POINT_LAYERS} onToggle={toggle} onClear={() => setLayers(new Set())} />
        )}
        {body && <FigureOfPicture body={body} aspect={widthPx / heightPx} flip={points.flip} />}
        <RightsFields picture={picture} actions={actions} />
        <Similar picture={picture} all={all} placeId={placeId} />
      </div>
    </div>
  );
}
