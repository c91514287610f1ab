import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { makeScreen } from '@/server/screens';
import { MakeScreen } from '@/ui/make/MakeScreen';
import { NotOnMat } from '@/ui/make/NotOnMat';
import { UnreadableThing } from '@/ui/shell/Unreadable';

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const read = await makeScreen((await params).id);
  if (read.kind === 'there') return { title: `Making ${read.data.mat.doc.piece.name}` };
  return { title: read.kind === 'unreadable' ? read.unreadable.name : 'Not on the mat' };
}

export default async function Page({ params }: Props) {
  const read = await makeScreen((await params).id);
  if (read.kind === 'unreadable')
    return (
      <>
        <h1>{read.unreadable.name}</h1>
        <UnreadableThing thing={read.unreadable} />
      </>
    );
  if (read.kind === 'missing') {
    if (!read.piece) notFound();
    return <NotOnMat piece={read.piece} />;
  }
  return <MakeScreen key={read.data.mat.id} {...read.data} />;
}
