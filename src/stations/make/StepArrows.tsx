import { ChevronLeft, ChevronRight } from 'lucide-react';

interface StepArrowsProps {
  onBack: () => void;
  onOn: () => void;
  first: boolean;
  last: boolean;
  /** where one is, between the arrows */
  children: React.ReactNode;
}

/** From step to step. */
export const StepArrows = ({ onBack, onOn, first, last, children }: StepArrowsProps) => (
  <>
    <button
      type="button"
      className="press !px-2"
      aria-label="The step before"
      disabled={first}
      onClick={onBack}
    >
      <ChevronLeft size={18} aria-hidden />
    </button>
    {children}
    <button
      type="button"
      className="press !px-2"
      aria-label="The next step"
      disabled={last}
      onClick={onOn}
    >
      <ChevronRight size={18} aria-hidden />
    </button>
  </>
);
