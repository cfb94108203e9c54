'use client';
const KEYS: readonly [string, string][] = [
  ['Space', 'pause, go on'],
  ['Right, Page Down', 'next, or page full'],
  ['Left, Page Up', 'back, more time with it'],
  ['+', 'a little more'],
  ['R', 'start this again'],
  ['I', 'I peeked (blind contour)'],
  ['C', 'size of the clock'],
  ['F', 'full screen'],
  ['X', 'stop and keep'],
  ['?', 'these keys'],
];

export function KeysCard({ onClose }: { onClose: () => void }) {
  return (
    <section aria-label="Keys" className="absolute right-8 bottom-6 w-[min(340px,86%)] border border-rule bg-sheet p-5">
      <div className="flex items-baseline justify-between">
        <h2 className="text-[20px]">Keys</h2>
        <button type="button" className="btn-quiet btn btn-sm" onClick={onClose}>
          Close
        </button>
      </div>
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {KEYS.map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-semibold">{key}</dt>
            <dd className="text-quiet">{what}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
