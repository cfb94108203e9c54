const pad = (n: number): string => String(n).padStart(2, '0');

/** 74000 -> "1:14"; an hour and more -> "1:02:05". Rounded to whole seconds. */
export function clockDigits(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  const h = Math.floor(seconds / 3600);
  const m = Math.floor((seconds % 3600) / 60);
  const s = seconds % 60;
  return h > 0 ? `${h}:${pad(m)}:${pad(s)}` : `${m}:${pad(s)}`;
}

/** 30000 -> "30 s", 90000 -> "1½ min", 150000 -> "2:30", 3600000 -> "1 h". */
export function durationWords(ms: number): string {
  const seconds = Math.round(ms / 1000);
  if (seconds < 60) return `${seconds} s`;
  if (seconds >= 3600 && seconds % 1800 === 0) return `${halves(seconds / 3600)} h`;
  if (seconds < 3600 && seconds % 60 === 0) return `${seconds / 60} min`;
  if (seconds === 90) return '1½ min';
  return clockDigits(ms);
}

const halves = (n: number): string => (Number.isInteger(n) ? String(n) : `${Math.floor(n)}½`);

/** For a screen reader: "1 minute 14 seconds". */
export function spokenDuration(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  const part = (n: number, unit: string): string => (n === 0 ? '' : `${n} ${unit}${n === 1 ? '' : 's'}`);
  const words = [
    part(Math.floor(seconds / 3600), 'hour'),
    part(Math.floor((seconds % 3600) / 60), 'minute'),
    part(seconds % 60, 'second'),
  ].filter(Boolean);
  return words.length > 0 ? words.join(' ') : '0 seconds';
}

/**
 * The sums in whole seconds. Each is rounded down and the seconds this loses go to those that lost most, so that what is shown
 * adds up to the total shown.
 */
export function wholeSeconds(partsMs: readonly number[]): number[] {
  const total = Math.round(partsMs.reduce((a, b) => a + b, 0) / 1000);
  const seconds = partsMs.map((ms) => Math.floor(ms / 1000));
  const missing = total - seconds.reduce((a, b) => a + b, 0);
  const byLoss = partsMs.map((ms, i) => ({ i, loss: ms % 1000 })).sort((a, b) => b.loss - a.loss);
  for (const { i } of byLoss.slice(0, missing)) seconds[i]++;
  return seconds;
}
