import { Link } from '@/ui/link';
import { redirect } from 'next/navigation';
import { whoAsks } from '@/features/accounts/identify';
import { SignInForm } from '@/features/accounts/ui/SignInForm';
import { siteOfRequest } from '@/features/settings/show';
import { Mark } from '@/ui/mark';

export default async function SignInPage() {
  const site = await siteOfRequest();
  if (!site) redirect('/welcome');
  if (await whoAsks()) redirect('/');
  return (
    <main className="mx-auto max-w-md px-4 py-16">
      <Mark className="mb-2 size-16 text-accent" />
      <h1 className="text-3xl font-extrabold">Jolly Kettle</h1>
      <p className="mb-6 text-soft">{site.name}</p>
      <div className="sheet">
        <SignInForm />
      </div>
      <p className="mt-4">
        <Link
          href="/dose-check"
          className="inline-flex min-h-12 items-center text-accent underline"
        >
          Check a cure dose without signing in
        </Link>
      </p>
    </main>
  );
}
