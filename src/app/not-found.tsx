import Link from 'next/link';

export default function NotFound() {
  return (
    <>
      <h1>Nothing lies here</h1>
      <p>This piece is not on the bench. It may have been put away, or the address is mistyped.</p>
      <p>
        <Link href="/">Back to the bench</Link>
      </p>
    </>
  );
}
