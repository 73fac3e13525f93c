import { Link } from '@/ui/link';
import { redirect } from 'next/navigation';
import { askingNow } from '@/features/accounts/identify';
import { PasswordForm } from '@/features/accounts/ui/PasswordForm';
import { ThisDevice } from '@/features/reach/ui/ThisDevice';
import { pushKeys } from '@/platform/push-keys';
import { Mark } from '@/ui/mark';
import { Notice } from '@/ui/status';

/** One's own account: the password, and how one is reached. With one for a single sign-in it is all that opens. */
export default async function AccountPage() {
  const asking = await askingNow();
  if (!asking) redirect('/sign-in');
  const { person, mustChangePassword } = asking;
  const keys = pushKeys();
  return (
    <main className="mx-auto max-w-md space-y-4 px-4 py-10">
      <Mark className="size-16 text-accent" />
      <h1 className="text-3xl font-extrabold">Your account</h1>
      <p>
        {person.name}, {person.email}, {person.role.replace('_', ' ')}. A release lead changes names
        and roles in Settings.
      </p>
      {mustChangePassword && (
        <Notice tone="wait">
          You came in with a password for one sign-in. Choose your own, and everything opens.
        </Notice>
      )}
      <section className="sheet" aria-label="Change your password">
        <h2 className="mb-2 text-lg font-semibold">Change your password</h2>
        <PasswordForm />
      </section>
      {!mustChangePassword && (
        <section className="sheet" aria-label="Alarms on this device">
          <h2 className="mb-2 text-lg font-semibold">Alarms on this device</h2>
          {keys ? (
            <ThisDevice publicKey={keys.publicKey} />
          ) : (
            <p>
              This site sends no alarms to devices yet: whoever runs the server sets it up with{' '}
              <code>./kettle push-keys</code>.
            </p>
          )}
        </section>
      )}
      {!mustChangePassword && (
        <Link href="/" className="inline-flex min-h-12 items-center text-accent underline">
          Back to the Floor
        </Link>
      )}
    </main>
  );
}
