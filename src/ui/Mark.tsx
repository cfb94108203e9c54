/** The program's mark. */
export function Mark() {
  return (
    <svg width="22" height="24" viewBox="0 0 22 24" aria-hidden>
      <path
        d="M2 2 8.2 7.2H13.8L20 2 19.6 12.4 11 22 2.4 12.4Z"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.7"
        strokeLinejoin="round"
      />
      <path d="M11 13.2V6.6M11 13.2l3.6 2.6" stroke="var(--russet)" strokeWidth="1.9" strokeLinecap="round" />
    </svg>
  );
}
