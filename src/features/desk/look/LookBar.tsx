'use client';
import { turnedOnce, turnedOver, UPRIGHT } from '@/core/desk/pair';
import { SeenAsChoice } from '@/ui/ValueFilters';
import { ARRANGEMENTS, type LineTool, type Look, SIDES } from './look';

const ARRANGEMENT_WORDS: Record<Look['arrangement'], string> = {
  'side by side': 'Side by side',
  over: 'Over each other',
  'in turn': 'In turn',
};
const WHICH_WORDS: Record<Look['which'], string> = {
  both: 'both',
  reference: 'the reference',
  drawing: 'the drawing',
};
const TOOL_WORDS: Record<LineTool, string> = { plumb: 'Plumb line', level: 'Level', any: 'Any line' };
const TOOLS = Object.keys(TOOL_WORDS) as LineTool[];

const button = 'btn btn-sm max-sm:h-12';

/** How a pair is laid out and seen, and the lines laid over both. */
export function LookBar({
  look,
  onLook,
  offers,
}: {
  look: Look;
  onLook: (look: Look) => void;
  /** What else can be laid over the two, and what it is called. */
  offers: readonly { id: 'between' | 'put' | 'lights'; words: string }[];
}) {
  const { arrangement, through, seenAs, back, turned, which, tool, lines } = look;
  const change = (some: Partial<Look>): void => onLook({ ...look, ...some });
  const pressed = (on: boolean): string => `${button} ${on ? 'bg-ink/10' : 'btn-quiet'}`;
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="How the two are laid">
        {ARRANGEMENTS.map((way) => (
          <button
            key={way}
            type="button"
            aria-pressed={arrangement === way}
            className={pressed(arrangement === way)}
            onClick={() => change({ arrangement: way })}
          >
            {ARRANGEMENT_WORDS[way]}
          </button>
        ))}
        {arrangement === 'over' && (
          <label className="flex items-center gap-2 text-[14px]">
            Reference seen through
            <input
              type="range"
              className="range w-[140px]"
              min={0}
              max={1}
              step={0.05}
              value={through}
              onChange={(event) => change({ through: Number(event.target.value) })}
            />
          </label>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="How they are seen">
        <SeenAsChoice value={seenAs} onChange={(way) => change({ seenAs: way })} className="max-sm:h-12" />
        <button type="button" aria-pressed={back} className={pressed(back)} onClick={() => change({ back: !back })}>
          Step back
        </button>
        <button
          type="button"
          aria-pressed={turned.mirrored}
          className={pressed(turned.mirrored)}
          onClick={() => change({ turned: turnedOver(turned) })}
        >
          Mirrored
        </button>
        <button
          type="button"
          aria-pressed={turned.quarters === 2}
          className={pressed(turned.quarters === 2)}
          onClick={() => change({ turned: { ...turned, quarters: turned.quarters === 2 ? 0 : 2 } })}
        >
          Upside down
        </button>
        <button type="button" className={pressed(false)} onClick={() => change({ turned: turnedOnce(turned) })}>
          A quarter turn
        </button>
        {(turned.mirrored || turned.quarters !== 0) && (
          <button type="button" className={pressed(false)} onClick={() => change({ turned: UPRIGHT })}>
            As it is
          </button>
        )}
        <label className="flex items-center gap-2 text-[14px]">
          on
          <select
            className="select w-auto select-sm max-sm:h-12"
            value={which}
            onChange={(event) => change({ which: event.target.value as Look['which'] })}
          >
            {(['both', ...SIDES] as const).map((side) => (
              <option key={side} value={side}>
                {WHICH_WORDS[side]}
              </option>
            ))}
          </select>
        </label>
      </div>
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Laid over both">
        {TOOLS.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={tool === one}
            className={pressed(tool === one)}
            onClick={() => change({ tool: tool === one ? undefined : one })}
          >
            {TOOL_WORDS[one]}
          </button>
        ))}
        {offers.map(({ id, words }) => (
          <button
            key={id}
            type="button"
            aria-pressed={look[id]}
            className={pressed(look[id])}
            onClick={() => change({ [id]: !look[id] })}
          >
            {words}
          </button>
        ))}
        {lines.length > 0 && (
          <button type="button" className={pressed(false)} onClick={() => change({ lines: [] })}>
            Take the lines off
          </button>
        )}
        {tool && (
          <span className="text-[14px] text-quiet">
            {tool === 'any' ? 'Draw it on either picture: it appears on both.' : 'Tap where it goes through.'}
          </span>
        )}
      </div>
      <p className="text-[13px] text-quiet max-sm:hidden">
        Keys: M mirrors, U upside down, Q a quarter turn, S squints, G gray, B steps back, O over each other, Esc back
        to the sheet.
      </p>
    </div>
  );
}
