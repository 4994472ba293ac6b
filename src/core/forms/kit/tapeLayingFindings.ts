import type { Finding } from '../../findings/finding';
import { threeFigures } from '../../quantity';
import { tapeWattsPerM } from '../../units/effective';
import type { FormContext } from '../form';
import { look, stop } from './findingWriters';
import { mm } from '../../quantity';
import { stripOf, type TapeChoice, type TapeRows } from './tape';

const HOT_TAPE_W_PER_M = 10;
/** Least bend radius of bare tape, flat-wise [typ]. */
const BEND_RADIUS_M = 0.02;

/** Traps in laying tape: coating, bends, heat, a piece shorter than one mark. */
export function tapeLayingFindings(
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
  const found: Finding[] = [];
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
