import type { ResolvedBuild } from '../build/resolvedBuild';
import type { FormContext } from '../forms/form';
import { ORIGIN_WORDS } from '../origin';
import type { Dimension, UnitSystem } from '../quantity';
import { KELVIN, show, showText } from '../quantity';
import { enclosureC, insideLimits, ROOM_C } from '../power/caseHeat';
import { heatedThings } from '../power/heat';
import type { PowerPlan } from '../power/plan';
import type { TapePlan } from '../power/tapePlan';
import { earthLimitOhm } from './finishing';

/** How far a current may lie beside the plan: labels state watts to a tenth, meters read to a few per cent [practice]. */
const CURRENT_SHARE = 0.2;
const LEAST_A = 0.03;
/** This much more than planned is no spread of lamps but a fault. */
const FAULT_SHARE = 0.5;
/** Volts at a tape may lie so far beside what its copper predicts [practice]. */
const VOLTS_SHARE = 0.05;
/** Surfaces: held for ten minutes without harm, and touched at all; °C [std: ISO 13732-1 and IEC 60598, from memory]. */
const HELD_C = 48;
const TOUCHED_C = 60;
/** Light beside its forecast, stops: a cheap meter and a typical figure each miss by a third [practice]. */
const LIGHT_STOPS = 0.5;
const AS_FORECAST = 'As forecast.';

/** Something a step asks a person to read off, and what is judged of it. SI; low and high are what passes. */
export interface Asked {
  id: string;
  stepId: string;
  label: string;
  kind: 'quantity' | 'yes' | 'words';
  dimension: Dimension | 'resistance' | null;
  /** what the design predicts; null where it predicts nothing */
  expected: number | null;
  low: number | null;
  high: number | null;
  /** from here on it stops the making; null where nothing does */
  stopAbove: number | null;
  /** where the forecast comes from */
  from: string;
  /** what is said when it passes, and what to look at first when it is under or over */
  fine: string;
  under: string;
  over: string;
}

const yes = (stepId: string, id: string, label: string, over: string): Asked => ({
  id,
  stepId,
  label,
  kind: 'yes',
  dimension: null,
  expected: 1,
  low: 1,
  high: 1,
  stopAbove: null,
  from: '',
  fine: 'As it should be.',
  under: over,
  over,
});

const words = (stepId: string, id: string, label: string): Asked => ({
  ...yes(stepId, id, label, ''),
  kind: 'words',
  expected: null,
});

/** What the readings are judged against. */
interface Predicted {
  resolved: ResolvedBuild;
  context: FormContext;
  plan: PowerPlan;
  tape: TapePlan | null;
  lightLx: number | null;
}

const quantity = (
  stepId: string,
  id: string,
  label: string,
  dimension: NonNullable<Asked['dimension']>,
  judged: Omit<Asked, 'id' | 'stepId' | 'label' | 'kind' | 'dimension'>,
): Asked => ({ id, stepId, label, kind: 'quantity', dimension, ...judged });

function tapeVolts({ resolved, tape }: Predicted): Asked[] {
  const run = resolved.tape;
  if (!run || !tape || !Number.isFinite(tape.lowestV)) return [];
  const nearV = run.voltageV * (1 - tape.leadDrop);
  const around = (expected: number) => ({
    expected,
    low: expected * (1 - VOLTS_SHARE),
    high: expected * (1 + VOLTS_SHARE),
    stopAbove: run.voltageV * (1 + 2 * VOLTS_SHARE),
    from: `worked out, ${run.loopOhmPerM.origin === 'typical' ? 'copper typical of its width' : `with its ${ORIGIN_WORDS[run.loopOhmPerM.origin]} copper`}`,
    fine: AS_FORECAST,
  });
  const over = 'More than its supply should give: switch off, and read the supply’s label again.';
  return [
    quantity('power-up', 'volts-near', 'Volts at the first feed, everything lit', 'voltage', {
      ...around(nearV),
      under: 'Look at the lead first: too long, too thin, or a joint that is hardly one.',
      over,
    }),
    quantity('power-up', 'volts-far', 'Volts at the dimmest end, everything lit', 'voltage', {
      ...around(tape.lowestV),
      under:
        'Look at the tape first: thinner copper than typical, a feed that is not connected, a cold joint.',
      over: 'Less is drawn than planned: a row may be dark, or the tape’s copper is better. Enter what you read on Wire.',
    }),
  ];
}

const current = ({ plan }: Predicted): Asked =>
  quantity('power-up', 'current', 'Current at the plug, fully up', 'current', {
    expected: plan.fullA,
    low: plan.fullA * (1 - CURRENT_SHARE) - LEAST_A,
    high: plan.fullA * (1 + CURRENT_SHARE) + LEAST_A,
    stopAbove: plan.fullA * (1 + FAULT_SHARE) + LEAST_A,
    from: 'worked out from the labels’ watts',
    fine: AS_FORECAST,
    under: 'Look for what is dark: a lamp, a row, a feed.',
    over: 'Switch off. Something draws what nobody planned: other lamps than on the list, or a joint that leaks.',
  });

const COOLER =
  'Unplug it. Look for a coiled cord, a warm joint, lamps that cannot breathe; give it air, distance or less power, and begin the hour again.';

/** Under its limits it passes, unless it is far hotter than worked out; °C. */
const under = (expectedC: number | null, lookC: number, stopC: number) => ({
  expected: expectedC === null ? null : expectedC + KELVIN,
  low: KELVIN,
  high: KELVIN + Math.min(lookC, expectedC === null ? Infinity : expectedC + spareK(expectedC)),
  stopAbove: KELVIN + stopC,
  from: 'an estimate, in a room of 25 °C',
  under: 'Below freezing: read it again.',
  over: COOLER,
});
/** Estimates of heat are wrong by half the rise, and rooms differ [common practice]. */
const spareK = (expectedC: number): number => Math.max(10, (expectedC - ROOM_C) / 2);

/** Whatever Wire works out a temperature of is measured at the warm checks. */
function warmth({ resolved }: Predicted): Asked[] {
  const { enclosure } = resolved;
  const at = (id: string, label: string, judged: Parameters<typeof quantity>[4]) =>
    quantity('warm-checks', id, label, 'temperature', judged);
  const held = 'It can be held for ten minutes and longer.';
  const borne = (limitC: number) => `It bears up to ${Math.round(limitC)} °C.`;
  const outerC = enclosure && enclosureC(resolved, enclosure).outerC;
  const inside = enclosure?.closed ? insideLimits(resolved, enclosure) : null;
  return [
    // A case takes an hour to get as warm as is worked out.
    at('warm-10', 'Hottest place a hand can reach, after 10 min', {
      ...under(null, HELD_C, TOUCHED_C),
      fine: held,
    }),
    at('warm-60', 'The same after 1 h', { ...under(outerC, HELD_C, TOUCHED_C), fine: held }),
    ...(enclosure && inside
      ? [
          at('warm-inside', 'Inside the case beside the lamps, after 1 h (a probe left in)', {
            ...under(enclosureC(resolved, enclosure).innerC, inside.lookC, inside.stopC),
            fine: borne(inside.lookC),
          }),
        ]
      : []),
    ...heatedThings(resolved).map(({ exposure: { thing, riseK }, limitC }) =>
      at(`warm-${thing.id}`, `The ${thing.name} where the lamps are nearest, after 1 h`, {
        ...under(ROOM_C + riseK, limitC, limitC),
        fine: borne(limitC),
      }),
    ),
  ];
}

const metered = ({ lightLx }: Predicted): Asked =>
  quantity('meter', 'light', 'Light at the subject', 'illuminance', {
    expected: lightLx,
    low: lightLx && lightLx * 2 ** -LIGHT_STOPS,
    high: lightLx && lightLx * 2 ** LIGHT_STOPS,
    stopAbove: null,
    from: 'worked out, as on the ladder',
    fine: lightLx === null ? 'Written down; nothing is forecast.' : AS_FORECAST,
    under: 'Look at the layer first, then at the lamps’ own lumens.',
    over: 'Look for light that comes by another way: a wall, another lamp.',
  });

/** Everything the steps of a build ask for, by step [docs/model/making.md]. */
export function askedReadings(predicted: Predicted, stepIds: ReadonlySet<string>): Asked[] {
  const limit = earthLimitOhm(predicted.resolved, predicted.context);
  const all: Asked[] = [
    yes(
      'look-over',
      'no-short',
      'No continuity from live to neutral, none from either to metal',
      'Do not plug it in: find the short first.',
    ),
    yes(
      'look-over',
      'polarity',
      'Polarity right at every terminal',
      'Turn the swapped pair, then look again.',
    ),
    quantity('measure-earth', 'earth', 'From the plug’s earth pin to the metal', 'resistance', {
      expected: null,
      low: 0,
      high: limit,
      stopAbove: limit,
      from: '',
      fine: `Under ${limit.toFixed(2)} Ω.`,
      under: 'A meter reads no less than nothing: hold its leads together and take that off.',
      over: 'Do not plug it in. Find the painted, loose or forgotten joint.',
    }),
    ...tapeVolts(predicted),
    current(predicted),
    ...warmth(predicted),
    words('hoist', 'rated-by', 'Who rated the points, and when'),
    yes('hoist', 'bonds', 'A closed bond at every point', 'Nobody lets go before it is.'),
    yes('hoist', 'nobody-below', 'Nobody is underneath', 'Clear the floor first.'),
    metered(predicted),
  ];
  return all.filter(({ stepId }) => stepIds.has(stepId));
}

export interface Judgement {
  state: 'ok' | 'look' | 'stop';
  words: string;
}

/** A reading beside what was predicted; the first thing to look at where it is not that. */
export function judged(
  asked: Asked,
  value: number | null,
  said: string,
  system: UnitSystem,
): Judgement {
  if (asked.kind === 'words')
    return said.trim() ? { state: 'ok', words: said } : { state: 'stop', words: 'Not said yet.' };
  if (value === null || !Number.isFinite(value)) return { state: 'stop', words: 'Not read yet.' };
  const { low, high, stopAbove, expected } = asked;
  if (asked.kind === 'yes')
    return value === 1 ? { state: 'ok', words: asked.fine } : { state: 'stop', words: asked.over };
  const beside =
    expected === null || expected === 0 ? '' : `Planned ${written(asked, expected, system)}. `;
  if (stopAbove !== null && value > stopAbove)
    return { state: 'stop', words: `${beside}${asked.over}` };
  if (high !== null && value > high) return { state: 'look', words: `${beside}${asked.over}` };
  if (low !== null && value < low)
    return { state: low === 0 ? 'stop' : 'look', words: `${beside}${asked.under}` };
  return { state: 'ok', words: `${beside}${asked.fine}` };
}

const written = ({ dimension }: Asked, value: number, system: UnitSystem): string =>
  dimension === 'resistance'
    ? `${value.toFixed(2)} Ω`
    : dimension
      ? showText(show(value, dimension, system))
      : String(value);
