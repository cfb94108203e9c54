import type { ExternalToast } from 'sonner';

let hosted: () => void;
const host = new Promise<void>((resolve) => {
  hosted = resolve;
});
/** Called by the host once what is said will be seen. */
export const toastsAreShown = (): void => hosted();

/** Say something at the foot of the page for a few seconds; what draws it is fetched after the page itself. */
export function toast(words: string, options?: ExternalToast): void {
  void Promise.all([import('sonner'), host]).then(([sonner]) => sonner.toast(words, options));
}

/** The same for what went wrong. */
export function toastProblem(words: string): void {
  void Promise.all([import('sonner'), host]).then(([sonner]) => sonner.toast.error(words));
}
