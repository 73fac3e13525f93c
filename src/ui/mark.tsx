/** The mark: a kettle on a stick, cheerful under its lid. */
export function Mark({ className }: { className?: string }) {
  return (
    <svg
      viewBox="0 0 32 32"
      className={className}
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      strokeLinecap="round"
    >
      <path d="M5 12h22l-2 12a4 4 0 0 1-4 3H11a4 4 0 0 1-4-3Z" fill="var(--accent-wash)" />
      <path d="M8 12c1-6 15-6 16 0M16 5V3M11 18v1M21 18v1M12.5 22.5c2 1.7 5 1.7 7 0" />
    </svg>
  );
}
