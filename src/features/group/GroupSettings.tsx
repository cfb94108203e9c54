import type { Group } from '@/core/group/group';
import { SHEET_SIZES, type SheetSize } from '@/core/practice/paper/sheet';

/** What holds for all of a group: eye level, light, paper. */
export function GroupSettings({ group, onChange }: { group: Group; onChange: (group: Group) => void }) {
  return (
    <>
      <label className="flex items-center gap-2">
        <span className="text-quiet">Eye level</span>
        <input
          type="range"
          className="range w-36"
          min={0}
          max={0.9}
          step={0.01}
          value={group.eyeLevel}
          aria-valuetext={`${String(Math.round(group.eyeLevel * 100))} % down the sheet`}
          onChange={(event) => onChange({ ...group, eyeLevel: Number(event.target.value) })}
        />
      </label>
      <label className="flex items-center gap-2">
        <span className="text-quiet">eyes</span>
        <input
          type="number"
          className="input w-20"
          min={20}
          max={1000}
          value={group.eyeCm}
          onChange={(event) =>
            event.target.valueAsNumber >= 20 &&
            onChange({ ...group, eyeCm: Math.min(1000, event.target.valueAsNumber) })
          }
        />
        <span className="text-quiet">cm over the ground</span>
      </label>
      <label className="flex items-center gap-2">
        <span className="text-quiet">Light from the</span>
        <select
          className="select w-auto"
          value={group.lightFrom}
          onChange={(event) => onChange({ ...group, lightFrom: event.target.value === 'left' ? 'left' : 'right' })}
        >
          <option>left</option>
          <option>right</option>
        </select>
      </label>
      <label className="flex items-center gap-2">
        <span className="text-quiet">Paper</span>
        <select
          className="select w-auto"
          value={`${group.size} ${group.upright ? 'upright' : 'lying'}`}
          onChange={(event) => {
            const size = (Object.keys(SHEET_SIZES) as SheetSize[]).find((one) =>
              event.target.value.startsWith(`${one} `),
            );
            onChange({ ...group, size: size ?? group.size, upright: event.target.value.endsWith('upright') });
          }}
        >
          {Object.keys(SHEET_SIZES).flatMap((size) =>
            ['lying', 'upright'].map((way) => <option key={`${size} ${way}`}>{`${size} ${way}`}</option>),
          )}
        </select>
      </label>
    </>
  );
}
