'use client';
import type { Judged } from '@/core/evaluate/search/judged';
import type { Question } from '@/core/evaluate/search/question';
import type { Standing } from '@/core/evaluate/search/run';
import { allMissWords, missWords, sentenceOf, type Writing } from '@/core/evaluate/search/words';
import { WISHES, type WishId } from '@/core/location/wishes';

interface NearMissesProps {
  standing: Standing;
  question: Pick<Question, 'shot'>;
  writing: Writing;
  onOpen: (found: Judged) => void;
}

/** What is nearly an answer, and the one wish that keeps it out. */
export function NearMisses({ standing, question, writing, onOpen }: NearMissesProps) {
  const { near, nearest, answers } = standing;
  const one = Object.entries(near) as [WishId, Judged][];
  if (one.length === 0 && !nearest) return null;
  return (
    <section aria-label="Nearest misses" data-misses={one.length}>
      <h2 className="text-[16px]">
        {answers.length > 0 ? 'Kept out by one wish' : 'Nearest misses'}
      </h2>
      <ul className="grid gap-1 text-[13px]">
        {one.map(([wish, found]) => (
          <li key={wish} data-near={wish} className="border-b border-line pb-1">
            <strong>{missWords(found, wish, question, writing)}</strong>{' '}
            <span className="text-ink-soft">
              ({WISHES[wish]}) would let in: {found.name}, {sentenceOf(found, writing)}
            </span>{' '}
            <Open found={found} onOpen={onOpen} />
          </li>
        ))}
        {one.length === 0 && nearest && (
          <li data-near="several">
            <strong>{allMissWords(nearest, question, writing).join('; ')}</strong>{' '}
            <span className="text-ink-soft">
              would let in: {nearest.name}, {sentenceOf(nearest, writing)}
            </span>{' '}
            <Open found={nearest} onOpen={onOpen} />
          </li>
        )}
      </ul>
    </section>
  );
}

const Open = ({ found, onOpen }: { found: Judged; onOpen: (found: Judged) => void }) => (
  <button
    type="button"
    className="underline decoration-line-strong underline-offset-4"
    aria-label={`Open ${found.name}: ${found.what}`}
    onClick={() => onOpen(found)}
  >
    open
  </button>
);
