import { RUN_KEYS } from '@/core/handbook/runKeys';

/** What the keys and pedals do. */
export function KeysChapter() {
  return (
    <>
      <h1 className="text-[30px]">Keys and pedals</h1>
      <p className="mt-1 max-w-[68ch] font-serif text-[19px]">With charcoal on the hands one key is enough.</p>
      <p className="mt-2 max-w-[68ch]">
        A pedal that types Page Down or Enter, a MIDI pedal, a game controller or the buttons of a headset do what the
        key “Enter” does: on when it waits, go on, or pause. Which one does what is chosen in your room. On a touch
        screen a tap on the picture pauses and goes on.
      </p>
      <div className="mt-5 grid gap-x-12 gap-y-6 lg:grid-cols-3">
        {RUN_KEYS.map(([heading, keys]) => (
          <section key={heading} className="border-t border-hairline pt-3">
            <h2 className="text-[20px]">{heading}</h2>
            <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
              {keys.map(([key, words]) => (
                <div key={key} className="contents">
                  <dt>
                    <kbd className="kbd kbd-sm">{key}</kbd>
                  </dt>
                  <dd>{words}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </>
  );
}
