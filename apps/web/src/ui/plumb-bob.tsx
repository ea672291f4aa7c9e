/** The bob of the plumb line, in unproven. */
export function PlumbBob({ size = 26 }: { size?: number }) {
  return (
    <svg viewBox="0 0 24 34" width={size * 0.7} height={size} aria-hidden>
      <path d="M12 0 V8" stroke="currentColor" strokeWidth="1.6" />
      <path d="M4 8 H20 L18.5 13 L12 33 L5.5 13 Z" fill="#b08a3c" stroke="#5e4712" strokeWidth="1.2" />
      <path d="M6 13 H18" stroke="#5e4712" strokeWidth="1" />
    </svg>
  )
}
