'use client';
import { ArrowLeft, Clock, Trash2 } from 'lucide-react';
import { fullDate } from '@/core/dateWords';
import type { Route } from 'next';
import { Link } from '@/ui/Link';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { peopleIn } from '@/core/body/body';
import { aroundBody } from '@/core/body/pictureReading';
import { POINT_LAYERS, pointsKey } from '@/core/body/pointsKey';
import { readBody } from '@/core/body/readBody';
import { durationWords } from '@/core/practice/time/duration';
import { singlePosePlan } from '@/core/practice/plan/singlePose';
import { effectiveFacts } from '@/core/references/effectiveFacts';
import { type Picture, pictureReferenceId } from '@/core/references/picture';
import { useIsHidden } from '@/storage/references/hiddenReference';
import { useLibrary } from '@/storage/pictures/library';
import { useStart } from '@/storage/hooks/useStart';
import { useCovered } from '@/storage/hooks/useCovered';
import { FigureOfPicture } from './FigureOfPicture';
import { AnswerKeyPanel } from '@/ui/answerKey/AnswerKeyPanel';
import { type LayerId, LAYERS, toggledLayer } from '@/ui/answerKey/layers';
import { DrawnFromMemory } from '@/ui/DrawnFromMemory';
import { Notice } from '@/ui/Notice';
import type { SeenAs } from '@/ui/ValueFilters';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { pictureHref } from '../library/PictureCell';
import { useLibraryActions } from '../library/useLibraryActions';
import { useUndoKeys } from '../library/useUndoKeys';
import { FactList } from './FactList';
import { PicturePlate } from './PicturePlate';
import { PlateTools } from './PlateTools';
import { RightsFields } from './RightsFields';
import { Similar } from './Similar';
import { useImageOf } from './useImageOf';
import { useMarking } from './useMarking';
import { usePoints } from './usePoints';
import { usePageKeys } from '@/ui/input/usePageKeys';

const LENGTHS_MS = [30_000, 60_000, 120_000, 300_000];
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
  const actions = useLibraryActions();
  const image = useImageOf(picture);
  const points = usePoints(picture);
  const marking = useMarking(picture, points, placeId);
  const covered = useCovered();
  const [layers, setLayers] = useState<ReadonlySet<LayerId>>(new Set());
  const [moving, setMoving] = useState(false);
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
  const reading = useMemo(() => body && readBody(body, peopleIn(body), aroundBody(picture)), [body, picture]);
  const toggle = (layer: LayerId): void => setLayers((before) => toggledLayer(before, layer));
  usePageKeys((key) => {
    const layer = LAYERS.find((l) => l.hotkey === key && (POINT_LAYERS as readonly string[]).includes(l.id));
    if (layer) toggle(layer.id);
    return layer !== undefined;
  });

  const drawNow = (ms: number): void => {
    unlockSound();
    start({ ...singlePosePlan(pictureReferenceId(id), ms), why: 'You chose this picture.' });
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
            onChoose={points.choose}
            horizon={marking.horizon}
            onHorizon={marking.setHorizon}
            box={marking.framing?.box}
            onBox={marking.moveFrame}
            leftOut={(picture.leftOut ?? []).map(({ box }) => box)}
            lightFrom={effectiveFacts(picture).lightFrom}
          />
        )}
        {body && peopleIn(body) > 1 && (
          <p className="mt-2 text-[14px] text-quiet" role="status">
            {peopleIn(body)} people were found. What is said here, and the answer key, are of the one in the full frame;
            tap another to look at that one.
          </p>
        )}
        <div className="mt-3 flex flex-wrap gap-2">
          <PlateTools
            picture={picture}
            points={points}
            marking={marking}
            moving={moving}
            onMoving={setMoving}
            seenAs={seenAs}
            onSeenAs={setSeenAs}
            onLift={veiled ? () => setLifted(true) : undefined}
          />
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
