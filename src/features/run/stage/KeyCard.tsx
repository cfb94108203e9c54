'use client';

/** Beside the answer key of the pose just drawn. */
export function KeyCard({ working, onClose }: { /** It is being computed. */ working: boolean; onClose: () => void }) {
  return (
    <section aria-label="Answer key" className="absolute top-10 left-12 z-10 max-w-[280px] bg-sheet p-4 max-sm:left-6">
      <p className="font-serif text-[22px] leading-tight">Answer key</p>
      <p className="mt-1 text-quiet">
        Action line, masses, tilts, landmarks of the pose just drawn. The clock is on hold.
      </p>
      {working && (
        <p role="status" className="mt-1 flex items-center gap-2">
          <span aria-hidden className="loading loading-sm loading-spinner" /> Measuring the pose…
        </p>
      )}
      <button type="button" className="btn mt-3" onClick={onClose}>
        Go on <kbd className="kbd kbd-sm">Space</kbd>
      </button>
    </section>
  );
}
