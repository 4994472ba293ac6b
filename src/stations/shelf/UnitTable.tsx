'use client';
import { useMemo } from 'react';
import { DataTable, OpenName, type DataColumn } from '@/ui/DataTable';
import type { EffectiveUnit } from '@/core/units/effective';
import { shiftText, SEVERITY_RANK, sourcedText } from './tableCells';
import { mired } from '@/core/colour/mired';
import { worst, type Severity } from '@/core/findings/finding';
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

const CATEGORY_NAMES: Record<Unit['category'], string> = {
  strip: 'LED tape',
  tube: 'Tubes and bars',
  'work-light': 'Work lights',
  panel: 'Panels',
};
const CATEGORIES = Object.keys(CATEGORY_NAMES) as Unit['category'][];

/** One metre of tape, one piece of anything else. */
const oneOf = (unit: Unit) =>
  unit.category === 'strip' ? effectiveTape(unit, 1, 0.9) : effectiveUnit(unit);

interface UnitRow {
  unit: Unit;
  one: EffectiveUnit;
  shiftMired: number | null;
  minorPerKilolumen: number;
  severity: Severity;
}

function rowOf(unit: Unit, shotCctK: number | null): UnitRow {
  const one = oneOf(unit);
  const each =
    unit.priceMinor / unit.packCount / (unit.category === 'strip' ? unit.reelLengthM : 1);
  return {
    unit,
    one,
    shiftMired: shotCctK === null ? null : mired(one.cctK.value) - mired(shotCctK),
    minorPerKilolumen: Math.round((each / one.luminousFluxLm.value) * 1000),
    severity: worst(unitFindings(unit)),
  };
}

const GROUPS = CATEGORIES.map((id) => ({
  id,
  name: `${CATEGORY_NAMES[id]}${id === 'strip' ? ' (figures for one metre, behind its supply)' : ''}`,
}));

function columnsFor(currency: string, onOpen: (unit: Unit) => void): DataColumn<UnitRow>[] {
  const money = moneyFormatter(currency);
  const whole = (value: number) => String(Math.round(value));
  return [
    {
      id: 'name',
      header: 'Unit',
      value: ({ unit }) => unit.name,
      cell: ({ unit }) => <OpenName name={unit.name} onOpen={() => onOpen(unit)} />,
    },
    {
      id: 'watts',
      header: 'W',
      value: ({ one }) => one.wattsW.value,
      cell: ({ one }) => threeFigures(one.wattsW.value),
    },
    {
      id: 'lumens',
      header: 'lm',
      value: ({ one }) => one.luminousFluxLm.value,
      cell: ({ one }) => sourcedText(one.luminousFluxLm, whole),
    },
    {
      id: 'efficacy',
      header: 'lm/W',
      value: ({ one }) => Math.round(one.luminousFluxLm.value / one.wattsW.value),
    },
    {
      id: 'cct',
      header: 'K',
      value: ({ one }) => one.cctK.value,
      cell: ({ one }) => sourcedText(one.cctK, whole),
    },
    {
      id: 'shift',
      header: 'Δ mired',
      value: ({ shiftMired }) => Math.abs(shiftMired ?? 0),
      cell: ({ shiftMired }) => shiftText(shiftMired),
    },
    {
      id: 'cri',
      header: 'CRI',
      value: ({ one }) => one.criRa.value,
      cell: ({ one }) => sourcedText(one.criRa, whole),
    },
    {
      id: 'price',
      header: 'price',
      value: ({ unit }) => unit.priceMinor,
      cell: ({ unit }) => money(unit.priceMinor),
    },
    {
      id: 'klm',
      header: 'per klm',
      value: ({ minorPerKilolumen }) => minorPerKilolumen,
      cell: ({ minorPerKilolumen }) => money(minorPerKilolumen),
    },
    {
      id: 'onHand',
      header: 'on hand',
      value: ({ unit }) => unit.onHand,
      cell: ({ unit }) => threeFigures(unit.onHand),
    },
    {
      id: 'label',
      header: 'label',
      value: ({ severity }) => SEVERITY_RANK[severity],
      cell: ({ severity }) => <SeverityMark severity={severity} bare />,
      words: true,
    },
  ];
}

/** Tape, tubes, work lights and panels: what they give, cost and hide. */
export default function UnitTable({ shotCctK }: { shotCctK: number | null }) {
  const document = useProduction((state) => state.document);
  const { units } = document.shelf;
  const { open, openRecord, close, put, change, remove } = useShelfRecords('unit', units);
  const rows = useMemo(() => units.map((unit) => rowOf(unit, shotCctK)), [units, shotCctK]);
  const { currency } = document;
  const columns = useMemo(
    () => columnsFor(currency, (unit) => openRecord(unit)),
    // The opener is a setter of its own state.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [currency],
  );
  const setField = (unit: Unit, field: string, label: string, value: unknown) =>
    change(unit, label, (target) => {
      Object.assign(target, { [field]: value });
      // A figure typed here is the user's, not the label's or the class's any more.
      const origin = ORIGIN_OF[field];
      if (origin) target.origins[origin] = 'user';
    });
  return (
    <>
      <DataTable
        caption="Tape, tubes, work lights and panels of the shelf"
        className="rows w-full text-[13.5px]"
        columns={columns}
        rows={rows}
        rowId={({ unit }) => unit.id}
        mark="unit"
        groups={GROUPS}
        groupOf={({ unit }) => unit.category}
      />
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
