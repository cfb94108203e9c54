import { z } from 'zod';
import { type BodyPoint, POINT_COUNT } from './points';

const coordinate = z.number().min(-2).max(3);
const bodyPointSchema: z.ZodType<BodyPoint> = z.object({
  x: coordinate,
  y: coordinate,
  seen: z.number().min(0).max(1),
  z: z.number().min(-5).max(5),
});

/** A body found in a picture, or set by hand. Kept under the picture's id. */
export const bodySchema = z.object({
  /** The picture's. */
  id: z.string().regex(/^[A-Za-z0-9-]{1,64}$/),
  points: z.array(bodyPointSchema).length(POINT_COUNT),
  /** The model's own estimate in space, meters from the middle of the hips: x to the picture's right, y down, z away. */
  space: z.array(z.tuple([z.number(), z.number(), z.number()])).length(POINT_COUNT),
  /** How sure the model is that this is a body at all. */
  score: z.number().min(0).max(1),
  /** Who placed the points: those moved by hand are never overwritten. */
  by: z.enum(['model', 'hand']),
});
export type Body = z.infer<typeof bodySchema>;
