import { redirect } from 'next/navigation';
import { siteOfRequest } from '@/features/settings/show';
import { WelcomeForm } from '@/features/settings/ui/WelcomeForm';
import { Mark } from '@/ui/mark';

export const dynamic = 'force-dynamic';

export default async function WelcomePage() {
  if (await siteOfRequest()) redirect('/');
  return (
    <main className="mx-auto max-w-md px-4 py-10">
      <Mark className="mb-2 size-16 text-accent" />
      <h1 className="text-3xl font-extrabold">Welcome to Jolly Kettle</h1>
      <p className="mb-4 text-soft">
        The start command printed a set-up code. With it you become the first release lead. Then
        confirm the rules in Settings, add your people, scales and houses, and write a recipe.
      </p>
      <div className="sheet">
        <WelcomeForm zones={['UTC', ...Intl.supportedValuesOf('timeZone')]} />
      </div>
    </main>
  );
}
