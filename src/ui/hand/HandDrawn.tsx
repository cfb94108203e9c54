'use client';
import { useEffect, useRef } from 'react';
import type { HandDrawing } from '@/core/hand/stroke';
import { paintStrokes } from './paintStrokes';

/** Between two words to the owner about how far it is, milliseconds. */
const TELL_MS = 200;

/** A drawing by hand at a moment, or as it goes on from there: painted on a canvas of the given height. */
export function HandDrawn({
  drawing,
  fromMs,
  speed,
  onAt,
  height,
  label,
}: {
  drawing: HandDrawing;
  /** How far it has come; with another value it goes on from there. */
  fromMs: number;
  /** How many times as fast as it is drawn; 0 stands still. */
  speed: number;
  /** Told a few times a second how far it is while it goes on. */
  onAt: (ms: number) => void;
  /** CSS pixels. */
  height: number;
  label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const told = useRef(onAt);
  useEffect(() => {
    told.current = onAt;
  });
  const width = (height * drawing.width) / drawing.height;
  useEffect(() => {
    const screen = canvas.current;
    const context = screen?.getContext('2d');
    if (!screen || !context) return;
    const how = {
      scale: screen.height / drawing.height,
      long: Math.max(drawing.width, drawing.height),
      color: getComputedStyle(screen).color,
    };
    let at = fromMs;
    paintStrokes(context, drawing.strokes, { ...how, untilMs: at });
    if (speed === 0) return;
    let frame = 0;
    let toldAt = 0;
    let last = performance.now();
    const step = (now: number): void => {
      at = Math.min(drawing.tookMs, at + Math.max(0, now - last) * speed);
      last = now;
      paintStrokes(context, drawing.strokes, { ...how, untilMs: at });
      const done = at >= drawing.tookMs;
      if (done || now - toldAt > TELL_MS) {
        toldAt = now;
        told.current(at);
      }
      if (!done) frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [drawing, fromMs, speed, height]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      width={Math.round(width * 2)}
      height={Math.round(height * 2)}
      className="text-ink"
      style={{ width, height }}
    />
  );
}
