import { Link } from '@/ui/link';

export default function NotAllowedPage() {
  return (
    <main className="mx-auto max-w-md px-4 py-16">
      <h1 className="text-2xl font-extrabold">Your role does not allow this</h1>
      <p className="my-4">Ask a release lead, who gives out the roles in Settings.</p>
      <Link href="/" className="button-main">
        Back to the Floor
      </Link>
    </main>
  );
}
