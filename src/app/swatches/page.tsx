import { swatchesScreen } from '@/server/screens';
import { SwatchesScreen } from '@/ui/swatches/SwatchesScreen';

export const metadata = { title: 'Swatches' };

export default async function Page() {
  return <SwatchesScreen {...await swatchesScreen()} />;
}
