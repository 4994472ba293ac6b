'use client';

/** What is on the sheet, on paper or in a table. */
export const TakeAway = ({ onCsv }: { onCsv: () => void }) => (
  <p className="no-print mt-2 flex gap-2 text-[13px]">
    <button type="button" className="press" onClick={() => window.print()}>
      Print
    </button>
    <button type="button" className="press" onClick={onCsv}>
      Save as CSV
    </button>
  </p>
);
