'use client';
import { useEffect, useState } from 'react';
import type { Given } from '@/storage/pictures/intake/stage';
import { fromTransfer } from '@/storage/pictures/intake/givenFiles';

/** Pictures dropped anywhere on the page or pasted. @returns Whether something hovers over the page. */
export function useDropAndPaste(give: (files: readonly Given[]) => void): boolean {
  const [hovering, setHovering] = useState(false);
  useEffect(() => {
    const take = (transfer: DataTransfer | null): void => void fromTransfer(transfer).then(give, () => undefined);
    const onPaste = (event: ClipboardEvent): void => take(event.clipboardData);
    const onOver = (event: DragEvent): void => {
      if (!event.dataTransfer?.types.includes('Files')) return;
      event.preventDefault();
      setHovering(true);
    };
    const onLeave = (event: DragEvent): void => {
      if (event.relatedTarget === null) setHovering(false);
    };
    const onDrop = (event: DragEvent): void => {
      event.preventDefault();
      setHovering(false);
      take(event.dataTransfer);
    };
    document.addEventListener('paste', onPaste);
    document.addEventListener('dragover', onOver);
    document.addEventListener('dragleave', onLeave);
    document.addEventListener('drop', onDrop);
    return () => {
      document.removeEventListener('paste', onPaste);
      document.removeEventListener('dragover', onOver);
      document.removeEventListener('dragleave', onLeave);
      document.removeEventListener('drop', onDrop);
    };
  }, [give]);
  return hovering;
}
