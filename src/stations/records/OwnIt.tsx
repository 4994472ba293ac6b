import { useEdits } from '../store/useEdits';

interface OwnItProps {
  of: { kind: 'unit' | 'part'; id: string };
  name: string;
  /** so much is on hand then */
  needed: number;
  className?: string;
}

/** “I own it”, where a list would send one to the shop. */
export function OwnIt({ of: { kind, id }, name, needed, className = '' }: OwnItProps) {
  const edits = useEdits();
  return (
    <button
      type="button"
      className={`underline decoration-dotted ${className}`}
      aria-label={`I own what it takes of ${name}`}
      onClick={() =>
        void edits.record(kind, id, `${name} on hand`, (draft) => {
          draft.onHand = needed;
        })
      }
    >
      I own it
    </button>
  );
}
