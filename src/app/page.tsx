import { Today } from '@/features/today/Today';
import { TopBar } from '@/ui/TopBar';

export default function Page() {
  return (
    <>
      <TopBar />
      <Today />
    </>
  );
}
