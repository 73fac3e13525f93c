import { requirePage } from '@/features/accounts/identify';
import { DEFAULT_PROGRAM } from '@/features/programs/starter';
import { ProgramForm } from '@/features/programs/ui/ProgramForm';

/** A new stage program, begun from a plain one. */
export default async function NewProgramPage() {
  await requirePage('write_recipes');
  return (
    <>
      <h1 className="mb-3 text-2xl font-extrabold">Write a stage program</h1>
      <ProgramForm programId={null} basedOn={0} name="" stages={DEFAULT_PROGRAM} />
    </>
  );
}
