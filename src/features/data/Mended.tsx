'use client';
import { loadSetting, saveSetting } from '@/storage/settings';
import { unreadableJson } from '@/storage/everything';
import { useStored } from '@/storage/hooks/useStored';
import { storageProblem } from '@/storage/problems';
import { download } from '@/ui/download';
import { Notice } from '@/ui/Notice';
import { toastProblem } from '@/ui/toast/toast';

async function loadMended(): Promise<string[]> {
  try {
    const told: unknown = JSON.parse((await loadSetting('mended')) ?? '[]');
    return Array.isArray(told) ? told.map(String) : [];
  } catch {
    return [];
  }
}

/** What had to be mended in what was kept, until it is read; and records kept apart because they cannot be read. */
export function Mended({ unreadable }: { unreadable: number }) {
  const told = useStored(loadMended, ['settings'], []).value ?? [];
  return (
    <>
      {told.length > 0 && (
        <div className="mt-4">
          <Notice tone="plain">
            <p className="font-semibold">Mended when Fox Minute was brought up to date:</p>
            <ul className="mt-1 max-h-[200px] list-disc overflow-auto pl-5 wrap-anywhere">
              {told.map((sentence) => (
                <li key={sentence}>{sentence}</li>
              ))}
            </ul>
            <button
              type="button"
              className="btn-quiet btn mt-2 btn-sm"
              onClick={() => {
                saveSetting('mended', '[]').catch((error: unknown) => toastProblem(storageProblem(error)));
              }}
            >
              Good
            </button>
          </Notice>
        </div>
      )}
      {unreadable > 0 && (
        <p className="mt-3">
          {unreadable === 1 ? 'One record' : `${String(unreadable)} records`} cannot be read by this version and{' '}
          {unreadable === 1 ? 'is' : 'are'} kept apart, as {unreadable === 1 ? 'it was' : 'they were'}.{' '}
          <button
            type="button"
            className="link-quiet"
            onClick={() => {
              unreadableJson().then(
                (json) => download(new Blob([json], { type: 'application/json' }), 'fox-minute-unreadable.json'),
                (error: unknown) => toastProblem(storageProblem(error)),
              );
            }}
          >
            Save as a file
          </button>
        </p>
      )}
    </>
  );
}
