'use client';
const KEYS: readonly [heading: string, keys: readonly [string, string][]][] = [
  [
    'The clock',
    [
      ['Enter', 'the one key: on when it waits, go on, or pause'],
      ['Space', 'pause, go on'],
      ['Right, Page Down', 'next, or page full'],
      ['Left, Page Up', 'back, more time with it'],
      ['+ and -', 'a little more, a little less'],
      ['N', 'one more of this'],
      ['R', 'start this again'],
      ['X', 'stop and keep'],
      ['C', 'size of the clock'],
    ],
  ],
  [
    'The picture',
    [
      ['S', 'squint while held'],
      ['G, L', 'gray, lighter'],
      ['V, [ and ]', 'few values, where they part'],
      ['M, U', 'mirror, upside down'],
      ['P, D, E, J', 'plumb line, divide (without a picture: a perspective box), envelope, face'],
      ['A', 'pace along the edge'],
      ['Z', 'whole, or twice as large'],
      ['H', 'hide it'],
      ['K', 'answer key, after the time'],
      ['Q', 'all of these by hand'],
    ],
  ],
  [
    'Now and then',
    [
      ['I', 'I peeked, I lifted; hold it as long as you look'],
      ['O', 'the other exercise before a pose'],
      ['Y, T', 'whole figure down: yes, not yet'],
      ['1, 2', 'the line was loose, tight'],
      ['/', 'what is left of a pot, shared out evenly'],
      ['W', 'second window'],
      ['F', 'full screen'],
      ['?', 'these keys'],
    ],
  ],
];

export function KeysCard({ onClose }: { onClose: () => void }) {
  return (
    <section
      aria-label="Keys"
      className="absolute right-8 bottom-6 z-20 max-h-[92%] w-[min(720px,92%)] overflow-y-auto border border-rule bg-sheet p-5 max-sm:right-3"
    >
      <div className="flex items-baseline justify-between">
        <h2 className="text-[20px]">Keys</h2>
        <button type="button" className="btn-quiet btn btn-sm" onClick={onClose}>
          Close
        </button>
      </div>
      <div className="mt-2 grid gap-x-8 gap-y-4 sm:grid-cols-2">
        {KEYS.map(([heading, keys]) => (
          <div key={heading}>
            <h3 className="text-[16px]">{heading}</h3>
            <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5 text-[15px]">
              {keys.map(([key, what]) => (
                <div key={key} className="contents">
                  <dt className="font-semibold">{key}</dt>
                  <dd className="text-quiet">{what}</dd>
                </div>
              ))}
            </dl>
          </div>
        ))}
        <p className="text-[14px] text-quiet">Other keys, pedals and presenters are learned on the page “Your room”.</p>
      </div>
    </section>
  );
}
