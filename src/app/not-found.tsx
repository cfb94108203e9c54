import { PlainBar } from '@/ui/PlainBar';
import { PLACES } from '@/ui/places';

export default function NotFound() {
  return (
    <>
      <PlainBar />
      <main className="px-4 py-16 sm:px-10">
        <h1 className="text-[30px]">There is nothing at this address</h1>
        <p className="mt-2">
          Your sessions and pictures are where they were.{' '}
          <a href={PLACES[0].href} className="link-quiet">
            Go to Today
          </a>
        </p>
      </main>
    </>
  );
}
