import Link from 'next/link';

/** What stands where a piece would be made that has not been laid on the mat yet. */
export const NotOnMat = ({ piece }: { readonly piece: { readonly id: string; readonly name: string } }) => (
  <>
    <h1>{piece.name} does not lie on the mat yet</h1>
    <p className="soft">
      Plan it until the count fits, then press “To the mat” on its plan: the steps are laid out one by one as
      they are then, and stay so while you work.
    </p>
    <p>
      <Link href={`/plan/${piece.id}`}>To its plan</Link>
    </p>
  </>
);
