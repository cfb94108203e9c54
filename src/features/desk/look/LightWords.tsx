import { type Lights, lightSentence, pureSentence } from '@/core/seeing/lights';

/** What is light and dark in both, in sentences. */
export function LightWords({ reference, drawing }: { reference: Lights | undefined; drawing: Lights | undefined }) {
  const said = (what: string, lights: Lights): string =>
    [lightSentence(what, lights), pureSentence(what, lights)].filter(Boolean).join(' ');
  return (
    <div role="status" className="text-[15px]">
      {reference ? <p>{said('The picture', reference)}</p> : <p>Looking for the lights.</p>}
      {drawing ? <p>{said('The drawing', drawing)}</p> : reference && <p>Looking for the figure in the drawing.</p>}
    </div>
  );
}
