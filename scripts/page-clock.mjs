/** Shorter than what a session takes for sleep. */
const STEP_MS = 4000;

/** Runs in a page before its scripts: the session's ticks come from the page's own, driven clock, not from a worker's real one. */
function tickInPage() {
  const RealWorker = globalThis.Worker;
  globalThis.Worker = class extends RealWorker {
    constructor(url, options) {
      super(url, options);
      if (options?.name !== 'clock') return;
      let handle;
      this.postMessage = (everyMs) => {
        clearInterval(handle);
        handle = setInterval(() => {
          const data = { monoMs: performance.now(), wallMs: Date.now() };
          this.onmessage?.(new MessageEvent('message', { data }));
        }, everyMs);
      };
      this.terminate = () => {
        clearInterval(handle);
        super.terminate();
      };
    }
  };
}

/**
 * Have a page's time driven by hand, a session's ticks with it.
 * @param {import('@playwright/test').Page} page Before it is opened.
 * @param {{ time?: number | string | Date }} [options] As of when.
 */
export async function driveClock(page, options) {
  await page.clock.install(options);
  await page.addInitScript(tickInPage);
}

/**
 * Wait until the next pictures are decoded. Decoding takes real time: if a driven clock or quick keys overtake it, the session waits for its
 * picture.
 * @param {import('@playwright/test').Page} page
 */
export const picturesSeen = (page) => page.locator('[data-pictures="coming"]').waitFor({ state: 'detached' });

/**
 * Let time pass with the machine awake.
 * @param {import('@playwright/test').Page} page Whose clock is driven.
 * @param {number} ms
 */
export async function letPass(page, ms) {
  for (let left = ms; left > 0; left -= STEP_MS) {
    await picturesSeen(page);
    await page.clock.fastForward(Math.min(left, STEP_MS));
  }
}
