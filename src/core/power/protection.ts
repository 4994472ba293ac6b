import type { Finding } from '../findings/finding';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Cord } from '../electrics/cord';
import type { Circuit } from '../location/circuit';
import type { Part, PartOf } from '../materials/part';
import { amps } from '../quantity';
import type { PowerPlan } from './plan';

/**
 * Behind a breaker alone a flex may carry less than the breaker lets through: it is short, and a fault trips
 * the breaker before it burns. Up to three times its limit that is ordinary (0.75 mm² behind 16 A), up to six
 * a competent person looks (0.5 mm² behind 16 A), beyond that the flex burns first
 * [BS 7671 and IEC 60364-4-43 practice; from memory].
 */
const ORDINARY = 3;
const STILL_TRIPS = 6;

const SOURCE = 'BS 1363 plug fuses; BS 7671 and IEC 60364-4-43 practice; from memory';

/**
 * The plug's fuse, or the breaker where there is none, against the flex behind it. The thing that is meant to
 * blow must not be bigger than what it protects.
 */
export function protectionFindings(
  plan: PowerPlan,
  resolved: ResolvedBuild,
  parts: readonly Part[],
): Finding[] {
  const { cord, plug } = plan;
  if (!cord) return [];
  return plug?.fuseA == null
    ? behindBreaker(plan, resolved, cord)
    : behindFuse(plan, resolved, cord, plug.fuseA, parts);
}

function behindFuse(
  { fullA, plug }: PowerPlan,
  { wiring }: ResolvedBuild,
  cord: Cord,
  fuseA: number,
  parts: readonly Part[],
): Finding[] {
  const { field } = wiring.plug;
  const common = {
    id: 'power.protection',
    topic: 'power' as const,
    limit: `${cord.limitA} A, ${cord.name}`,
    source: SOURCE,
    where: { drawing: 'plug', field },
  };
  if (fuseA <= cord.limitA)
    return [
      {
        ...common,
        severity: 'ok',
        title: 'The fuse protects the flex',
        message: `A fuse of ${fuseA} A blows before a flex for ${cord.limitA} A gets hot.`,
      },
    ];
  const fitting = parts.filter(
    (part): part is PartOf<'plug'> =>
      part.role === 'plug' &&
      part.fuseA !== null &&
      part.fuseA <= cord.limitA &&
      part.fuseA >= fullA &&
      part.ratedA >= fullA &&
      // What the old plug was needed for the new one must bring too: its earth.
      (part.earthContact === 'yes' || plug?.earthContact !== 'yes'),
  );
  return [
    {
      ...common,
      severity: 'stop',
      title: 'The fuse is bigger than the flex bears',
      message: `A fuse of ${fuseA} A lets through more than a flex for ${cord.limitA} A bears: in a fault the flex burns and the fuse holds. Fit a fuse of at most ${cord.limitA} A, or a thicker flex.`,
      remedies: field
        ? fitting.map((part) => ({
            label: `Use “${part.name}”`,
            parameters: { [field]: part.id },
          }))
        : [],
    },
  ];
}

const behindBreaker = (plan: PowerPlan, { wiring }: ResolvedBuild, cord: Cord): Finding[] =>
  flexBehindBreaker('power.protection', cord, plan, plan.circuit, {
    drawing: 'cord',
    field: wiring.cord.field,
  });

/** A flex with nothing but the breaker before it. */
export function flexBehindBreaker(
  id: string,
  flex: Cord,
  { region }: Pick<PowerPlan, 'region'>,
  { ratedA, name }: Circuit,
  where: Finding['where'],
): Finding[] {
  const times = ratedA / flex.limitA;
  if (times <= ORDINARY) return [];
  const stop = times > STILL_TRIPS;
  const fused = region.plugFusesA.length > 0;
  return [
    {
      id,
      topic: 'power',
      severity: stop ? 'stop' : 'look',
      title: stop ? 'Nothing protects the flex' : 'A thin flex behind a big breaker',
      message: `The breaker of “${name}” lets ${amps(ratedA)} through, the flex bears ${flex.limitA} A. ${stop ? 'In a fault the flex burns before the breaker trips.' : 'Keep it short, and have a competent person look at it.'} Use a thicker flex${fused ? ', a plug with its fuse,' : ''} or a smaller circuit.`,
      limit: `${flex.limitA} A, ${flex.name}`,
      source: SOURCE,
      where,
    },
  ];
}
