'use client';
import { DataTable, OpenName, type DataColumn } from '@/ui/DataTable';
import { HARDWARE } from '@/core/materials/hardware';
import { PART_RECORDS, ROLES, type Part, type Role } from '@/core/materials/part';
import { CORDS } from '@/core/electrics/cord';
import { show, showText, type UnitSystem } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { MoneyField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';
import { copiedPart, newPart } from './newRecords';
import { hasOffCuts, OffCuts } from './OffCuts';
import { ROLE_NAMES } from './roleNames';
import RecordEditor from './RecordEditor';
import { RecordFieldInput } from '../records/RecordFieldInput';
import { useShelfRecords } from './useShelfRecords';

/** The figure that decides whether a part will do. */
function keyFigure(part: Part, system: UnitSystem): string {
  const length = (metres: number) => showText(show(metres, 'length', system));
  switch (part.role) {
    case 'sheet':
      return `${length(part.widthM)} × ${length(part.heightM)} × ${length(part.thicknessM)}`;
    case 'socket':
      return `${part.base}, ${part.ratedW} W, Ø ${length(part.footprintDiameterM)}`;
    case 'cord':
      return `${CORDS[part.cord].name}: ${CORDS[part.cord].limitA} A`;
    case 'plug':
      return `${part.ratedA} A${part.fuseA ? `, fuse ${part.fuseA} A` : ''}`;
    case 'dimmer':
      return `${part.edge}-edge, ${part.minimumW}–${part.maximumW} W`;
    case 'paint':
      return `${part.coverageM2PerL} m²/l a coat`;
    case 'cloth':
      return `${length(part.widthM)} wide`;
    case 'hardware':
      return HARDWARE[part.kind].name;
    case 'stick':
      return `${length(part.stockLengthM)} long, ${length(part.diameterM)} across`;
    case 'diffusion':
      return `τ ${part.transmittance}, back ${part.backReflectance}, ${part.limitC} °C`;
    case 'supply':
      return `${part.voltageV} V, ${part.ratedW} W`;
    case 'ballast':
      return `${part.kind}, ${part.tubes} ${part.tubes === 1 ? 'tube' : 'tubes'}`;
    case 'clamp-lamp':
      return `${part.base}, ${part.ratedW} W, Ø ${length(part.reflectorDiameterM)}`;
    case 'round':
    case 'softbox':
      return `Ø ${length(part.diameterM)}`;
  }
}

/** What parts are looked through by; price and stock are changed where they stand. */
function partColumns(
  system: UnitSystem,
  currency: string,
  { openRecord, change }: Pick<ReturnType<typeof useShelfRecords<'part'>>, 'openRecord' | 'change'>,
): DataColumn<Part>[] {
  return [
    {
      id: 'name',
      header: 'Part',
      value: ({ name }) => name,
      cell: (part) => (
        <>
          <OpenName name={part.name} onOpen={() => openRecord(part)} />
          <span className="block text-[12.5px] text-ink-soft">{ROLE_NAMES[part.role]}</span>
        </>
      ),
    },
    {
      id: 'decides',
      header: 'Decides',
      words: true,
      value: ({ role }) => ROLE_NAMES[role],
      cell: (part) => keyFigure(part, system),
    },
    {
      id: 'pack',
      header: 'Pack',
      words: true,
      value: ({ packSize }) => packSize,
      cell: ({ packSize, measure }) => (
        <span className="figure">
          {packSize} {measure}
        </span>
      ),
    },
    {
      id: 'price',
      header: 'Price of a pack',
      words: true,
      className: 'w-32',
      value: ({ priceMinor }) => priceMinor ?? Infinity,
      cell: (part) => (
        <MoneyField
          label={`Price of ${part.name}`}
          valueMinor={part.priceMinor}
          currency={currency}
          onCommit={(minor) => change(part, 'price', (target) => void (target.priceMinor = minor))}
        />
      ),
    },
    {
      id: 'onHand',
      header: 'On hand',
      words: true,
      className: 'w-28',
      value: ({ onHand }) => onHand,
      cell: (part) => (
        <RecordFieldInput
          field={{ ...stockField(part), label: `On hand, ${part.measure}` }}
          value={part.onHand}
          onChange={(onHand) =>
            change(part, 'on hand', (target) => void (target.onHand = Number(onHand ?? 0)))
          }
        />
      ),
    },
  ];
}

const stockField = ({ role }: Part) =>
  PART_RECORDS[role].fields.find(({ field }) => field === 'onHand')!;

/** Everything bought for a build that gives no light itself: price, pack and what is on hand. */
export default function PartTable() {
  const { units } = useDevice();
  const { shelf, currency } = useProduction((state) => state.document);
  const records = useShelfRecords('part', shelf.parts);
  const { open, close, put, change, remove } = records;
  const add = (role: Role) =>
    put(newPart(shelf, role, `New ${ROLE_NAMES[role].toLowerCase()}`), 'add a part');
  return (
    <>
      <DataTable
        caption="Materials and parts of the shelf"
        className="rows w-full text-[13.5px]"
        columns={partColumns(units, currency, records)}
        rows={shelf.parts}
        rowId={({ id }) => id}
        mark="part"
      />
      <div className="my-3 w-56">
        <ChoiceField<Role | ''>
          label="Add a part"
          value=""
          options={[
            { value: '', label: 'choose its kind' },
            ...ROLES.map((value) => ({ value, label: ROLE_NAMES[value] })),
          ]}
          onCommit={(role) => {
            if (role !== '') add(role);
          }}
        />
      </div>
      {open && (
        <RecordEditor<Part>
          record={open}
          fields={PART_RECORDS[open.role].fields}
          onChange={(label, set) => change(open, label, set)}
          onClose={close}
          onDuplicate={() => put(copiedPart(shelf, open), `duplicate ${open.name}`)}
          onDelete={() => remove(open)}
        >
          {hasOffCuts(open) && (
            <OffCuts
              part={open}
              onChange={(rows) =>
                change(open, 'off-cuts', (target) => void Object.assign(target, { offCuts: rows }))
              }
            />
          )}
        </RecordEditor>
      )}
    </>
  );
}
