import type { ReactNode } from 'react';

/** A button of the session that gives the keys back to it: after a press it is no longer focused. */
export function RunButton({
  onPress,
  className = '',
  children,
  pressed,
}: {
  onPress: () => void;
  className?: string;
  children: ReactNode;
  pressed?: boolean;
}) {
  return (
    <button
      type="button"
      className={`btn ${className}`}
      aria-pressed={pressed}
      onClick={(event) => {
        onPress();
        event.currentTarget.blur();
      }}
    >
      {children}
    </button>
  );
}
