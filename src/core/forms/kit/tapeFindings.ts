import type { Finding } from '../../findings/finding';
import type { PartOf } from '../../materials/part';
import { SUPPLY_SHARE } from '../../power/tapeFindings';
import { threeFigures } from '../../quantity';
import { tapeWattsPerM } from '../../units/effectiveUnit';
import type { UnitOf } from '../../units/unit';
import type { FormContext } from '../form';
import { look, mm, partOf, stop } from './choices';
import { stripOf, supplyCount, type TapeChoice, type TapeRows } from './tape';

const HOT_TAPE_W_PER_M = 10;
/** Least bend radius of bare tape, flat-wise [typ]. */
const BEND_RADIUS_M = 0.02;

/** Traps of tape: supply, coating, bends, heat, a piece shorter than one mark. */
export function tapeFindings(
  form: string,
  tape: TapeChoice,
  rows: TapeRows,
  curved: { radiusM: number } | null,
  onMetal: boolean,
  context: FormContext,
): Finding[] {
  const strip = stripOf(tape, context);
  const where = { field: 'stripId', drawing: 'tape' };
  if (!strip) return [];
  const found = supplyFindings(form, tape, rows.usedM, strip, context);
  if (rows.usedM <= 0)
    found.push(
      stop(
        'geometry',
        `${form}.no-tape`,
        'No whole section of tape fits',
        `One section is ${mm(strip.cutIncrementM)}; ${rows.capacityM <= 0 ? 'the rows are shorter than that: make the light bigger or choose a tape with closer marks' : 'ask for at least that much tape'}.`,
        { field: 'tapeLengthM', drawing: 'tape' },
        'Tape may be cut at its marks only',
        mm(strip.cutIncrementM),
      ),
    );
  if (curved && strip.coated)
    found.push(
      stop(
        'geometry',
        `${form}.coated`,
        'Coated tape will not follow the curve',
        'Its silicone sleeve refuses to bend flat against a rim and pulls the copper off. Choose bare tape.',
        where,
      ),
    );
  if (curved && curved.radiusM < BEND_RADIUS_M)
    found.push(
      stop(
        'geometry',
        `${form}.bend`,
        'Too tight a bend',
        `A radius of ${mm(curved.radiusM)} cracks the solder joints of the diodes.`,
        where,
        'Typical of bare tape, flat-wise',
        mm(BEND_RADIUS_M),
      ),
    );
  if (!onMetal && tapeWattsPerM(strip) > HOT_TAPE_W_PER_M)
    found.push(
      look(
        'heat',
        `${form}.tape-heat`,
        'Tape this strong wants metal behind it',
        `${threeFigures(tapeWattsPerM(strip))} W/m on wood, foam or plastic cooks its own diodes and glue. Put aluminium tape or a flat bar under it, or dim it.`,
        where,
        'Common practice',
        `about ${HOT_TAPE_W_PER_M} W/m without metal`,
      ),
    );
  return found;
}

function supplyFindings(
  form: string,
  tape: TapeChoice,
  usedM: number,
  strip: UnitOf<'strip'>,
  context: FormContext,
): Finding[] {
  const where = { field: 'supplyPartId', drawing: 'supply' };
  const supply: PartOf<'supply'> | null = partOf(context, tape.supplyPartId, 'supply');
  const loadW = tapeWattsPerM(strip) * usedM;
  if (!supply)
    return [
      {
        id: `${form}.no-supply`,
        topic: 'tape',
        severity: 'unknown',
        title: 'No supply chosen',
        message: `The tape takes ${threeFigures(loadW)} W at ${strip.voltageV} V: choose a supply of that voltage and at least ${threeFigures(loadW / SUPPLY_SHARE)} W.`,
        source: 'Common practice: load at four fifths of the rating',
        where,
      },
    ];
  if (supply.voltageV !== strip.voltageV)
    return [
      stop(
        'tape',
        `${form}.supply-volts`,
        'The supply does not fit the tape',
        `“${supply.name}” gives ${supply.voltageV} V, the tape wants ${strip.voltageV} V: ${supply.voltageV > strip.voltageV ? 'it burns out at once' : 'it stays dark'}.`,
        where,
        'Voltage printed on tape and supply',
        `${strip.voltageV} V`,
      ),
    ];
  const several = supplyCount(tape, usedM, context);
  const found: Finding[] = [];
  if (several > 1)
    found.push(
      look(
        'tape',
        `${form}.supply-split`,
        `${several} supplies share the tape`,
        `${threeFigures(loadW)} W is more than one “${supply.name}” carries: split the tape into ${several} parts, each with its own supply. Never join their outputs.`,
        where,
        'Common practice',
        `${threeFigures(supply.ratedW * SUPPLY_SHARE)} W each`,
      ),
    );
  if (loadW / several > 100)
    found.push(
      look(
        'tape',
        `${form}.class2`,
        'More than 100 VA in low voltage',
        'Above 100 VA a short circuit can weld and burn although the voltage is harmless: fuse each feed.',
        where,
        'UL 1310 class 2; from memory',
        '100 VA',
      ),
    );
  return found;
}
