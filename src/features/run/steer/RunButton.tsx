import type { ReactNode } from 'react';

/** A button of the session that gives the keys back to it: after a press it is no longer focused. */
export function RunButton({
  onPress,
  className = '',
  children,
  pressed,
  label,
}: {
  onPress: () => void;
  className?: string;
  children: ReactNode;
  pressed?: boolean;
  /** Said of it where its sign alone is seen. */
  label?: string;
}) {
  return (
    <button
      type="button"
      className={`btn ${className}`}
      aria-pressed={pressed}
      aria-label={label}
      title={label}
      onClick={(event) => {
        onPress();
        event.currentTarget.blur();
      }}
    >
      {children}
    </button>
  );
}
