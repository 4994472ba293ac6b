import type { TapeRun } from '../build/wiring';
import { SUPPLY_SHARE } from '../electrics/supply';
import type { Finding } from '../findings/finding';
import type { Part, PartOf } from '../materials/part';
import { threeFigures } from '../quantity';

/** Apparent power of a class 2 output [std: UL 1310; from memory]. */
const CLASS2_VA = 100;

/** Whether tape and supply fit each other, and which supply of the shelf would. */
export function supplyFindings(run: TapeRun, parts: readonly Part[]): Finding[] {
  const loadW = run.wattsPerM * run.rowsM.reduce((sum, row) => sum + row, 0);
  if (run.supply && run.supply.voltageV !== run.voltageV)
    return [wrongVolts(run, run.supply, fittingSupplies(run, loadW, parts))];
  return [
    ...(run.supply && run.supplies === 1 ? [] : [choice(run, loadW, parts)]),
    ...(run.outputsJoined && run.supplies > 1 ? [joined(run)] : []),
    ...(run.supply && loadW / run.supplies > CLASS2_VA ? [wantsFuse(run)] : []),
  ];
}

const where = ({ supplyField }: TapeRun) => ({ drawing: 'supply', field: supplyField });

/** Supplies of the shelf that carry the whole tape alone, smallest first. */
const fittingSupplies = (run: TapeRun, loadW: number, parts: readonly Part[]) =>
  parts
    .filter((part): part is PartOf<'supply'> => part.role === 'supply')
    .filter(({ voltageV, ratedW }) => voltageV === run.voltageV && ratedW * SUPPLY_SHARE >= loadW)
    .toSorted((a, b) => a.ratedW - b.ratedW);

const remedies = (run: TapeRun, fitting: readonly PartOf<'supply'>[]) =>
  fitting.slice(0, 2).map(({ id, name }) => ({
    label: `Use “${name}”`,
    parameters: { [run.supplyField]: id },
  }));

function wrongVolts(
  run: TapeRun,
  supply: NonNullable<TapeRun['supply']>,
  fitting: readonly PartOf<'supply'>[],
): Finding {
  return {
    id: 'tape.supply-volts',
    topic: 'tape',
    severity: 'stop',
    title: 'The supply does not fit the tape',
    message: `“${supply.name}” gives ${supply.voltageV} V, the tape wants ${run.voltageV} V: ${supply.voltageV > run.voltageV ? 'it burns out at once' : 'it stays dark'}.`,
    limit: `${run.voltageV} V`,
    source: 'Voltage printed on tape and supply',
    where: where(run),
    remedies: remedies(run, fitting),
  };
}

/** None chosen, or several share the tape. */
function choice(run: TapeRun, loadW: number, parts: readonly Part[]): Finding {
  const fitting = fittingSupplies(run, loadW, parts);
  const load = `${threeFigures(loadW)} W at ${run.voltageV} V`;
  const wantedW = Math.ceil(loadW / SUPPLY_SHARE);
  const alone = fitting[0]
    ? `“${fitting[0].name}” carries it alone.`
    : `none on the shelf carries it alone, it would have to be one of at least ${wantedW} W.`;
  return {
    id: 'tape.supply',
    topic: 'tape',
    severity: run.supply ? 'look' : 'unknown',
    title: run.supply ? `${run.supplies} supplies share the tape` : 'No supply chosen',
    message: run.supply
      ? `${load} is more than one “${run.supply.name}” carries: split the tape into ${run.supplies} parts, each with its own supply. Never join their outputs.${fitting[0] ? ` Or ${alone}` : ''}`
      : `The tape takes ${load}: ${alone} Outputs of several are never joined.`,
    limit: `${wantedW} W, the load at four fifths of the rating`,
    source: 'Common practice',
    where: where(run),
    remedies: remedies(run, fitting),
  };
}

const joined = (run: TapeRun): Finding => ({
  id: 'tape.joined',
  topic: 'tape',
  severity: 'stop',
  title: 'Outputs of supplies joined',
  message: `${run.supplies} supplies with their outputs together fight each other: one carries everything, overheats and can catch fire. Give each a part of the tape of its own.`,
  limit: 'one supply a part',
  source: 'Common practice; labels of supplies that are not made for it',
  where: { drawing: 'supply', field: run.outputsField },
  remedies: [{ label: 'A part of the tape each', parameters: { [run.outputsField]: 'separate' } }],
});

const wantsFuse = (run: TapeRun): Finding => ({
  id: 'tape.class2',
  topic: 'tape',
  severity: 'look',
  title: `More than ${CLASS2_VA} VA in low voltage`,
  message: `Above ${CLASS2_VA} VA a short circuit can weld and burn although the voltage is harmless: fuse each feed.`,
  limit: `${CLASS2_VA} VA`,
  source: 'UL 1310 class 2; from memory',
  where: where(run),
});
