'use client';
import { AppWindow, ChevronLeft, ChevronRight, CircleHelp, CopyPlus, Glasses, Pause, Play, Square } from 'lucide-react';
import type { ReactNode } from 'react';

function Control({
  label,
  word,
  hint,
  onPress,
  on,
  children,
}: {
  label: string;
  /** Under its sign, where there is room. */
  word: string;
  hint: string;
  onPress: () => void;
  on?: boolean;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className={`btn-quiet btn h-14 w-14 flex-col gap-0.5 px-0 max-sm:w-auto max-sm:min-w-0 max-sm:flex-1 lg:w-[66px] low:h-12 ${on ? 'border-ink' : ''}`}
      aria-label={label}
      aria-pressed={on}
      title={`${label} (${hint})`}
      onClick={(event) => {
        onPress();
        // Keys go to the session again, not to the button just pressed.
        event.currentTarget.blur();
      }}
    >
      {children}
      <span aria-hidden className="hidden text-[13px] leading-none font-normal lg:block">
        {word}
      </span>
    </button>
  );
}

/** What is done by hand while a session runs; each is a key too. */
export function RunControls({
  held,
  aidsShown,
  oneMore,
  onKey,
}: {
  held: boolean;
  aidsShown: boolean;
  oneMore: boolean;
  /** Presses the key that does it. */
  onKey: (key: string) => void;
}) {
  return (
    <div className="run-controls flex gap-2 max-sm:w-full max-sm:gap-1 low:gap-1">
      <Control label="Back" word="Back" hint="Left" onPress={() => onKey('ArrowLeft')}>
        <ChevronLeft aria-hidden size={20} />
      </Control>
      <Control label={held ? 'Go on' : 'Pause'} word={held ? 'Go on' : 'Pause'} hint="Space" onPress={() => onKey(' ')}>
        {held ? <Play aria-hidden size={20} /> : <Pause aria-hidden size={20} />}
      </Control>
      <Control label="Next" word="Next" hint="Right" onPress={() => onKey('ArrowRight')}>
        <ChevronRight aria-hidden size={20} />
      </Control>
      <Control label="One more" word="One more" hint="N" on={oneMore} onPress={() => onKey('n')}>
        <CopyPlus aria-hidden size={20} />
      </Control>
      <Control label="Stop and keep" word="Stop" hint="X" onPress={() => onKey('x')}>
        <Square aria-hidden size={20} />
      </Control>
      <Control label="Seeing aids" word="Aids" hint="Q" on={aidsShown} onPress={() => onKey('q')}>
        <Glasses aria-hidden size={20} />
      </Control>
      <span className="max-sm:hidden">
        <Control label="Second window" word="Window" hint="W" onPress={() => onKey('w')}>
          <AppWindow aria-hidden size={20} />
        </Control>
      </span>
      <span className="max-sm:hidden">
        <Control label="Keys" word="Keys" hint="?" onPress={() => onKey('?')}>
          <CircleHelp aria-hidden size={20} />
        </Control>
      </span>
    </div>
  );
}
