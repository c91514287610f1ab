import { STRUCTURES } from '@/core/structures/registry';
import { laidOut } from '@/server/laidOut';
import { GalleryScreen } from '@/ui/gallery/GalleryScreen';
import { samplePiece } from '@/ui/gallery/sample';
import { GivenLayouts } from '@/ui/layouts/useLayouts';

export const metadata = { title: 'Gallery' };

export default function Page() {
  return (
    <GivenLayouts laidOut={laidOut(STRUCTURES.map(({ id }) => samplePiece(id)))}>
      <GalleryScreen />
    </GivenLayouts>
  );
}
