/** In what order pictures are picked. */
export const PICK_ORDERS = ['own order', 'shuffled', 'gentle to hard', 'widen', 'same again'] as const;
export type PickOrder = (typeof PICK_ORDERS)[number];
