const ENDINGS: Readonly<Record<string, string>> = { 'image/jpeg': 'jpg', 'image/svg+xml': 'svg' };

/** The ending of an image's file name by its type, without the dot. */
export const fileEnding = (type: string): string => ENDINGS[type] ?? type.slice('image/'.length);
