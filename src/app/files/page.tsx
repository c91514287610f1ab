import { filesScreen } from '@/server/screens';
import { FilesScreen } from '@/ui/files/FilesScreen';

export const metadata = { title: 'Files' };

export default async function Page() {
  return <FilesScreen {...await filesScreen()} />;
}
