import type { Making } from '@/core/document/making';
import type { Build, Production } from '@/core/document/production';
import { Derivations } from '@/core/evaluate/derive';
import { evaluate } from '@/core/evaluate/evaluate';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { seenOf, designPoints, signedState } from '@/core/evaluate/signedState';
import { stepPrints } from '@/core/evaluate/stepPrints';

/** What was made of the sample's lights, told as it went; marks and forecasts come from the engines. */
interface Told {
  id: string;
  buildId: string;
  by: string;
  /** the evening it was begun */
  startedAt: string;
  /** so many steps are done; all of them when left out */
  done?: number;
  /** how long a step took for each minute planned */
  pace: number;
  /** how the plan was other when it was begun */
  before?: Build['parameters'];
  /** minutes after the beginning, kind, words */
  log: readonly (readonly [afterMin: number, kind: Making['log'][number]['kind'], words: string])[];
}

const TOLD: readonly Told[] = [
  {
    id: 'making-counter',
    buildId: 'counter-lamp',
    by: 'Ines',
    startedAt: '2026-03-12T18:30:00Z',
    pace: 1.2,
    log: [[70, 'remark', 'The clamp slips on varnish: a strip of bicycle tube between them.']],
  },
  {
    id: 'making-lens',
    buildId: 'lens-ring',
    by: 'Tomas',
    startedAt: '2026-03-14T09:15:00Z',
    done: 8,
    pace: 1.5,
    log: [
      [120, 'remark', 'On the bench supply one half stays dark.'],
      [
        135,
        'fault',
        'It was dark in part; after 1 test: feed 1. A cold joint under the solder, made anew.',
      ],
    ],
  },
  {
    id: 'making-panel',
    buildId: 'stamp-panel',
    by: 'Ines',
    startedAt: '2026-03-15T17:00:00Z',
    done: 6,
    pace: 1.1,
    before: { rowPitchM: 0.024 },
    log: [[55, 'change', 'Fewer rows than begun with: the reel was shorter than its label.']],
  },
];

const after = (startedAt: string, minutes: number): string =>
  `${new Date(Date.parse(startedAt) + minutes * 60_000).toISOString().slice(0, 19)}Z`;

/** A reading as it would be where everything is as forecast. */
const asForecast = ({ expected, kind }: WorkedOut['asked'][number]) =>
  kind === 'yes' ? 1 : expected === null ? null : Number(expected.toPrecision(3));

function makingOf(document: Production, told: Told): Making {
  const { buildId, by, startedAt, pace } = told;
  const build = document.builds.find(({ id }) => id === buildId)!;
  const derive = new Derivations();
  const found = evaluate(document, buildId, { derivations: derive });
  if (!found.ok || found.value.kind !== 'worked out') throw new Error(`Demo: ${buildId}`);
  const { steps, asked } = found.value;
  const prints = stepPrints(found.value, signedState(document, build, derive));
  const begun = { ...build, parameters: { ...build.parameters, ...told.before } };
  const making: Making = {
    id: told.id,
    buildId: build.id,
    name: build.name,
    copy: 1,
    startedAt,
    begun: seenOf(designPoints(document, begun, new Derivations())),
    ticks: {},
    readings: {},
    timers: {},
    paid: {},
    used: {},
    log: told.log.map(([minutes, kind, words], k) => ({
      id: `${told.id}-${k + 1}`,
      at: after(startedAt, minutes),
      by,
      stepId: null,
      kind,
      words,
    })),
    note: '',
  };
  let clock = 0;
  for (const step of steps.slice(0, told.done)) {
    const minutes = Math.max(1, Math.round(step.minutes * pace));
    const begins = after(startedAt, clock);
    clock += minutes + step.waitMinutes;
    const at = after(startedAt, clock);
    making.ticks[step.id] = {
      at,
      by,
      minutes,
      plannedMin: step.minutes,
      title: step.title,
      print: prints.get(step.id)!,
    };
    if (step.waitMinutes > 0)
      making.timers[step.id] = { startedAt: begins, minutes: step.waitMinutes };
    for (const each of asked.filter(({ stepId }) => stepId === step.id))
      making.readings[each.id] = { value: asForecast(each) ?? WARM_K, words: '', at, by };
  }
  return making;
}
/** Hand-warm: what the hottest place of an open lamp was where nothing is forecast, K. */
const WARM_K = 309;

export const makingsOf = (document: Production): Making[] =>
  TOLD.map((told) => makingOf(document, told));
