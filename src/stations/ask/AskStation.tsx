'use client';
import { useState } from 'react';
import type { Judged } from '@/core/evaluate/search/judged';
import {
  HOUR_WEIGHT,
  HOURS_OF_AN_EVENING,
  WISH_WEIGHT,
  type Answer,
} from '@/core/evaluate/search/answers';
import { FALL_WORDS, type Writing } from '@/core/evaluate/search/words';
import { circuitOf } from '@/core/evaluate/search/question';
import type { Standing } from '@/core/evaluate/search/run';
import type { Shot } from '@/core/location/shot';
import { buildIdSchema, fixtureIdSchema } from '@/core/ids';
import { lazyPanel } from '@/ui/lazyPanel';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useDevice } from '@/ui/device';
import { newBuild } from '../shell/actions';
import { useSession } from '../shell/Workbench';
import { useWorkplace } from '../shell/useWorkplace';
import { TakeAway } from '../records/TakeAway';
import { useProduction, useProductionStore } from '../store/context';
import { useEdits } from '../store/useEdits';
import { AnswerCard } from './AnswerCard';
import { NearMisses } from './NearMisses';
import { Sentence } from './Sentence';
import { saveAnswers } from './saveAnswers';
import { useLooks } from './useLooks';
import { useSearch } from './useSearch';

const AnswerMap = lazyPanel(() => import('./AnswerMap'));

/** What should I build? The question at the left, what can be had in the middle, the answers beside it. */
export function AskStation() {
  const shots = useProduction((state) => state.document.shots);
  const { shotId, goTo } = useWorkplace();
  const shot = shots.find(({ id }) => id === shotId) ?? shots[0];
  if (!shot)
    return (
      <div className="p-6">
        <h2 className="text-2xl">A question needs a shot</h2>
        <p className="mt-2 mb-4 max-w-2xl">
          What is lit, from how far, how bright and how soft: with that told, every way to build,
          buy or hire the light is looked at.
        </p>
        <button type="button" className="press press-main" onClick={() => goTo('shot')}>
          Describe a shot
        </button>
      </div>
    );
  return <Asked key={shot.id} shot={shot} shots={shots} />;
}

/** Opens what was found: a new build, one that is there, or the Verdict against a fixture. */
function useOpening(shot: Shot) {
  const store = useProductionStore();
  const edits = useEdits();
  const { goTo, build } = useWorkplace();
  const { say } = useSession();
  return (found: Judged) => {
    const { document } = store.getState();
    if (found.way === 'build' && found.parameters) {
      const made = {
        ...newBuild(document, found.of, shot.id, found.parameters),
        circuitId: circuitOf(document, shot.id).id,
        accessories: [...found.accessories],
        standing: document.builds.some(({ shotId }) => shotId === shot.id)
          ? ('an idea' as const)
          : ('in use' as const),
      };
      edits.add('build', made, `start ${made.name}`);
      say(`${made.name} is on the bench.`);
      return goTo('build', { build: made.id });
    }
    if (found.way === 'have')
      return goTo('build', { build: buildIdSchema.parse(found.id.slice('have '.length)) });
    const own = document.builds.find(({ shotId }) => shotId === shot.id) ?? build;
    if (!own)
      return say(
        `${found.name} is on the list of fixtures; there is no build to hold against it yet.`,
      );
    edits.record('build', own.id, `fixture of ${own.name}`, (target) => {
      target.fixtureId = fixtureIdSchema.parse(found.of);
    });
    goTo('verdict', { build: own.id });
  };
}

function Asked({ shot, shots }: { shot: Shot; shots: readonly Shot[] }) {
  const document = useProduction((state) => state.document);
  const { derivations, goTo } = useWorkplace();
  const { units } = useDevice();
  const { standing, stage, problem, stop } = useSearch(document, shot.id, derivations);
  const done = stage === 'done';
  const [picked, setPicked] = useState<string | null>(null);
  const answers = standing?.answers ?? [];
  const looks = useLooks(document, shot.id, answers, done);
  const open = useOpening(shot);
  const writing: Writing = { currency: document.currency, units };
  return (
    <div
      data-ask={stage}
      aria-busy={!done}
      className="grid h-full grid-cols-[330px_minmax(0,1fr)_400px] bg-sheet max-xl:grid-cols-[320px_minmax(0,1fr)] max-lg:block"
    >
      <div className="min-h-0 overflow-y-auto border-r border-line bg-paper px-3 py-2">
        <ChoiceField
          label="For the shot"
          value={shot.id as string}
          options={shots.map(({ id, name }) => ({ value: id as string, label: name }))}
          onCommit={(id) => goTo('ask', { shot: id })}
        />
        <div className="mt-2">
          <Sentence shot={shot} />
        </div>
        <Weighing />
      </div>
      <div className="flex min-h-0 min-w-0 flex-col gap-2 overflow-y-auto px-4 py-2">
        <Progress standing={standing} done={done} problem={problem} onStop={stop} />
        {standing && (
          <>
            <AnswerMap
              front={standing.front}
              answers={answers}
              softnessDeg={shot.softnessDeg}
              picked={picked}
            />
            <NearMisses standing={standing} question={{ shot }} writing={writing} onOpen={open} />
          </>
        )}
      </div>
      <div className="flex min-h-0 flex-col overflow-y-auto border-l border-line p-2 max-xl:col-span-2 max-xl:border-t max-xl:border-l-0">
        <Answers
          answers={answers}
          done={done}
          looks={looks}
          writing={writing}
          picked={picked}
          onPick={setPicked}
          onOpen={open}
        />
        <p className="mt-2 text-[12.5px] text-ink-soft">
          An answer is a drawing, not a clearance: mains, heat, heights and metal edges hurt people.
          Wire checks it before power; local codes and a competent person come first.
        </p>
        {answers.length > 0 && (
          <TakeAway onCsv={() => saveAnswers(document, shot, standing!.answers, standing!.front)} />
        )}
      </div>
    </div>
  );
}

interface AnswersProps {
  answers: readonly Answer[];
  done: boolean;
  looks: ReturnType<typeof useLooks>;
  writing: Writing;
  picked: string | null;
  onPick: (id: string) => void;
  onOpen: (found: Judged) => void;
}

function Answers({ answers, done, looks, writing, picked, onPick, onOpen }: AnswersProps) {
  if (answers.length === 0)
    return (
      <p className="p-2 text-[15px]">
        {done
          ? 'Nothing meets every hard wish. The nearest misses say which wish keeps them out: give way there, or pencil it.'
          : 'Looking…'}
      </p>
    );
  return (
    <ol aria-label="Answers" className="grid gap-2">
      {answers.map((answer, k) => (
        <AnswerCard
          key={answer.found.id}
          answer={answer}
          number={k + 1}
          all={answers}
          writing={writing}
          look={looks.get(answer.found.id) ?? null}
          picked={picked === answer.found.id}
          onPick={() => onPick(answer.found.id)}
          onOpen={() => onOpen(answer.found)}
        />
      ))}
    </ol>
  );
}

interface ProgressProps {
  standing: Standing | null;
  done: boolean;
  problem: string | null;
  onStop: () => void;
}

/** How far it is, how many were judged, and why others fell. */
function Progress({ standing, done, problem, onStop }: ProgressProps) {
  if (problem) return <p role="alert">{problem}</p>;
  const fell = Object.entries(standing?.fell ?? {}) as [keyof typeof FALL_WORDS, number][];
  return (
    <p role="status" className="flex flex-wrap items-baseline gap-x-3 text-[13px] text-ink-soft">
      <span data-judged={standing?.judged ?? 0}>
        {(standing?.judged ?? 0).toLocaleString('en')} designs judged
        {done ? ', the answers simulated' : `, ${standing?.stage ?? 'beginning'}…`}
      </span>
      {fell.map(([why, count]) => (
        <span key={why}>
          {count.toLocaleString('en')} {FALL_WORDS[why]}
        </span>
      ))}
      {!done && (
        <button type="button" className="underline underline-offset-4" onClick={onStop}>
          Stop
        </button>
      )}
    </p>
  );
}

/** The weights, never hidden. */
function Weighing() {
  return (
    <details className="mt-2 text-[13px] text-ink-soft">
      <summary>How answers are weighed</summary>
      <p className="mt-1">
        Weight = money and paid hours over the budget + {HOUR_WEIGHT} × hours over{' '}
        {HOURS_OF_AN_EVENING} h + {WISH_WEIGHT} × the share by which each pencilled wish is missed;
        less is better. Estimates of light err by about ± 0.4 stops until they are simulated. What
        must be cuts; a dimmer, a battery and a sandbag are not in it.
      </p>
    </details>
  );
}
