'use client';
import { useState } from 'react';
import { isMirrored } from '@/core/references/picture';
import { listWords } from '@/core/words';
import { RunButton } from '@/features/run/steer/RunButton';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { Dialog } from '@/ui/Dialog';

/** After a pose with a part left out on purpose: the picture without its veil, while one looks. */
export function LiftVeil({ referenceId, leftOut }: { referenceId: string; leftOut: readonly string[] }) {
  const [lifted, setLifted] = useState(false);
  return (
    <div role="group" aria-label="Left out of the last pose" className="flex flex-wrap items-center gap-3">
      <span className="text-[17px]">Left out: {listWords(leftOut)}</span>
      <RunButton className="btn-quiet min-h-12 px-4" onPress={() => setLifted(true)}>
        Lift the veil
      </RunButton>
      {lifted && <Unveiled referenceId={referenceId} leftOut={leftOut} onClose={() => setLifted(false)} />}
    </div>
  );
}

interface UnveiledProps {
  referenceId: string;
  leftOut: readonly string[];
  onClose: () => void;
}
function Unveiled({ referenceId, leftOut, onClose }: UnveiledProps) {
  const url = useReferenceImage(referenceId);
  return (
    <Dialog title={`With ${listWords(leftOut)}`} onClose={onClose}>
      {url === null && <p>The picture cannot be shown now. It is as it was; the session goes on.</p>}
      {url && (
        <img
          src={url}
          alt="The last pose with nothing left out"
          className={`mx-auto max-h-[70dvh] ${isMirrored(referenceId) ? '-scale-x-100' : ''}`}
        />
      )}
    </Dialog>
  );
}
