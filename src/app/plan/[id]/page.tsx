import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { planScreen } from '@/server/screens';
import { PlanScreen } from '@/ui/plan/PlanScreen';

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await planScreen((await params).id))?.piece.doc.name ?? 'No such piece' };
}

export default async function Page({ params }: Props) {
  const data = await planScreen((await params).id);
  if (!data) notFound();
  return <PlanScreen key={data.piece.id} {...data} />;
}
