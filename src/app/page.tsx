import { benchScreen } from '@/server/screens';
import { BenchScreen } from '@/ui/bench/BenchScreen';

export const metadata = { title: 'Bench' };

export default async function Page() {
  return <BenchScreen {...await benchScreen()} />;
}
