import { useEffect } from 'react';
import { Toaster } from 'sonner';
import { toastsAreShown } from './toast';

/** Above what is pinned to the bottom of a page: the bar of chosen pictures, the controls of a session. */
const OVER_BARS = { bottom: 92 };

/** Where toasts are shown. */
export function ToastHost() {
  // Runs after the toaster's own effects: from here on it hears.
  useEffect(toastsAreShown, []);
  return <Toaster position="bottom-center" offset={OVER_BARS} mobileOffset={OVER_BARS} />;
}
