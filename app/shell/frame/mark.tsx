/** The doorway: an arch within an arch. */
export function Mark({ size = 22 }: { size?: number }) {
  return (
    <svg width={(size * 20) / 22} height={size} viewBox="0 0 20 22" aria-hidden="true">
      <path d="M2 21V10a8 8 0 0 1 16 0v11" fill="none" stroke="var(--plum)" strokeWidth="2.6" />
      <path d="M6.8 21v-9.6a3.2 3.2 0 0 1 6.4 0V21z" fill="var(--plum)" />
    </svg>
  );
}
