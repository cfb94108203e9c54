import Link from 'next/link';
import { DemoMark } from '@/features/data/DemoMark';
import { TopBar } from '@/ui/TopBar';

export default function NotFound() {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <main className="mx-4 py-16 sm:mx-10">
        <h1 className="text-[30px]">There is nothing at this address</h1>
        <p className="mt-2">
          Your sessions and pictures are where they were.{' '}
          <Link href="/" className="link-quiet">
            Go to Today
          </Link>
        </p>
      </main>
    </>
  );
}
