import { GLOSSARY } from '@/core/words/glossary';
import { asPiece } from '@/core/piece/partOfPiece';
import { laidOutOnce } from '@/server/laidOut';
import { samplePiece } from '@/ui/gallery/sample';
import { GlossaryScreen } from '@/ui/glossary/GlossaryScreen';
import { GivenLayouts } from '@/ui/layouts/useLayouts';

export const metadata = { title: 'Words' };

export default async function Page() {
  const drawn = GLOSSARY.flatMap(({ example }) =>
    example ? [asPiece(samplePiece(example.structureId))] : [],
  );
  return (
    <GivenLayouts laidOut={await laidOutOnce('glossary', drawn)}>
      <GlossaryScreen />
    </GivenLayouts>
  );
}
