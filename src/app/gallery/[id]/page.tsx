import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { structureById } from '@/core/structures/registry';
import { galleryScreen } from '@/server/screens';
import { StitchScreen } from '@/ui/gallery/StitchScreen';

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: structureById((await params).id)?.name ?? 'No such stitch' };
}

export default async function Page({ params }: Props) {
  const { id } = await params;
  if (!structureById(id)) notFound();
  return <StitchScreen key={id} structureId={id} {...await galleryScreen()} />;
}
