import * as z from 'zod/mini';
import { type BodyPoint, POINT_COUNT } from './points';

const coordinate = z.number().check(z.minimum(-2), z.maximum(3));
const bodyPointSchema: z.ZodMiniType<BodyPoint> = z.object({
  x: coordinate,
  y: coordinate,
  seen: z.number().check(z.minimum(0), z.maximum(1)),
  z: z.number().check(z.minimum(-5), z.maximum(5)),
});

/** So many bodies of one picture are kept beside the one that is looked at. */
export const MOST_OTHERS = 7;

const seenBody = {
  points: z.array(bodyPointSchema).check(z.length(POINT_COUNT)),
  /** The model's own estimate in space, meters from the middle of the hips: x to the picture's right, y down, z away. */
  space: z.array(z.tuple([z.number(), z.number(), z.number()])).check(z.length(POINT_COUNT)),
  /** How sure the model is that this is a body at all. */
  score: z.number().check(z.minimum(0), z.maximum(1)),
};

/** A body found in a picture, or set by hand. Kept under the picture's id. */
export const bodySchema = z.object({
  /** The picture's. */
  id: z.string().check(z.regex(/^[A-Za-z0-9-]{1,64}$/)),
  ...seenBody,
  /** Who placed the points, or chose the body among several: what the learner's hand did is never overwritten. */
  by: z.enum(['model', 'hand']),
  /** Other bodies in the picture, as they were found: any of them can be looked at instead. */
  others: z.optional(z.array(z.object(seenBody)).check(z.maxLength(MOST_OTHERS))),
});
export type Body = z.infer<typeof bodySchema>;

/** How many people are seen in its picture. */
export const peopleIn = ({ others }: Pick<Body, 'others'>): number => 1 + (others?.length ?? 0);

/** What is seen of each of them, the one looked at first. */
export const allIn = ({ points, space, score, others = [] }: Body): NonNullable<Body['others']> => [
  { points, space, score },
  ...others,
];

/** The same picture with another of its bodies looked at. @param index among the others */
export function lookedAtOther(body: Body, index: number): Body {
  const [before, ...others] = allIn(body);
  const chosen = others[index];
  return { id: body.id, ...chosen, by: 'hand', others: [...others.filter((o) => o !== chosen), before] };
}
