import type { Metadata } from 'next';
import { RunPage } from './RunPage';

export const metadata: Metadata = { title: 'Session' };

export default function Page() {
  return <RunPage />;
}
