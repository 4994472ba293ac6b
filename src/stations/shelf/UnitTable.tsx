'use client';
import { mired } from '@/core/colour/mired';
import { worst } from '@/core/findings/finding';
import { moneyFormatter, threeFigures } from '@/core/quantity';
import { effectiveTape, effectiveUnit } from '@/core/units/effectiveUnit';
import { ORIGIN_OF, type Unit } from '@/core/units/unit';
import { unitFindings } from '@/core/units/unitSanity';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { SeverityMark } from '@/ui/Severity';
import { useProduction } from '../store/context';
import { copiedUnit, newUnit } from './newRecords';
import { MeasuredFiles } from './MeasuredFiles';
import RecordEditor from './RecordEditor';
import { UNIT_FIELDS } from './recordFields';
import { useShelfRecords } from './useShelfRecords';

export const CATEGORY_NAMES: Record<Unit['category'], string> = {
  strip: 'LED tape',
  tube: 'Tubes and bars',
  'work-light': 'Work lights',
  panel: 'Panels',
};
const CATEGORIES = Object.keys(CATEGORY_NAMES) as Unit['category'][];

/** One metre of tape, one piece of anything else. */
const oneOf = (unit: Unit) =>
  unit.category === 'strip' ? effectiveTape(unit, 1, 0.9) : effectiveUnit(unit);

/** Tape, tubes, work lights and panels: what they give, cost and hide. */
export default function UnitTable({ shotCctK }: { shotCctK: number | null }) {
  const document = useProduction((state) => state.document);
  const { units } = document.shelf;
  const { open, openRecord, close, put, change, remove } = useShelfRecords('unit', units);
  const money = moneyFormatter(document.currency);
  const setField = (unit: Unit, field: string, label: string, value: unknown) =>
    change(unit, label, (target) => {
      Object.assign(target, { [field]: value });
      // A figure typed here is the user's, not the label's or the class's any more.
      const origin = ORIGIN_OF[field];
      if (origin) target.origins[origin] = 'user';
    });
  return (
    <>
      <table className="rows w-full text-[13.5px]">
        <thead>
          <tr>
            <th>Unit</th>
            <th className="num">W</th>
            <th className="num">lm</th>
            <th className="num">lm/W</th>
            <th className="num">K</th>
            <th className="num">Δ mired</th>
            <th className="num">CRI</th>
            <th className="num">price</th>
            <th className="num">per klm</th>
            <th className="num">on hand</th>
            <th>label</th>
          </tr>
        </thead>
        {CATEGORIES.map((category) => (
          <tbody key={category}>
            <tr>
              <th colSpan={11} scope="rowgroup" className="pt-3 text-left font-display">
                {CATEGORY_NAMES[category]}
                {category === 'strip' && ' (figures for one metre, behind its supply)'}
              </th>
            </tr>
            {units
              .filter((unit) => unit.category === category)
              .map((unit) => {
                const one = oneOf(unit);
                const per = unit.category === 'strip' ? unit.reelLengthM : 1;
                const each = unit.priceMinor / unit.packCount / per;
                const tilde = (origin: string) => (origin === 'typical' ? '~' : '');
                return (
                  <tr key={unit.id}>
                    <td>
                      <button
                        type="button"
                        className="text-left underline decoration-line-strong underline-offset-2"
                        onClick={() => openRecord(unit)}
                      >
                        {unit.name}
                      </button>
                    </td>
                    <td className="num">{threeFigures(one.wattsW.value)}</td>
                    <td className="num">
                      {tilde(one.luminousFluxLm.origin)}
                      {Math.round(one.luminousFluxLm.value)}
                    </td>
                    <td className="num">
                      {Math.round(one.luminousFluxLm.value / one.wattsW.value)}
                    </td>
                    <td className="num">
                      {tilde(one.cctK.origin)}
                      {Math.round(one.cctK.value)}
                    </td>
                    <td className="num">
                      {shotCctK === null
                        ? '–'
                        : Math.round(mired(one.cctK.value) - mired(shotCctK))}
                    </td>
                    <td className="num">
                      {tilde(one.criRa.origin)}
                      {Math.round(one.criRa.value)}
                    </td>
                    <td className="num">{money(unit.priceMinor)}</td>
                    <td className="num">
                      {money(Math.round((each / one.luminousFluxLm.value) * 1000))}
                    </td>
                    <td className="num">{threeFigures(unit.onHand)}</td>
                    <td>
                      <SeverityMark severity={worst(unitFindings(unit))} bare />
                    </td>
                  </tr>
                );
              })}
          </tbody>
        ))}
      </table>
      <div className="my-3 w-56">
        <ChoiceField
          label="Add a unit"
          value=""
          options={[
            { value: '', label: 'choose its kind' },
            ...CATEGORIES.map((value) => ({
              value: value as string,
              label: CATEGORY_NAMES[value],
            })),
          ]}
          onCommit={(category) => {
            if (category)
              put(
                newUnit(
                  document.shelf,
                  category as Unit['category'],
                  `New ${CATEGORY_NAMES[category as Unit['category']].toLowerCase()}`,
                  document.circuits[0]!.voltageV,
                ),
                'add a unit',
              );
          }}
        />
      </div>
      {open && (
        <RecordEditor
          record={open}
          fields={UNIT_FIELDS[open.category]}
          findings={unitFindings(open)}
          onChange={(field, label, value) => setField(open, field, label, value)}
          onClose={close}
          onDuplicate={() => put(copiedUnit(document.shelf, open), `duplicate ${open.name}`)}
          onDelete={() => remove(open)}
        >
          <MeasuredFiles
            spread={'spread' in open ? open.spread : null}
            spectrum={open.spectrum}
            onSpread={({ spread, luminousFluxLm }) =>
              change(open, 'distribution', (target) => {
                if (!('spread' in target)) return;
                target.spread = spread;
                target.luminousFluxLm = Math.round(luminousFluxLm);
                target.origins.luminousFluxLm = 'metered';
              })
            }
            onSpectrum={(spectrum) =>
              change(open, 'spectrum', (target) => void (target.spectrum = spectrum))
            }
          />
        </RecordEditor>
      )}
    </>
  );
}
