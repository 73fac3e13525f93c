import type { VersionStatus } from '../repository';

const LOOK: Record<VersionStatus, [word: string, className: string]> = {
  draft: ['Draft', 'bg-wait-wash text-wait'],
  approved: ['Approved', 'bg-good-wash text-good'],
  retired: ['Retired', 'bg-paper text-soft line-through'],
};

export function StatusWord({ status }: { status: VersionStatus }) {
  const [word, className] = LOOK[status];
  return (
    <span className={`rounded-full px-2.5 py-1 text-sm font-semibold ${className}`}>{word}</span>
  );
}
