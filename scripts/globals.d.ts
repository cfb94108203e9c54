// What the scripts hang on the pages they measure, and what only this browser has.
interface Window {
  painted: Promise<number>;
  benchFiles: File[];
  benched: () => { late: number[]; painted: number[]; blank: number };
  onsets: () => Promise<{ calm: boolean; error: number; rise: number }[]>;
  put: () => { dueMs: number; hz: number; kept: boolean }[];
}
interface OscillatorNode {
  entry?: { dueMs: number; hz: number; kept: boolean };
}
interface Performance {
  memory: { usedJSHeapSize: number };
}
