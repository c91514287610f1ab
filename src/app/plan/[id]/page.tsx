import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { planScreen } from '@/server/screens';
import { PlanScreen } from '@/ui/plan/PlanScreen';
import { UnreadableThing } from '@/ui/shell/Unreadable';

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const read = await planScreen((await params).id);
  if (read.kind === 'there') return { title: read.data.piece.doc.name };
  return { title: read.kind === 'unreadable' ? read.unreadable.name : 'No such piece' };
}

export default async function Page({ params }: Props) {
  const read = await planScreen((await params).id);
  if (read.kind === 'missing') notFound();
  if (read.kind === 'unreadable')
    return (
      <>
        <h1>{read.unreadable.name}</h1>
        <UnreadableThing thing={read.unreadable} />
      </>
    );
  return <PlanScreen key={read.data.piece.id} {...read.data} />;
}
