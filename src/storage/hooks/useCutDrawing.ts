'use client';
import type { SheetDrawing } from '@/core/desk/sheet';
import { uprightAspect } from '@/core/desk/sheet';
import type { SeenDrawing } from '@/core/journal/onPages';
import { flatSheetKey, loadFlatSheet } from '@/storage/sessions/flatSheets';
import { useObjectUrl } from './useObjectUrl';

/** What a cut drawing is shown by; its address is missing until the sheet is straightened, and where its photograph is gone. */
export function useCutDrawing({ page, sheet, box }: SeenDrawing): {
  url: string | undefined;
  aspect: number;
  box: SheetDrawing;
} {
  const url = useObjectUrl(flatSheetKey(page.id, sheet), loadFlatSheet)?.url;
  return { url, aspect: uprightAspect(sheet), box };
}
