'use client';

export const PrintButton = () => (
  <button type="button" className="button" onClick={() => window.print()}>
    Print
  </button>
);
