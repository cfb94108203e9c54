import extract from 'png-chunks-extract';
import text from 'png-chunk-text';
import * as z from 'zod/mini';
import { FIGURE_KEYWORD } from '@/core/interchange/figurePicture';
import { LONGEST_REFERENCE_ID } from '@/core/figure/catalogue/referenceId';

const heldSchema = z.object({
  reference: z.string().check(z.startsWith('figure/'), z.maxLength(LONGEST_REFERENCE_ID)),
  name: z.optional(z.string()),
});

/**
 * The figure that a picture saved here holds: its reference and name.
 * @returns undefined for a PNG that holds none, or none that can be read.
 */
export function figureInPicture(png: Uint8Array): z.infer<typeof heldSchema> | undefined {
  try {
    for (const chunk of extract(png)) {
      if (chunk.name !== 'tEXt') continue;
      const { keyword, text: content } = text.decode(chunk.data);
      if (keyword === FIGURE_KEYWORD) return heldSchema.safeParse(JSON.parse(content)).data;
    }
  } catch {
    // Not whole, or not JSON: then it is a picture.
  }
  return undefined;
}
