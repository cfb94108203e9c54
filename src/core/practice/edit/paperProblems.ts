import { envelopeOf } from '../../figure/catalogue/envelopes';
import type { Chosen } from '../plan/layOut';
import type { Recipe } from '../plan/recipe';
import { type FigureBox, mapPage, offersPart, overshootMm } from '../paper/pageMap';
import { perSheetOf } from '../paper/perSheet';
import { lengthOnPaper } from '../paper/sheet';
import { sheetsOf } from '../paper/sheets';
import { without } from '../../without';
import type { Problem } from './problem';

/** A step on the ruler, millimeters. */
const STEP_MM = 5;

/** The tallest that figures may be on a sheet inside its margins, millimeters. */
function tallestMm(boxes: readonly FigureBox[], sheet: Recipe['sheet']): number {
  let mm = 2000;
  while (mm > STEP_MM && overshootMm(boxes, sheet, mm) > 0) mm -= STEP_MM;
  return mm;
}

/**
 * What does not go on the paper: figures of a height that stand out over the margins are refused with how far; figures that come out
 * much smaller than usual are offered as parts. Only figures whose outline is known are judged.
 */
export function paperProblems(recipe: Recipe, chosen: Chosen): Problem[] {
  const sheets = sheetsOf(recipe, chosen);
  const { sheet } = recipe;
  return recipe.blocks.flatMap((block): Problem[] => {
    if (block.kind !== 'poses') return [];
    const own = sheets.filter(({ blockId, framesFor }) => blockId === block.id && !framesFor);
    const boxes = own.flatMap(({ referenceIds, overlap }) => {
      const known = referenceIds.flatMap((id) => (id === null ? [] : (envelopeOf(id) ?? [])));
      return known.length === referenceIds.length && known.length > 0 ? [{ known, overlap }] : [];
    });
    const { figureMm } = block.settings;
    if (figureMm !== undefined) {
      const overMm = Math.max(0, ...boxes.map(({ known }) => overshootMm(known, sheet, figureMm)));
      if (overMm <= 0) return [];
      const fitsMm = Math.min(...boxes.map(({ known }) => tallestMm(known, sheet)));
      return [
        {
          blockId: block.id,
          stops: true,
          words: `Figures of ${lengthOnPaper(figureMm, sheet.unit)} stand ${lengthOnPaper(Math.max(1, overMm), sheet.unit)} over the margins of ${sheet.size}.`,
          ways: [
            {
              label: `${lengthOnPaper(fitsMm, sheet.unit)} tall`,
              take: (b) => ({ ...b, settings: { ...b.settings, figureMm: fitsMm } }),
            },
            {
              label: 'As large as they fit',
              take: (b) => ({ ...b, settings: without(b.settings, 'figureMm') }),
            },
          ],
        },
      ];
    }
    if (
      block.source.extent === 'part' ||
      !boxes.some(({ known, overlap }) => offersPart(mapPage(known, sheet, overlap)))
    )
      return [];
    const per = perSheetOf(block, sheet, recipe.exercises);
    return [
      {
        blockId: block.id,
        stops: false,
        words: 'Its figures come out at less than three fifths of the usual size.',
        ways: [
          {
            label: 'Parts only',
            take: (b) => ({ ...b, source: { ...b.source, extent: 'part', pins: [] } }),
          },
          ...(per > 1
            ? [
                {
                  label: `${String(Math.ceil(per / 2))} on a sheet`,
                  take: (b: typeof block) => ({ ...b, settings: { ...b.settings, perSheet: Math.ceil(per / 2) } }),
                },
              ]
            : []),
        ],
      },
    ];
  });
}
