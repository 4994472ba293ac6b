import { mixedCctK } from '../../colour/mix';
import { finished } from '../../making/finishing';
import { mired } from '../../colour/mired';
import type { Need } from '../../build/needs';
import { frontSize, subjectM } from '../../build/front';
import { stopsBetween } from '../../light/exposure';
import { evennessOver } from '../../light/evenness';
import { JUDGED } from '../../location/use';
import { buildField } from '../field';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { angularSizeDeg, NOSE_M, separateShadows } from '../../light/softness';
import { stackLayers } from '../../light/mouth';
import { cctAtLevel, raAsMixed } from '../../power/watts';
import { planPower } from '../../power/plan';
import { packSizeOf } from '../../units/effective';
import { keyOf, packsFor } from '../../shop/purchase';
import { lightMargin } from '../light';
import { quickFindings, wrongVoltage } from '../quickFindings';
import { ERROR_STOPS } from './judged';
import type { Question } from './question';

/** Stock that is cut from sheets: so much of a sheet is of use [practice]. */
const SHEET_USED = 0.8;

/** What is said of one resolved design, as numbers that change evenly with the number of its lamps. */
export interface Measured {
  lux: number;
  angleDeg: number;
  front: { widthM: number; heightM: number };
  /** looked at coarsely, where the use is judged by it; else null */
  evennessStops: number | null;
  /** lamps on a metre */
  perM: number;
  emitterWidthM: number;
  open: boolean;
  ra: number;
  cctK: number | null;
  flickers: boolean | null;
  hours: number;
  watts: number;
  amps: number;
  massKg: number;
  foldedM: number;
  /** by key: what one light takes, stock that is cut in packs among it */
  takes: ReadonlyMap<string, Need>;
  /** a stop of the quick engines: it must not be built so */
  stopped: boolean;
}

/** Sheets, bars and lengths as parts of a pack, by area and length: laying them out takes too long among many. */
function cutNeeds({ pieces }: ResolvedBuild, { shelf }: Question): Need[] | null {
  const needs: Need[] = [];
  for (const piece of pieces) {
    const part = piece.partId && shelf.part(piece.partId);
    if (!part) continue;
    const item = { kind: 'part' as const, id: part.id };
    const told = { item, why: '', step: '' };
    if (piece.kind === 'sheet' && part.role === 'sheet') {
      const [long, short] = [
        Math.max(part.widthM, part.heightM),
        Math.min(part.widthM, part.heightM),
      ];
      const [l, s] = [Math.max(piece.widthM, piece.heightM), Math.min(piece.widthM, piece.heightM)];
      if (l > long || s > short) return null;
      const share = (piece.widthM * piece.heightM) / (part.widthM * part.heightM * SHEET_USED);
      needs.push({ ...told, quantity: share * piece.count, measure: 'piece' });
    } else if (piece.kind === 'stick' && part.role === 'stick') {
      if (piece.lengthM > part.stockLengthM) return null;
      needs.push({
        ...told,
        quantity: (piece.lengthM / part.stockLengthM) * piece.count,
        measure: 'piece',
      });
    } else if (piece.kind === 'cloth' && 'widthM' in part) {
      const lengths = Math.ceil(Math.min(piece.widthM, piece.heightM) / part.widthM);
      needs.push({
        ...told,
        quantity: Math.max(piece.widthM, piece.heightM) * lengths * piece.count,
        measure: 'm',
      });
    }
  }
  return needs;
}

const COARSE = 4;
/** Uses that are judged by it alone: on a face a soft light is even enough, and looking is slow. */
function evennessOf(resolved: ResolvedBuild, { shot }: Question): number | null {
  const { by } = JUDGED[shot.use];
  if (!by.includes('evenness') || by.includes('softness')) return null;
  const { own, whole } = buildField(resolved, null);
  const { coverageWidthM, coverageHeightM } = shot;
  return evennessOver(
    whole(own),
    subjectM(resolved, shot),
    coverageWidthM,
    coverageHeightM,
    COARSE,
    COARSE,
  ).plusMinusStops;
}

/**
 * @param steps  with checking and setting up among them
 * @returns null for what cannot be cut from its stock, or gives no light
 */
export function measure(
  resolved: ResolvedBuild,
  question: Question,
  steps = finished(resolved, question.context),
): Measured | null {
  const { shot, circuit, context, othersA, document, clean, targetLx } = question;
  const { groups, mouth, array, needs, massKg, folded } = resolved;
  const cut = cutNeeds(resolved, question);
  const lux = lightMargin(resolved, shot) * targetLx;
  if (!cut || !(lux > 0) || groups.length === 0) return null;
  const plan = planPower(resolved, circuit, othersA, context.part);
  const { widthM, heightM } = frontSize(resolved);
  const takes = new Map<string, Need>();
  for (const need of [...needs, ...cut]) {
    const key = keyOf(need.item);
    takes.set(key, { ...need, quantity: need.quantity + (takes.get(key)?.quantity ?? 0) });
  }
  const before = mixedCctK(
    groups.map((group) => ({
      cctK: cctAtLevel(group),
      uv: null,
      illuminanceLx: group.count * group.unit.luminousFluxLm.value,
    })),
  );
  const shift = mouth ? stackLayers(mouth.layers).shiftMired : 0;
  const ripples = groups.some(({ unit }) => unit.flicker === 'mains');
  return {
    lux,
    angleDeg: angularSizeDeg(Math.min(widthM, heightM), shot.distanceM),
    front: { widthM, heightM },
    evennessStops: evennessOf(resolved, question),
    perM: Number.isFinite(array.spacingM) && array.spacingM > 0 ? 1 / array.spacingM : 0,
    emitterWidthM: array.emitterWidthM,
    open: !mouth,
    ra: Math.min(...groups.map(raAsMixed)),
    cctK: before === null ? null : 1e6 / (mired(before) + shift),
    flickers: ripples
      ? !clean
      : groups.some(({ unit }) => unit.flicker === 'unknown')
        ? null
        : false,
    hours: steps.reduce((sum, { minutes }) => sum + minutes, 0) / 60,
    watts: plan.fullW,
    amps: plan.fullA,
    massKg,
    foldedM: Math.max(folded.widthM, folded.heightM, folded.depthM),
    takes,
    stopped:
      wrongVoltage(groups, circuit) ||
      quickFindings(resolved, plan, document.shelf.parts).some(
        ({ severity }) => severity === 'stop',
      ),
  };
}

/** Its lamps throw shadows apart, as somebody sees it who is looked at, or what is judged by softness. */
export function throwsApart(
  { open, perM, emitterWidthM }: Measured,
  { shot }: Pick<Question, 'shot'>,
): boolean {
  const { person, by } = JUDGED[shot.use];
  const spacingM = open && perM > 0 ? 1 / perM : Infinity;
  return (
    (person || by.includes('softness')) &&
    separateShadows(spacingM, emitterWidthM, shot.distanceM, NOSE_M).separate
  );
}

/** What is measured, as an estimate of an answer. */
export function estimateOf(measured: Measured, question: Pick<Question, 'shot' | 'targetLx'>) {
  const { lux, angleDeg, evennessStops, ra, cctK, flickers, hours, watts, massKg, foldedM, front } =
    measured;
  return {
    front,
    lux,
    stops: stopsBetween(lux, question.targetLx),
    errorStops: ERROR_STOPS.estimate,
    angleDeg,
    separate: throwsApart(measured, question),
    evennessStops,
    ra,
    cctK,
    miredOff: cctK === null ? 0 : Math.abs(mired(cctK) - mired(question.shot.cctK)),
    flickers,
    hours,
    watts,
    massKg,
    foldedM,
    sure: false,
  };
}

const between = (a: number, b: number, t: number): number => a + (b - a) * t;

/** The same design with a number of lamps between two that were measured; what it takes is told by `moneyBetween`. */
export function mixedBetween(one: Measured, other: Measured, t: number): Measured {
  return {
    ...one,
    lux: between(one.lux, other.lux, t),
    angleDeg: between(one.angleDeg, other.angleDeg, t),
    perM: between(one.perM, other.perM, t),
    hours: between(one.hours, other.hours, t),
    watts: between(one.watts, other.watts, t),
    amps: between(one.amps, other.amps, t),
    massKg: between(one.massKg, other.massKg, t),
    foldedM: between(one.foldedM, other.foldedM, t),
  };
}

/** Money for what a design takes; what is on hand is not bought. */
export interface Money {
  nowMinor: number;
  fullMinor: number;
  unpriced: number;
  /** no unit or part that is bought is without a price: what is not known of small things is left out */
  priced: boolean;
  owned: boolean;
}

/** One thing a design takes, at the fewest and at the most lamps. */
interface Line {
  from: number;
  to: number;
  onHand: number;
  pack: number;
  priceMinor: number | null;
  small: boolean;
}

function lineOf(from: Need | undefined, to: Need | undefined, shelf: Question['shelf']): Line {
  const { item } = (from ?? to)!;
  const good =
    item.kind === 'unit'
      ? shelf.unit(item.id)
      : item.kind === 'part'
        ? shelf.part(item.id)
        : shelf.hardware(item.id, item.size);
  return {
    from: from?.quantity ?? 0,
    to: to?.quantity ?? 0,
    onHand: good?.onHand ?? 0,
    pack: !good ? 1 : 'packSize' in good ? good.packSize : packSizeOf(good),
    priceMinor: good?.priceMinor ?? null,
    small: item.kind === 'hardware',
  };
}

/** Money at any number of lamps between two; packs are whole at each. */
export function moneyBetween(
  one: Measured,
  other: Measured,
  { shelf }: Pick<Question, 'shelf'>,
): (t: number) => Money {
  const keys = [...new Set([...one.takes.keys(), ...other.takes.keys()])];
  const lines = keys.map((key) => lineOf(one.takes.get(key), other.takes.get(key), shelf));
  return (t) => {
    const sum: Money = { nowMinor: 0, fullMinor: 0, unpriced: 0, priced: true, owned: true };
    for (const { from, to, onHand, pack, priceMinor, small } of lines) {
      const quantity = between(from, to, t);
      const now = packsFor(quantity - onHand, pack);
      if (priceMinor === null) sum.unpriced++;
      if (priceMinor === null && now > 0 && !small) sum.priced = false;
      if (priceMinor !== null) {
        sum.nowMinor += now * priceMinor;
        sum.fullMinor += packsFor(quantity, pack) * priceMinor;
      }
      if (now > 0 && priceMinor !== 0 && !small) sum.owned = false;
    }
    return sum;
  };
}

export const moneyOf = (measured: Measured, question: Pick<Question, 'shelf'>): Money =>
  moneyBetween(measured, measured, question)(0);
