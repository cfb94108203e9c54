'use client';
import { useState } from 'react';
import { CARD_WIDTH_MM } from '@/core/seeing/place';
import type { RoomProps } from './roomProps';

const CARD_RATIO = 53.98 / CARD_WIDTH_MM;
/** What most screens come near to, CSS pixels of a millimeter. */
const USUAL_PX_PER_MM = 3.78;
const RULER_CM = 5;

/** A card held against the screen tells how large a millimeter is on it. */
export function ScreenSize({ room, onChange }: RoomProps) {
  const [widthPx, setWidthPx] = useState(Math.round((room.pxPerMm ?? USUAL_PX_PER_MM) * CARD_WIDTH_MM));
  const pxPerMm = widthPx / CARD_WIDTH_MM;
  return (
    <section aria-labelledby="room-size">
      <h2 id="room-size" className="text-[20px]">
        How large your screen is
      </h2>
      <p className="mt-1 max-w-[60ch]">
        Hold a bank or library card against the frame and move the slider until both are alike. Then a figure can be
        shown exactly as tall as you want to draw it.
      </p>
      <div className="mt-3 max-w-full overflow-x-auto">
        <div
          className="grid place-content-center rounded-md border-2 border-ink text-center text-quiet"
          style={{ width: widthPx, height: widthPx * CARD_RATIO }}
        >
          your card
        </div>
      </div>
      <input
        type="range"
        className="range mt-3 w-full max-w-[420px]"
        aria-label="Width of the card on the screen"
        min={180}
        max={900}
        step={1}
        value={widthPx}
        onChange={(event) => setWidthPx(Number(event.target.value))}
      />
      <p className="mt-3 flex items-end gap-3">
        <span
          aria-hidden
          className="h-3 border-x border-b border-ink"
          style={{ width: RULER_CM * 10 * pxPerMm, flexShrink: 0 }}
        />
        <span className="text-[14px] text-quiet">{RULER_CM} cm by this measure</span>
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button type="button" className="btn" onClick={() => onChange({ pxPerMm: Math.round(pxPerMm * 1000) / 1000 })}>
          They are alike
        </button>
        <span role="status" className="text-quiet">
          {room.pxPerMm ? `Measured: ${room.pxPerMm.toFixed(2)} pixels a millimeter.` : 'Not measured yet.'}
        </span>
      </div>
    </section>
  );
}
