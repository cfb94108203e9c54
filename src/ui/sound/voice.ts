/** A voice that has not begun by then says nothing more: the tone has told already. */
const PATIENCE_MS = 1000;

const speech = (): SpeechSynthesis | undefined =>
  typeof speechSynthesis === 'undefined' ? undefined : speechSynthesis;

/** Whether this browser has a voice; some tell it only after a moment. */
export const hasVoice = (): boolean => (speech()?.getVoices().length ?? 0) > 0;

/**
 * Say something. Never relied on for time: a voice that is late, fails or is not there leaves it to the tone and the words on screen.
 * @param volume 0 to 1.
 */
export function say(words: string, volume: number): void {
  const synthesis = speech();
  if (!synthesis || words === '' || volume === 0 || !hasVoice()) return;
  synthesis.cancel();
  const utterance = new SpeechSynthesisUtterance(words);
  utterance.lang = 'en';
  utterance.volume = volume;
  let begun = false;
  utterance.onstart = () => (begun = true);
  setTimeout(() => {
    if (!begun) synthesis.cancel();
  }, PATIENCE_MS);
  synthesis.speak(utterance);
}
