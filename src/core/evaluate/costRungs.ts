import type { Build, Production } from '../document/production';
import type { Shot } from '../location/shot';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { enclosureC } from '../power/caseHeat';
import { firstExposure, heatW } from '../power/heat';
import type { PowerPlan } from '../power/plan';
import { moneyFormatter, show, showText, threeFigures } from '../quantity';
import type { Purchase } from '../shop/purchase';
import { HOUSEHOLD_FILAMENT } from '../units/effective';
import { ofRung, worst, type Finding } from '../findings/finding';
import { leastSure, unknownReadout, type Readout, type RungId } from './readout';

/** Judgement of a rung that findings speak for. */
const severityOf = (findings: readonly Finding[], rung: RungId) => worst(ofRung(findings, rung));

export function powerRung(
  plan: PowerPlan,
  resolved: ResolvedBuild,
  findings: readonly Finding[],
): Readout {
  const [id, label, dimension] = ['power', 'Power', 'power'] as const;
  const totalA = plan.fullA + plan.othersA;
  const working = {
    formula: 'I = Σ P / (V · pf), every dimmer fully up',
    substituted: `${threeFigures(plan.fullW)} W → ${threeFigures(plan.fullA)} A; with ${threeFigures(plan.othersA)} A of other loads ${threeFigures(totalA)} A of ${threeFigures(plan.limitA)} A`,
    inputs: [
      ...resolved.groups.flatMap((group, i) => [
        {
          symbol: `P${i + 1}`,
          name: `${group.count} × ${group.unit.name}`,
          value: group.count * group.unit.wattsW.value,
          dimension,
          origin: group.unit.wattsW.origin,
        },
        {
          symbol: `pf${i + 1}`,
          name: 'its power factor',
          value: group.unit.powerFactor.value,
          dimension: 'ratio' as const,
          origin: group.unit.powerFactor.origin,
        },
      ]),
      {
        symbol: 'V',
        name: plan.circuit.name,
        value: plan.circuit.voltageV,
        dimension: 'voltage' as const,
        origin: 'yours' as const,
      },
    ],
    source: plan.region.continuousSource,
    leavesOut: 'Loads on the circuit that nobody told this production about.',
  };
  if (plan.lamps === 0) return unknownReadout(id, label, dimension, 'choose a lamp first', working);
  const state = severityOf(findings, 'power');
  return {
    id,
    label,
    value: plan.nowW,
    dimension,
    second: { value: plan.fullA, dimension: 'current', label: 'fully up' },
    target: { value: plan.limitA, dimension: 'current', label: `limit of ${plan.circuit.name}` },
    words:
      state === 'stop'
        ? 'must not be powered up'
        : `${Math.round((totalA / plan.limitA) * 100)} % of ${plan.circuit.name}`,
    state,
    origin: leastSure(
      resolved.groups.flatMap(({ unit }) => [unit.wattsW.origin, unit.powerFactor.origin]),
    ),
    working,
  };
}

export function heatRung(resolved: ResolvedBuild, findings: readonly Finding[]): Readout {
  const [id, label, dimension] = ['heat', 'Heat', 'power'] as const;
  const value = heatW(resolved);
  const nearest = firstExposure(resolved);
  const rise = nearest?.riseK ?? 0;
  const working = {
    formula: 'heat = Σ P · share;  ΔT ≈ α · Σ P·I·cos β/d² / (2·h), full level',
    substituted: `${threeFigures(value)} W as dimmed; the board under a bulb rises about ${threeFigures(rise)} K`,
    inputs: [
      ...resolved.groups.map((group, i) => ({
        symbol: `s${i + 1}`,
        name: `heat share of ${group.unit.name}`,
        value: group.unit.heatShare,
        dimension: 'ratio' as const,
        origin: 'typical' as const,
      })),
      ...(nearest
        ? [
            {
              symbol: 'd',
              name: `lamp to ${nearest.thing.name}`,
              value: nearest.distanceM,
              dimension: 'length' as const,
              origin: 'computed' as const,
            },
          ]
        : []),
    ],
    source: `Free air, h ≈ 8 W/(m²·K) a face; ${HOUSEHOLD_FILAMENT.other * 100} cm from filaments; common practice`,
    leavesOut: 'Draughts, corners and conduction. A thermometer after an hour settles it.',
  };
  if (resolved.groups.length === 0)
    return unknownReadout(id, label, dimension, 'choose a lamp first', working);
  const state = severityOf(findings, 'heat');
  const board = resolved.enclosure
    ? `case about ${Math.round(enclosureC(resolved, resolved.enclosure).outerC)} °C outside, an estimate`
    : nearest
      ? `${nearest.thing.name} ${showText(show(nearest.distanceM, 'length', 'metric'))} away, about +${Math.round(rise)} K`
      : 'nothing near that burns';
  return {
    id,
    label,
    value,
    dimension,
    words: state === 'stop' ? 'too close to burn' : board,
    state,
    origin: 'typical',
    working,
  };
}

export function costRung(
  purchase: Purchase,
  { currency, taxIncluded }: Pick<Production, 'currency' | 'taxIncluded'>,
  { copies }: Pick<Build, 'copies'>,
  shot: Pick<Shot, 'budgetMinor'>,
): Readout {
  const money = moneyFormatter(currency);
  const { spentNowMinor, fullMinor, fullPerLightMinor } = purchase;
  const over = shot.budgetMinor !== null && spentNowMinor > shot.budgetMinor;
  const against =
    shot.budgetMinor === null
      ? 'no budget set'
      : over
        ? `${money(spentNowMinor - shot.budgetMinor)} over the budget`
        : `${money(shot.budgetMinor - spentNowMinor)} of the budget left`;
  // What is still to be bought and nobody knows the price of: the sum is a lower bound.
  const open = purchase.lines.filter(({ priced, packsNow }) => !priced && packsNow > 0).length;
  return {
    id: 'cost',
    label: 'Cost now / full',
    value: spentNowMinor,
    dimension: 'money',
    second: { value: fullMinor, dimension: 'money', label: 'as if nothing were on hand' },
    ...(shot.budgetMinor === null
      ? {}
      : { target: { value: shot.budgetMinor, dimension: 'money' as const, label: 'budget' } }),
    words: open > 0 ? `${against}, ${open} without a price` : against,
    state: purchase.lines.length === 0 ? 'unknown' : over || open > 0 ? 'look' : 'ok',
    origin: 'label',
    working: {
      formula: 'Σ ⌈(needed − on hand) / pack⌉ · pack price;  full: on hand = 0',
      substituted: purchase.lines
        .map(
          (line) =>
            `${line.name}: ${line.packsNow} × ${line.priced ? money(line.packPriceMinor) : 'no price'}`,
        )
        .join('; '),
      inputs: [
        {
          symbol: 'n',
          name: 'copies made at once',
          value: copies,
          dimension: 'count',
          origin: 'yours',
        },
        {
          symbol: 'full/n',
          name: 'full cost of one light',
          value: fullPerLightMinor,
          dimension: 'money',
          origin: 'computed',
        },
      ],
      source: 'Prices on the shelf, whole packs',
      leavesOut: `Tools, your hours and travel. Prices ${taxIncluded ? 'include' : 'leave out'} tax. What is on hand is counted for each build by itself.`,
    },
  };
}
