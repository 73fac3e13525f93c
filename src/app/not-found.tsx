import { Link } from '@/ui/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-md px-4 py-16">
      <h1 className="text-2xl font-extrabold">Nothing hangs here</h1>
      <p className="my-4">
        The address is wrong, or it was never there. Records are never removed.
      </p>
      <Link href="/" className="button-main">
        Back to the Floor
      </Link>
    </main>
  );
}
