import { materialsScreen } from '@/server/screens';
import { MaterialsScreen } from '@/ui/materials/MaterialsScreen';

export const metadata = { title: 'Materials' };

export default async function Page() {
  return <MaterialsScreen {...await materialsScreen()} />;
}
