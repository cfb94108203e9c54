/** Ticks that go on in a hidden tab, each stamped with this worker's own two clocks; how often is told by the page. */
let handle: ReturnType<typeof setInterval> | undefined;
onmessage = ({ data: everyMs }: MessageEvent<number>) => {
  clearInterval(handle);
  handle = setInterval(() => {
    postMessage({ monoMs: performance.now(), wallMs: Date.now() });
  }, everyMs);
};
