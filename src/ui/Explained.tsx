'use client';
import { Tooltip } from 'radix-ui';
import { meaningOf } from './glossary';

/** Round all that is explained: one explanation at a time, after a moment. */
export const Explaining = ({ children }: { children: React.ReactNode }) => (
  <Tooltip.Provider delayDuration={600} disableHoverableContent>
    {children}
  </Tooltip.Provider>
);

interface ExplainedProps {
  /** a term of the glossary; anything else is left as it is */
  term: string;
  side?: 'top' | 'bottom' | 'left' | 'right';
  /** one element that takes focus, or has one within */
  children: React.ReactElement;
}

/** Says what a term means, on hover and when the keyboard comes to it; Escape puts it away. */
export function Explained({ term, side = 'bottom', children }: ExplainedProps) {
  const meaning = meaningOf(term);
  if (meaning === null) return children;
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          side={side}
          sideOffset={6}
          collisionPadding={8}
          className="pointer-events-none z-[60] max-w-72 border border-line-strong bg-raised px-3 py-2 text-[13px] leading-snug shadow-lg"
        >
          {meaning}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
