import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { structureById } from '@/core/structures/registry';
import { asPiece } from '@/core/piece/partOfPiece';
import { laidOutOnce } from '@/server/laidOut';
import { galleryScreen } from '@/server/screens';
import { samplePiece } from '@/ui/gallery/sample';
import { StitchScreen } from '@/ui/gallery/StitchScreen';
import { GivenLayouts } from '@/ui/layouts/useLayouts';

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: structureById((await params).id)?.name ?? 'No such stitch' };
}

export default async function Page({ params }: Props) {
  const { id } = await params;
  if (!structureById(id)) notFound();
  const data = await galleryScreen();
  return (
    <GivenLayouts laidOut={await laidOutOnce(id, [asPiece(samplePiece(id)), ...data.examples])}>
      <StitchScreen key={id} structureId={id} {...data} />
    </GivenLayouts>
  );
}
