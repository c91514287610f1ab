import { GalleryScreen } from '@/ui/gallery/GalleryScreen';

export const metadata = { title: 'Gallery' };

export default function Page() {
  return <GalleryScreen />;
}
