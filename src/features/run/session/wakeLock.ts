/** Keep the screen awake while the page is visible. Browsers drop the lock when hidden, so it is asked for again. */
export function keepAwake(): () => void {
  let sentinel: WakeLockSentinel | undefined;
  let wanted = true;
  const ask = (): void => {
    if (!wanted || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
    navigator.wakeLock.request('screen').then(
      (got) => {
        if (wanted) sentinel = got;
        else void got.release();
      },
      () => undefined, // refused on low battery: the session runs all the same
    );
  };
  ask();
  document.addEventListener('visibilitychange', ask);
  return () => {
    wanted = false;
    document.removeEventListener('visibilitychange', ask);
    void sentinel?.release().catch(() => undefined);
  };
}
