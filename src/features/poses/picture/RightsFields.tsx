'use client';
import { LICENSES, type Picture } from '@/core/references/picture';
import { useWriting } from '@/storage/hooks/useWriting';
import { alterPictures } from '@/storage/pictures/history';
import { storageProblem } from '@/storage/problems';
import { toastProblem } from '@/ui/toast/toast';
import { useTypedText } from '@/ui/useTypedText';
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
        <RightsText
          key={key}
          pictureId={id}
          label={label}
          hint={hint}
          value={rights[key]}
          onKeep={(value) => {
            alterPictures(
              'Rights changed',
              [id],
              (p) => ({ rights: { ...p.rights, [key]: value } }),
              `${id} ${key}`,
            ).catch((error: unknown) => toastProblem(storageProblem(error)));
          }}
        />
      ))}
    </section>
  );
}

/** One line of a picture's rights, kept as it is typed. */
function RightsText({
  pictureId,
  label,
  hint,
  value,
  onKeep,
}: {
  pictureId: string;
  label: string;
  hint: string;
  value: string;
  onKeep: (value: string) => void;
}) {
  const keep = useWriting(`${pictureId} ${label}`, (text: string) => onKeep(text.trim()));
  const typed = useTypedText(value, keep);
  return (
    <label className="mt-2 flex items-center gap-3">
      <span className="w-[124px] shrink-0">{label}</span>
      <input className="input flex-1 input-sm" placeholder={hint} maxLength={300} {...typed} />
    </label>
  );
}
