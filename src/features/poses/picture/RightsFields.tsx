'use client';
import { LICENSES, type Picture } from '@/core/references/picture';
import { LICENSE_WORDS } from '../library/rightsWords';
import type { LibraryActions } from '../library/useLibraryActions';

const FIELDS = [
  ['source', 'Where it is from', 'a place, a collection'],
  ['credit', 'Credit line', 'the author, as it should be named'],
  ['permission', 'The sitter’s OK', 'who agreed, and when'],
] as const;

/** Whose the picture is and what may be done with it. */
export function RightsFields({
  picture: { id, rights, found, corrected },
  actions,
}: {
  picture: Picture;
  actions: LibraryActions;
}) {
  const ofPeople = (corrected.subject ?? found.subject ?? '').startsWith('people');
  return (
    <section aria-label="Rights">
      <h2 className="text-[20px]">Rights</h2>
      <div className="mt-1 flex flex-wrap gap-2" role="group" aria-label="License">
        {LICENSES.map((license) => (
          <button
            key={license}
            type="button"
            aria-pressed={rights.license === license}
            className={`btn-quiet btn btn-sm ${rights.license === license ? 'border-ink bg-base-300 font-semibold' : ''}`}
            onClick={() => actions.setRights([id], { license: rights.license === license ? null : license })}
          >
            {LICENSE_WORDS[license].name}
          </button>
        ))}
      </div>
      {rights.license && <p className="mt-1 text-[14px] text-quiet">{LICENSE_WORDS[rights.license].told}</p>}
      {rights.license === 'practice-only' && rights.credit === '' && (
        <p className="mt-1 text-[14px]">Showing a drawing from it needs a credit line: write it down now.</p>
      )}
      {rights.license === 'own' && ofPeople && rights.permission === '' && (
        <p className="mt-1 text-[14px]">Someone you know? Note their OK.</p>
      )}
      {FIELDS.map(([key, label, hint]) => (
        <label key={key} className="mt-2 flex items-center gap-3">
          <span className="w-[124px] shrink-0">{label}</span>
          <input
            key={rights[key]}
            className="input flex-1 input-sm"
            defaultValue={rights[key]}
            placeholder={hint}
            maxLength={300}
            onBlur={(event) => {
              const value = event.currentTarget.value.trim();
              if (value !== rights[key]) actions.setRights([id], { [key]: value });
            }}
          />
        </label>
      ))}
    </section>
  );
}
