'use client';
import { type ChangeEvent, useState } from 'react';

export interface TypedText {
  value: string;
  onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => void;
  onFocus: () => void;
  onBlur: () => void;
}

/**
 * Props for a text field over a kept value. It shows what is being typed, and takes up changes from elsewhere only while it isn't
 * being edited, so a second tab never writes back an old text.
 * @param onType Called with every change, to be kept.
 * @param clean Brings typed text into the form it may have.
 */
export function useTypedText(
  value: string,
  onType: (text: string) => void,
  clean: (typed: string) => string = (typed) => typed,
): TypedText {
  const [typed, setTyped] = useState<string>();
  const [known, setKnown] = useState(value);
  const [focused, setFocused] = useState(false);
  if (known !== value) {
    setKnown(value);
    if (!focused) setTyped(undefined);
  }
  return {
    value: typed ?? value,
    onChange: ({ target }) => {
      const text = clean(target.value);
      setTyped(text);
      onType(text);
    },
    onFocus: () => setFocused(true),
    onBlur: () => setFocused(false),
  };
}
