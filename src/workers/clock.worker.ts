/** Ticks that go on in a hidden tab, each stamped with this worker's own two clocks. */
const TICK_MS = 100;
setInterval(() => {
  postMessage({ monoMs: performance.now(), wallMs: Date.now() });
}, TICK_MS);
