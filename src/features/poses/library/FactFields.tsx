import { valueWords } from '@/core/references/facets';
import { FACT_VALUES, FACT_WORDS, type FactName, SUBJECT_GROUPS, SUBJECTS, subjectId } from '@/core/references/facts';

/** Facts that are said of pictures by hand, in the order they are asked. */
export const TAGGED: readonly FactName[] = [
  'subject',
  'clothing',
  'extent',
  'hand',
  'view',
  'facing',
  'family',
  'eyeLevel',
  'difficulty',
  'foreshortened',
  'light',
  'lightFrom',
];

/** A choice of one fact's values. */
export function FactField({
  name,
  value,
  empty,
  onChange,
}: {
  name: FactName;
  value: string;
  /** What stands for no choice. */
  empty: string;
  onChange: (value: string | undefined) => void;
}) {
  return (
    <label className="flex items-center justify-between gap-3 py-1">
      <span>{FACT_WORDS[name]}</span>
      <select
        className="select w-[150px] select-sm"
        value={value}
        onChange={(event) => onChange(event.target.value || undefined)}
      >
        <option value="">{empty}</option>
        {name === 'subject'
          ? SUBJECT_GROUPS.map((group) => (
              <optgroup key={group} label={group}>
                {SUBJECTS[group].map((kind) => (
                  <option key={kind} value={subjectId(group, kind)}>
                    {kind}
                  </option>
                ))}
              </optgroup>
            ))
          : FACT_VALUES[name].map((v) => (
              <option key={v} value={v}>
                {valueWords(name, v)}
              </option>
            ))}
      </select>
    </label>
  );
}
