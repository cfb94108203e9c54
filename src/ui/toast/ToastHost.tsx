import { useEffect } from 'react';
import { Toaster } from 'sonner';
import { toastsAreShown } from './toast';

/** Where toasts are shown. */
export function ToastHost() {
  // Runs after the toaster's own effects: from here on it hears.
  useEffect(toastsAreShown, []);
  return <Toaster position="bottom-center" />;
}
