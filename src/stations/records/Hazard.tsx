import { TriangleAlert } from 'lucide-react';

/** What can hurt, said where the hand goes. */
export const Hazard = ({ words }: { words: string }) => (
  <span className="flex gap-1.5 text-look">
    <TriangleAlert size={16} aria-hidden className="mt-0.5 shrink-0" />
    <span>
      <span className="sr-only">Caution: </span>
      {words}
    </span>
  </span>
);
