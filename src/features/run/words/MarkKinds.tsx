/** The only three marks there are: C, S and straight. */
export function MarkKinds() {
  return (
    <svg
      viewBox="0 0 150 50"
      role="img"
      aria-label="Three marks: a C, an S and a straight"
      className="mx-auto mt-4 w-[180px]"
      fill="none"
      stroke="var(--charcoal)"
      strokeWidth={3}
      strokeLinecap="round"
    >
      <path d="M34 8C8 8 8 42 34 42" />
      <path d="M90 8C58 8 64 25 76 25S94 42 62 42" />
      <path d="M118 44L136 6" />
    </svg>
  );
}
