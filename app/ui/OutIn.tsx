/** A mark that leaves the line to the left: out. */
export const OutMark = () => (
  <svg width="16" height="12" viewBox="0 0 16 12" aria-hidden="true" className="inline text-out">
    <path d="M15 1v10M12 6H2m0 0 3.5-3.5M2 6l3.5 3.5" fill="none" stroke="currentColor" strokeWidth="1.8" />
  </svg>
);

/** A mark that comes in from the right: in. */
export const InMark = () => (
  <svg width="16" height="12" viewBox="0 0 16 12" aria-hidden="true" className="inline text-in">
    <path d="M1 1v10M15 6H5m0 0 3.5-3.5M5 6l3.5 3.5" fill="none" stroke="currentColor" strokeWidth="1.8" />
  </svg>
);
