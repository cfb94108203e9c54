'use client';
import { Pin, RefreshCw, Shuffle } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { toast, toastProblem } from '@/ui/toast/toast';
import { sumPlan } from '@/core/practice/time/sums';
import { clockDigits } from '@/core/practice/time/duration';
import type { Picked } from '@/core/references/pick';
import { PICK_ORDERS, type PickOrder } from '@/core/references/pickOrder';
import { fulfills, type Wishes } from '@/core/references/wishes';
import { parsePictureReference } from '@/core/references/picture';
import { counted } from '@/core/words';
import { alterPictures } from '@/storage/pictures/history';
import { useStart } from '@/storage/hooks/useStart';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { FigureWishFields } from '@/ui/FigureWishFields';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { type PickSettings, type PickSource, usePicks } from './usePicks';

const MINUTES = [3, 5, 10, 15, 20, 30, 45, 60, 90, 120, 180];
const ORDER_TOLD: Record<PickOrder, string> = {
  'gentle to hard': 'gentle to hard',
  shuffled: 'shuffled',
  widen: 'widen what I draw',
  'own order': 'in my order',
  'same again': 'the same as last time',
};

function Pose({
  picked,
  number,
  facing,
  pinned,
  onReplace,
  onPin,
}: {
  picked: Picked;
  number: number;
  facing: string | undefined;
  pinned: boolean;
  onReplace: () => void;
  onPin: () => void;
}) {
  const url = useReferenceThumbnail(picked.id);
  const told = [
    facing === 'left' || facing === 'right' ? `faces ${facing}` : undefined,
    picked.mirrored ? 'mirrored' : undefined,
    picked.odd ? 'odd one out' : undefined,
    picked.again ? 'again' : undefined,
  ].filter(Boolean);
  return (
    <li className="w-[124px]">
      <span className="relative grid h-[130px] place-items-center bg-plate p-1">
        {url && <img src={url} alt={`Pose ${String(number)}`} className="max-h-[122px] max-w-full" />}
        <span className="absolute top-0 left-0 bg-ground/90 px-1 text-[13px] tabular-nums" aria-hidden>
          {number}
        </span>
      </span>
      <span className="block min-h-[20px] text-[13px] text-quiet">{told.join(', ')}</span>
      <span className="flex gap-1">
        <button
          type="button"
          className="btn-quiet btn flex-1 btn-xs max-sm:h-11"
          aria-label={`Another picture for pose ${String(number)}`}
          onClick={onReplace}
        >
          <RefreshCw size={13} aria-hidden /> Other
        </button>
        <button
          type="button"
          className={`btn-quiet btn btn-xs max-sm:h-11 ${pinned ? 'border-ink bg-base-300' : ''}`}
          aria-label={`Keep pose ${String(number)}`}
          aria-pressed={pinned}
          onClick={onPin}
        >
          <Pin size={13} aria-hidden />
        </button>
      </span>
    </li>
  );
}

/** A session's pictures at one press: what was picked and why; any of them exchanged; then drawing. */
export function PickPanel({
  source,
  name,
  minutes: savedMinutes,
  order: firstOrder,
  onClose,
}: {
  source: PickSource;
  name: string;
  minutes: number;
  order: PickOrder;
  onClose: () => void;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [settings, setSettings] = useState<PickSettings>(() => ({
    minutes: savedMinutes,
    order: firstOrder,
    level: true,
    mirror: false,
    odd: false,
    seed: Math.floor(Math.random() * 10_000),
  }));
  const [openedMs] = useState(() => Date.now());
  const { starting, start } = useStart(toastProblem);
  const [wishes, setWishes] = useState<Wishes>({});
  const wished = useMemo(() => ({ ...source, pool: source.pool.filter((r) => fulfills(r, wishes)) }), [source, wishes]);
  const { picked, reasons, plan, surplus, facing, replace, pinned, togglePin } = usePicks(wished, settings, openedMs);
  useEffect(() => dialog.current?.showModal(), []);
  const set = (part: Partial<PickSettings>): void => setSettings((before) => ({ ...before, ...part }));
  const minutes = [...new Set([...MINUTES, settings.minutes])].sort((a, b) => a - b);

  const draw = (): void => {
    if (!plan) return;
    unlockSound();
    const kept = surplus.flatMap((id) => parsePictureReference(id) ?? []);
    start(plan, async () => {
      if (kept.length > 0)
        await alterPictures(`${counted(kept.length, 'picture')} put on the later shelf`, kept, () => ({
          laterAtMs: Date.now(),
        }));
    });
  };
  return (
    // The dialog element handles Escape and focus by itself.
    <dialog
      ref={dialog}
      aria-labelledby="pick-heading"
      onClose={onClose}
      className="m-auto max-h-[92dvh] w-[min(1060px,96vw)] border border-ink bg-ground p-5 text-ink backdrop:bg-black/50 max-sm:p-3"
    >
      <header className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="pick-heading" className="text-[26px]">
          {picked.length > 0
            ? `${counted(picked.length, 'pose')} from “${name}”`
            : source.pool.length > 0
              ? `Nothing in “${name}” is like that. Ask for less.`
              : `There is nothing in “${name}” to draw from`}
        </h2>
        {plan && <p className="text-quiet">{clockDigits(sumPlan(plan).totalMs)} in all</p>}
      </header>
      <p className="mt-1 max-w-[80ch]" aria-live="polite">
        {reasons.join(' ')}
        {surplus.length > 0 && ` ${counted(surplus.length, 'picture')} you chose will wait on the later shelf.`}
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <label className="flex items-center gap-2">
          Minutes
          <select
            className="select w-[84px] select-sm"
            value={settings.minutes}
            onChange={(event) => set({ minutes: Number(event.target.value) })}
          >
            {minutes.map((m) => (
              <option key={m} value={m}>
                {m}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          Order
          <select
            className="select w-[190px] select-sm"
            value={settings.order}
            onChange={(event) => set({ order: event.target.value as PickOrder })}
          >
            {PICK_ORDERS.map((order) => (
              <option key={order} value={order}>
                {ORDER_TOLD[order]}
              </option>
            ))}
          </select>
        </label>
        {(
          [
            ['level', 'Level left and right'],
            ['mirror', 'Mirror where a side is short'],
            ['odd', 'One odd one out, last'],
          ] as const
        ).map(([key, words]) => (
          <label key={key} className="flex min-h-[32px] cursor-pointer items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={settings[key]}
              onChange={(event) => set({ [key]: event.target.checked })}
            />
            {words}
          </label>
        ))}
        {source.pool.some((r) => r.build !== undefined) && (
          <span role="group" aria-label="Only" className="flex flex-wrap items-center gap-2">
            <FigureWishFields wishes={wishes} className="select w-auto select-sm" onChange={setWishes} />
          </span>
        )}
        <button
          type="button"
          className="btn-quiet btn btn-sm"
          onClick={() => set({ seed: (settings.seed * 7919 + 1) % 10_000 })}
        >
          <Shuffle size={15} aria-hidden /> Another mix
        </button>
        <label className="flex items-center gap-2 text-[14px] text-quiet">
          Mix
          <input
            type="number"
            className="input w-[84px] input-sm"
            min={0}
            max={9999}
            value={settings.seed}
            onChange={(event) => set({ seed: Math.min(9999, Math.max(0, Math.round(Number(event.target.value)))) })}
          />
        </label>
      </div>
      <ol aria-label="Poses picked" className="mt-4 flex max-h-[46dvh] flex-wrap gap-3 overflow-auto">
        {picked.map((p, i) => (
          <Pose
            key={`${String(i)} ${p.id}`}
            picked={p}
            number={i + 1}
            facing={facing(p)}
            pinned={pinned.has(p.id)}
            onReplace={() => {
              if (!replace(i)) toast('There is no other picture in this choice.');
            }}
            onPin={() => togglePin(i)}
          />
        ))}
      </ol>
      <footer className="mt-4 flex flex-wrap gap-3">
        <button
          type="button"
          className="btn h-12 px-6 font-serif text-[20px] btn-primary"
          disabled={!plan || starting}
          onClick={draw}
        >
          Draw these
        </button>
        <button type="button" className="btn-quiet btn h-12" onClick={() => dialog.current?.close()}>
          Not now
        </button>
      </footer>
    </dialog>
  );
}
