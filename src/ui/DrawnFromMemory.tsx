import { Notice } from './Notice';

/** In place of a picture that is being drawn from memory just now. */
export function DrawnFromMemory() {
  return (
    <div className="max-w-[60ch] py-8">
      <Notice tone="plain">
        You are drawing this from memory just now, so it is put away everywhere. It comes back by itself when its time
        is up.
      </Notice>
    </div>
  );
}
