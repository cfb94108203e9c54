import * as z from 'zod/mini';
import { type BodyPoint, POINT_COUNT } from './points';

const coordinate = z.number().check(z.minimum(-2), z.maximum(3));
const bodyPointSchema: z.ZodMiniType<BodyPoint> = z.object({
  x: coordinate,
  y: coordinate,
  seen: z.number().check(z.minimum(0), z.maximum(1)),
  z: z.number().check(z.minimum(-5), z.maximum(5)),
});

/** A body found in a picture, or set by hand. Kept under the picture's id. */
export const bodySchema = z.object({
  /** The picture's. */
  id: z.string().check(z.regex(/^[A-Za-z0-9-]{1,64}$/)),
  points: z.array(bodyPointSchema).check(z.length(POINT_COUNT)),
  /** The model's own estimate in space, meters from the middle of the hips: x to the picture's right, y down, z away. */
  space: z.array(z.tuple([z.number(), z.number(), z.number()])).check(z.length(POINT_COUNT)),
  /** How sure the model is that this is a body at all. */
  score: z.number().check(z.minimum(0), z.maximum(1)),
  /** Who placed the points: those moved by hand are never overwritten. */
  by: z.enum(['model', 'hand']),
});
export type Body = z.infer<typeof bodySchema>;
