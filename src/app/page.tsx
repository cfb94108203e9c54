import { DemoMark, Today } from '@/app/bodies';
import { TopBar } from '@/ui/TopBar';

export default function Page() {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <Today />
    </>
  );
}
