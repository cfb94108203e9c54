/** What a screen says: markup without tags, without the keys beside buttons, spaces as one. */
export const textOf = (markup: string): string =>
  markup
    .replace(/<(kbd)[^>]*>.*?<\/\1>/g, '')
    .replace(/<[^>]+>/g, ' ')
    .replace(/&#x27;/g, '’')
    .replace(/&amp;/g, '&')
    .replace(/\s+/g, ' ')
    .trim();

/** Which buttons are pressed, by their words. */
export const pressedOf = (markup: string): string[] =>
  [...markup.matchAll(/aria-pressed="true"[^>]*>(.*?)<\/button>/gs)].map((m) => textOf(m[1]));
