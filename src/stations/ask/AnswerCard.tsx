'use client';
import { BESTS, type Answer } from '@/core/evaluate/search/answers';
import { WAYS } from '@/core/evaluate/search/judged';
import type { Look } from '@/core/evaluate/search/look';
import {
  givesUp,
  levelWith,
  sentenceOf,
  WAY_COSTS,
  type Writing,
} from '@/core/evaluate/search/words';
import { StillFace } from '../records/StillFace';
import { QUIET_VIEW, ViewDrawing } from '@/ui/drawing/ViewDrawing';

interface AnswerCardProps {
  answer: Answer;
  number: number;
  all: readonly Answer[];
  writing: Writing;
  look: Look | null;
  picked: boolean;
  onPick: () => void;
  onOpen: () => void;
}

const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** One answer: the face in it, how it is drawn, what it is the best of, what it gives up, one press to open it. */
export function AnswerCard(props: AnswerCardProps) {
  const { answer, number, all, writing, look, picked, onPick, onOpen } = props;
  const { found, bests } = answer;
  const next = all[number % all.length]!;
  const against = next === answer ? null : next;
  const { lost, more } = against ? givesUp(found, against.found, writing) : { lost: [], more: [] };
  const than = [
    ...(lost.length > 0 ? [`gives up ${listed(lost)}`] : []),
    ...(more.length > 0 ? [`asks ${listed(more)} more`] : []),
  ];
  const level = levelWith(
    found,
    all.map((each) => each.found),
  );
  const levels = level.map(({ id }) => all.findIndex((each) => each.found.id === id) + 1);
  return (
    <li
      data-answer={number}
      data-way={found.way}
      data-bests={bests.join(' ')}
      data-sure={found.sure}
      aria-label={`Answer ${number}: ${found.name}`}
      onMouseEnter={onPick}
      onFocus={onPick}
      className={`grid grid-cols-[96px_minmax(0,1fr)] gap-x-3 border bg-raised p-2 ${picked ? 'border-brass' : 'border-line'}`}
    >
      <div className="grid content-start gap-1">
        <StillFace look={look} name={found.name} />
        {look?.view && (
          <div className="h-16" aria-hidden>
            <ViewDrawing
              view={look.view}
              mostLetter={0}
              faces
              lengthText={() => ''}
              {...QUIET_VIEW}
            />
          </div>
        )}
      </div>
      <div className="flex min-w-0 flex-col">
        <h3 className="flex items-baseline gap-2 text-[16px] leading-tight">
          <span className="grid h-[21px] min-w-[21px] place-items-center rounded-full border-2 border-brass font-display text-[12px]">
            {number}
          </span>
          <span className="min-w-0 truncate">{found.name}</span>
          <span className="ml-auto shrink-0 text-[12px] font-normal text-ink-soft">
            {WAYS[found.way]}
          </span>
        </h3>
        <p className="mt-0.5 text-[13px] font-semibold text-brass">
          {bests.map((id) => BESTS[id]).join(' · ')}
        </p>
        <p className="mt-0.5 text-[13px] leading-snug">{sentenceOf(found, writing)}</p>
        <p className="mt-0.5 text-[12.5px] leading-snug text-ink-soft">
          {than.length > 0 &&
            `Against ${number === all.length ? 1 : number + 1} it ${listed(than)}; `}
          {WAY_COSTS[found.way]}.
          {levels.length > 0 &&
            ` In light and softness no error tells it from ${listed(levels.map(String))}.`}
        </p>
        <p className="no-print mt-1 flex gap-2 text-[13px]">
          <button type="button" className="press press-main min-h-[26px] py-0" onClick={onOpen}>
            {found.way === 'build'
              ? 'Open it as a build'
              : found.way === 'have'
                ? 'Open it'
                : 'Hold builds against it'}
          </button>
        </p>
      </div>
    </li>
  );
}
