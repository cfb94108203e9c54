'use client';
import { Pause, Play, SkipBack, SkipForward } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { STUDIO } from '@/core/figure/picture/appearance';
import { useCovered } from '@/storage/hooks/useCovered';
import { type Client, handOver, startFigureWorker } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';
import type { MotionMoment } from '@/workers/motion.worker';

interface MotionPreviewProps {
  seconds: number;
  frameSeconds: number;
  /** The pose of a moment. */
  poseAt: (atSeconds: number) => Promise<MotionMoment | undefined>;
  /** A figure in that pose, seen from an azimuth of the world. */
  idOf: (moment: MotionMoment, azimuthDeg: number) => string;
  /** The moment that is seen is wanted. */
  onPick: (moment: MotionMoment) => void;
}

/** A moment to be drawn from a side, framed anew or as the one before. */
interface Wanted {
  at: number;
  azimuth: number;
  anew: boolean;
}

/** A clip played on the figure: on and off, frame by frame, from any side, and any moment of it taken. */
export function MotionPreview({ seconds, frameSeconds, poseAt, idOf, onPick }: MotionPreviewProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const worker = useRef<Client<FigureApi>>(undefined);
  const covered = useCovered();
  const [atSeconds, setAtSeconds] = useState(0);
  const [azimuthDeg, setAzimuthDeg] = useState(30);
  const [playing, setPlaying] = useState(false);
  const [cannot, setCannot] = useState(false);
  /** Which way it faces at the beginning, by the reading it is of: sides are told from there. */
  const front = useRef<{ of: MotionPreviewProps['poseAt']; headingDeg: number }>(undefined);
  const last = Math.max(0, seconds - frameSeconds);

  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const { width, height } = element.getBoundingClientRect();
    const started = startFigureWorker();
    worker.current = started;
    started.api.openLive(handOver(element), width, height, Math.min(2, window.devicePixelRatio)).catch(() => {
      setCannot(true);
    });
    return () => {
      started.stop();
      worker.current = undefined;
    };
  }, []);

  // One pose at a time: what was asked for meanwhile is drawn next, the last of it.
  const wanted = useRef<Wanted>(undefined);
  const drawing = useRef(false);
  useEffect(() => {
    if (covered === undefined) return;
    const before = wanted.current;
    wanted.current = { at: atSeconds, azimuth: azimuthDeg, anew: before?.azimuth !== azimuthDeg };
    if (drawing.current) return;
    drawing.current = true;
    void (async () => {
      try {
        let done: Wanted | undefined;
        while (wanted.current && wanted.current !== done) {
          done = wanted.current;
          if (front.current?.of !== poseAt) {
            const first = await poseAt(0);
            if (!first) return;
            front.current = { of: poseAt, headingDeg: first.headingDeg };
          }
          const moment = await poseAt(done.at);
          if (!moment || !worker.current) return;
          const azimuth = front.current.headingDeg + done.azimuth;
          await worker.current.api.playLive(idOf(moment, azimuth), { ...STUDIO, covered }, done.anew);
        }
      } catch {
        setCannot(true);
      } finally {
        drawing.current = false;
      }
    })();
  }, [atSeconds, azimuthDeg, covered, poseAt, idOf]);

  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    let from: number | undefined;
    const begun = atSeconds >= last ? 0 : atSeconds;
    const tick = (now: number): void => {
      from ??= now;
      const at = begun + (now - from) / 1000;
      setAtSeconds(Math.min(last, at));
      if (at < last) frame = requestAnimationFrame(tick);
      else setPlaying(false);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- it goes on from where it was when it was begun
  }, [playing, last]);

  const step = (frames: number): void => {
    setPlaying(false);
    setAtSeconds(Math.max(0, Math.min(last, atSeconds + frames * frameSeconds)));
  };
  return (
    <section aria-label="The clip on the figure" className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-3">
      <canvas ref={canvas} className="h-[320px] w-[300px] bg-plate" aria-label="The figure at this moment" role="img" />
      <div className="grid min-w-[260px] flex-1 gap-3">
        <label className="grid gap-1">
          <span>
            Moment <b className="tabular-nums">{atSeconds.toFixed(2)} s</b>
          </span>
          <input
            type="range"
            className="range"
            min={0}
            max={last}
            step={frameSeconds}
            value={atSeconds}
            onChange={({ target }) => {
              setPlaying(false);
              setAtSeconds(Number(target.value));
            }}
          />
        </label>
        <label className="grid gap-1">
          <span>From which side</span>
          <input
            type="range"
            className="range"
            min={-180}
            max={180}
            step={5}
            value={azimuthDeg}
            aria-valuetext={`${String(azimuthDeg)} degrees`}
            onChange={({ target }) => setAzimuthDeg(Number(target.value))}
          />
        </label>
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn-quiet btn" aria-label="A frame back" onClick={() => step(-1)}>
            <SkipBack size={18} aria-hidden />
          </button>
          <button type="button" className="btn" onClick={() => setPlaying(!playing)}>
            {playing ? <Pause size={18} aria-hidden /> : <Play size={18} aria-hidden />}
            {playing ? 'Pause' : 'Play'}
          </button>
          <button type="button" className="btn-quiet btn" aria-label="A frame on" onClick={() => step(1)}>
            <SkipForward size={18} aria-hidden />
          </button>
          <button
            type="button"
            className="btn-quiet btn"
            onClick={() => {
              setPlaying(false);
              void poseAt(atSeconds).then((moment) => moment && onPick(moment));
            }}
          >
            Take this moment
          </button>
        </div>
        {cannot && <p className="text-quiet">It cannot be drawn live here; moments can be taken all the same.</p>}
      </div>
    </section>
  );
}
