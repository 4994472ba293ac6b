import type { Making } from '@/core/document/making';

interface CopyChoiceProps {
  copies: number;
  copy: number;
  making: readonly Making[];
  onChoose: (copy: number) => void;
}

/** Which of several alike lights lies on the bench. */
export const CopyChoice = ({ copies, copy, making, onChoose }: CopyChoiceProps) => (
  <label className="flex items-center gap-2 text-[13px] text-ink-soft">
    Copy
    <select
      aria-label="Copy"
      className="field !w-auto"
      value={copy}
      onChange={(event) => onChoose(Number(event.target.value))}
    >
      {Array.from({ length: copies }, (_, k) => k + 1).map((each) => (
        <option key={each} value={each}>
          {each} of {copies}
          {making.some((own) => own.copy === each) ? '' : ', not begun'}
        </option>
      ))}
    </select>
  </label>
);
