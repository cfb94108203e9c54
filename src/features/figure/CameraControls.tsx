import { ArrowDown, ArrowUp, FlipHorizontal2, Hand, RotateCcw, RotateCw, Shuffle } from 'lucide-react';
import { BUILD_NAMES, BUILD_WORDS, type BuildName } from '@/core/figure/skeleton/buildNames';
import type { FigureReference } from '@/core/figure/catalogue/referenceId';
import { LENS, RAISE_DEG, TURN_DEG } from './views';

const MOVES = [
  { label: 'Turn left', arrow: 'Left', Icon: RotateCcw, by: { turnDeg: -TURN_DEG } },
  { label: 'Turn right', arrow: 'Right', Icon: RotateCw, by: { turnDeg: TURN_DEG } },
  { label: 'From higher', arrow: 'Up', Icon: ArrowUp, by: { raiseDeg: RAISE_DEG } },
  { label: 'From lower', arrow: 'Down', Icon: ArrowDown, by: { raiseDeg: -RAISE_DEG } },
] as const;

/** Around the figure, up and down, and how strongly the lens foreshortens; who it is; the mirror. */
export function CameraControls({
  reference,
  onMove,
  onAnother,
  onMirror,
  onBuild,
  onMoveJoints,
}: {
  reference: FigureReference;
  onMove: (by: { turnDeg?: number; raiseDeg?: number; lensDeg?: number }) => void;
  onAnother: () => void;
  onMirror: () => void;
  onBuild: (build: BuildName) => void;
  /** Take hold of its joints; missing for what has none to move. */
  onMoveJoints: (() => void) | undefined;
}) {
  const button = 'btn-quiet btn max-sm:h-14 max-sm:min-w-14';
  const { lensDeg } = reference.view;
  return (
    <div
      className="no-print mt-3 flex flex-wrap items-center gap-x-2 gap-y-3"
      role="toolbar"
      aria-label="Where you look from"
    >
      {MOVES.map(({ label, arrow, Icon, by }) => (
        <button
          key={label}
          type="button"
          className={button}
          title={`${label} (${arrow} arrow)`}
          aria-label={label}
          onClick={() => onMove(by)}
        >
          <Icon size={17} aria-hidden />
        </button>
      ))}
      <button type="button" className={button} onClick={onMirror}>
        <FlipHorizontal2 size={17} aria-hidden /> Mirror <kbd className="kbd kbd-sm max-sm:hidden">M</kbd>
      </button>
      <label className="flex items-center gap-2 px-2 text-[14px]">
        flat
        <input
          type="range"
          className="range w-[84px]"
          aria-label="Lens, from flat to strongly wide"
          min={LENS.low}
          max={LENS.high}
          step={2}
          value={lensDeg}
          onChange={(event) => onMove({ lensDeg: Number(event.target.value) - lensDeg })}
        />
        wide
      </label>
      <div className="flex flex-wrap items-center gap-x-2 gap-y-3">
        <label className="flex items-center gap-2 text-[14px]">
          <span className="sr-only">Build</span>
          <select
            className="select w-auto max-sm:h-14"
            aria-label="Build of the figure"
            value={reference.build}
            onChange={(event) => onBuild(event.target.value as BuildName)}
          >
            {BUILD_NAMES.map((build) => (
              <option key={build} value={build}>
                {BUILD_WORDS[build]}
              </option>
            ))}
          </select>
        </label>
        {onMoveJoints && (
          <button type="button" className={button} onClick={onMoveJoints}>
            <Hand size={17} aria-hidden /> Move joints <kbd className="kbd kbd-sm max-sm:hidden">J</kbd>
          </button>
        )}
        <button type="button" className={button} onClick={onAnother}>
          <Shuffle size={17} aria-hidden /> Another view <kbd className="kbd kbd-sm max-sm:hidden">N</kbd>
        </button>
      </div>
    </div>
  );
}
