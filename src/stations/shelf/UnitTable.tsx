'use client';
import { Plus } from 'lucide-react';
import { useMemo } from 'react';
import { UNIT_RECORDS, type Category, type Unit } from '@/core/units/unit';
import { labelFindings } from '@/core/units/sanity';
import { DataTable } from '@/ui/DataTable';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useProduction } from '../store/context';
import { LabelPhotographs } from './LabelPhotographs';
import { MeasuredFiles } from './MeasuredFiles';
import { copiedUnit, newUnit } from './newRecords';
import RecordEditor from './RecordEditor';
import { unitColumns } from './unitColumns';
import { CATEGORY_NAMES, ONE_OF, unitRow } from './unitRows';
import { useShelfRecords } from './useShelfRecords';

interface UnitTableProps {
  /** what the table holds, in words */
  name: string;
  categories: readonly Category[];
  shotCctK: number | null;
}

/** Units of some categories side by side: what they give, cost and hide. */
export default function UnitTable({ name, categories, shotCctK }: UnitTableProps) {
  const document = useProduction((state) => state.document);
  const { shelf, currency } = document;
  const { units } = useDevice();
  const records = useShelfRecords('unit', shelf.units);
  const { open, openRecord, close, put, change, remove } = records;
  const rows = useMemo(
    () =>
      shelf.units
        .filter(({ category }) => categories.includes(category))
        .map((unit) => unitRow(unit, shotCctK)),
    [shelf.units, categories, shotCctK],
  );
  const several = categories.length > 1;
  const columns = useMemo(
    () => unitColumns(several ? 'Unit' : 'Bulb', currency, units, openRecord),
    // The opener is a setter of its own state.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [currency, units, several],
  );
  const groups = several ? categories.map((id) => ({ id, name: groupName(id) })) : undefined;
  const add = (category: Category) =>
    put(
      newUnit(shelf, category, `New ${ONE_OF[category]}`, document.circuits[0]!.voltageV),
      `add a ${ONE_OF[category]}`,
    );
  return (
    <>
      {rows.length > 0 ? (
        <DataTable
          caption={`${name} of the shelf`}
          columns={columns}
          rows={rows}
          rowId={({ unit }) => unit.id}
          mark="unit"
          groups={groups}
          groupOf={({ unit }) => unit.category}
        />
      ) : (
        <p className="p-6">
          Nothing here yet. In <em>Night Ferry</em> the shelf begins with “A60 globe 9 W 806 lm 4000
          K, three for €8.99”: add the first box you have.
        </p>
      )}
      <AddUnit categories={categories} onAdd={add} />
      {open && (
        <RecordEditor<Unit>
          record={open}
          fields={UNIT_RECORDS[open.category].fields}
          findings={labelFindings(open)}
          onChange={(label, set) => change(open, label, set)}
          onClose={close}
          onDuplicate={() => put(copiedUnit(shelf, open), `duplicate ${open.name}`)}
          onDelete={() => remove(open)}
        >
          <LabelPhotographs unit={open} />
          <MeasuredFiles unit={open} onChange={(label, set) => change(open, label, set)} />
        </RecordEditor>
      )}
    </>
  );
}

const groupName = (category: Category): string =>
  `${CATEGORY_NAMES[category]}${category === 'strip' ? ' (figures for one metre, behind its supply)' : ''}`;

interface AddUnitProps {
  categories: readonly Category[];
  onAdd: (category: Category) => void;
}

/** A button where there is one kind, a list where there are several. */
function AddUnit({ categories, onAdd }: AddUnitProps) {
  const [only, ...others] = categories;
  if (others.length === 0)
    return (
      <button
        type="button"
        className="press mt-3 flex items-center gap-1"
        onClick={() => onAdd(only!)}
      >
        <Plus size={15} aria-hidden /> Add a {ONE_OF[only!]}
      </button>
    );
  return (
    <div className="my-3 w-56">
      <ChoiceField<Category | ''>
        label="Add a unit"
        value=""
        options={[
          { value: '', label: 'choose its kind' },
          ...categories.map((value) => ({ value, label: CATEGORY_NAMES[value] })),
        ]}
        onCommit={(category) => {
          if (category !== '') onAdd(category);
        }}
      />
    </div>
  );
}
