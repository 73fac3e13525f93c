import { Link } from '@/ui/link';
import { requirePage } from '@/features/accounts/identify';
import { benchData } from '@/features/bench/data';
import { BenchDesk } from '@/features/bench/ui/BenchDesk';
import { db } from '@/platform/db/client';

/** What if: try a program on a product before any meat is at stake. */
export default async function BenchPage() {
  await requirePage();
  const data = await benchData(db());
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-2xl font-extrabold">Bench</h1>
        <div className="flex gap-2">
          <Link href="/bench/practice" className="button">
            Practise
          </Link>
          <Link href="/bench/programs" className="button">
            Stage programs
          </Link>
        </div>
      </div>
      {data.products.length > 0 ? (
        <BenchDesk data={data} />
      ) : (
        <p className="sheet">
          No recipe is approved yet: the bench takes its products from recipes.{' '}
          <Link href="/recipes/new" className="text-accent underline">
            Write one
          </Link>
          .
        </p>
      )}
    </>
  );
}
