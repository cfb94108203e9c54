import { Today } from '@/features/today/Today';
import { DemoMark } from '@/features/data/DemoMark';
import { TopBar } from '@/ui/TopBar';

export default function Page() {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <Today />
    </>
  );
}
