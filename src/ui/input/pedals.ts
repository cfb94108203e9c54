/** Between two looks at a gamepad. */
const POLL_MS = 40;
const NOTE_ON = 0x90;
const CONTROL = 0xb0;
/** A pedal on a control is down from here on. */
const HALF = 64;

/** A control change or a note of a MIDI message that goes down, as a code; undefined for anything else. */
export function midiCode(data: ArrayLike<number>): string | undefined {
  const [status, number, value] = [data[0] & 0xf0, data[1], data[2]];
  const down = (status === CONTROL && value >= HALF) || (status === NOTE_ON && value > 0);
  return down ? `midi:${status === CONTROL ? 'control' : 'note'}:${String(number)}` : undefined;
}

/** Buttons that went down between two looks at a gamepad. */
export const pressedSince = (before: readonly boolean[], now: readonly boolean[]): number[] =>
  now.flatMap((down, i) => (down && !before[i] ? [i] : []));

/** Name of the event by which a pedal is simulated. */
export const SIMULATED_PEDAL = 'fox-minute-pedal';

/**
 * Hear gamepads, MIDI pedals where their use has been allowed before, headset buttons, and the simulated pedal of the Room page.
 * @param onPress Receives `gamepad:3`, `midi:control:64`, `headset:next` or `pedal`.
 */
export function listenToPedals(onPress: (code: string) => void): () => void {
  const stops: (() => void)[] = [];
  const simulated = (): void => onPress('pedal');
  window.addEventListener(SIMULATED_PEDAL, simulated);
  stops.push(() => window.removeEventListener(SIMULATED_PEDAL, simulated));

  const before = new Map<number, boolean[]>();
  const look = (): void => {
    for (const pad of navigator.getGamepads()) {
      if (!pad) continue;
      const now = pad.buttons.map((b) => b.pressed);
      for (const button of pressedSince(before.get(pad.index) ?? now, now)) onPress(`gamepad:${String(button)}`);
      before.set(pad.index, now);
    }
  };
  let polling: ReturnType<typeof setInterval> | undefined;
  const poll = (): void => {
    polling ??= setInterval(look, POLL_MS);
  };
  if (typeof navigator.getGamepads === 'function') {
    if (navigator.getGamepads().some((pad) => pad !== null)) poll();
    window.addEventListener('gamepadconnected', poll);
    stops.push(() => {
      window.removeEventListener('gamepadconnected', poll);
      clearInterval(polling);
    });
  }

  let closed = false;
  const openMidi = async (): Promise<void> => {
    const allowed = await navigator.permissions.query({ name: 'midi' });
    if (allowed.state !== 'granted' || closed) return;
    const midi = await navigator.requestMIDIAccess();
    const hear = (event: MIDIMessageEvent): void => {
      const code = event.data ? midiCode(event.data) : undefined;
      if (code) onPress(code);
    };
    const inputs = [...midi.inputs.values()];
    inputs.forEach((input) => input.addEventListener('midimessage', hear));
    stops.push(() => inputs.forEach((input) => input.removeEventListener('midimessage', hear)));
    if (closed) stops.at(-1)?.();
  };
  // No MIDI here, or not allowed: everything else works.
  if ('requestMIDIAccess' in navigator) openMidi().catch(() => undefined);

  if ('mediaSession' in navigator) {
    const actions: readonly [MediaSessionAction, string][] = [
      ['play', 'headset:play'],
      ['pause', 'headset:play'],
      ['nexttrack', 'headset:next'],
      ['previoustrack', 'headset:previous'],
    ];
    for (const [action, code] of actions) navigator.mediaSession.setActionHandler(action, () => onPress(code));
    stops.push(() => {
      for (const [action] of actions) navigator.mediaSession.setActionHandler(action, null);
    });
  }
  return () => {
    closed = true;
    stops.forEach((stop) => stop());
  };
}
