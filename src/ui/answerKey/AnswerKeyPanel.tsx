import { type LayerId, LAYERS } from '@/ui/answerKey/layers';
import { Word } from '@/ui/Word';

const KEYS = '1234567890sp';
const inOrder = [...LAYERS].sort((a, b) => KEYS.indexOf(a.hotkey) - KEYS.indexOf(b.hotkey));

/** Which layers of the answer key lie over the picture; each has its key. */
export function AnswerKeyPanel({
  shown,
  onToggle,
  onClear,
  only,
}: {
  shown: ReadonlySet<LayerId>;
  onToggle: (layer: LayerId) => void;
  onClear: () => void;
  /** Layers that can be drawn here; missing for all. */
  only?: readonly LayerId[];
}) {
  return (
    <section aria-label="Answer key" className="no-print">
      <div className="flex items-baseline justify-between">
        <h2 className="text-[20px]">
          <Word of="answer key">Answer key</Word>
        </h2>
        {shown.size > 0 && (
          <button type="button" className="btn-quiet btn btn-sm" onClick={onClear}>
            Take all off
          </button>
        )}
      </div>
      <ul className="mt-1 grid grid-cols-2 gap-x-3">
        {inOrder
          .filter(({ id }) => !only || only.includes(id))
          .map(({ id, label, hotkey }) => (
            <li key={id}>
              <label className="flex min-h-[32px] cursor-pointer items-center gap-2 max-sm:min-h-[48px]">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={shown.has(id)}
                  onChange={() => onToggle(id)}
                />
                <span className="flex-1">{label}</span>
                <kbd className="kbd kbd-sm max-sm:hidden">{hotkey.toUpperCase()}</kbd>
              </label>
            </li>
          ))}
      </ul>
    </section>
  );
}
