/** The class that lets an arm fade out where it leaves a picture at the right, above or below. */
export const FADES = { above: 'fades-above', below: 'fades-below' } as const;
