import { STRUCTURES } from '@/core/structures/registry';
import { asPiece } from '@/core/piece/partOfPiece';
import { laidOutOnce } from '@/server/laidOut';
import { GalleryScreen } from '@/ui/gallery/GalleryScreen';
import { samplePiece } from '@/ui/gallery/sample';
import { GivenLayouts } from '@/ui/layouts/useLayouts';

export const metadata = { title: 'Gallery' };

export default async function Page() {
  return (
    <GivenLayouts
      laidOut={await laidOutOnce(
        'gallery',
        STRUCTURES.map(({ id }) => asPiece(samplePiece(id))),
      )}
    >
      <GalleryScreen />
    </GivenLayouts>
  );
}
