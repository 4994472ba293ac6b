'use client';
import { DataTable, OpenName, type DataColumn } from '@/ui/DataTable';
import { HARDWARE } from '@/core/materials/hardware';
import type { Part } from '@/core/materials/part';
import { CORDS } from '@/core/electrics/cord';
import { show, showText, type UnitSystem } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { MoneyField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';
import { copiedPart, newPart } from './newRecords';
import { hasOffCuts, OffCuts } from './OffCuts';
import RecordEditor from './RecordEditor';
import { PART_FIELDS } from './recordFields';
import { useShelfRecords } from './useShelfRecords';

const ROLE_NAMES: Record<Part['role'], string> = {
  sheet: 'Board',
  socket: 'Sockets',
  cord: 'Cord',
  plug: 'Plugs',
  dimmer: 'Dimmers',
  paint: 'Paint',
  cloth: 'Cloth',
  hardware: 'Small things',
  stick: 'Pipe and batten',
  diffusion: 'Layers',
  supply: 'Supplies',
  ballast: 'Ballasts',
  'clamp-lamp': 'Clamp lamps',
  softbox: 'Softboxes',
};

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
    case 'softbox':
      return `Ø ${length(part.diameterM)}`;
  }
}

/** Everything bought for a build that gives no light itself: price, pack and what is on hand. */
export default function PartTable() {
  const { units } = useDevice();
  const shelf = useProduction((state) => state.document.shelf);
  const { parts } = shelf;
  const { open, openRecord, close, put, change, remove } = useShelfRecords('part', parts);
  const currency = useProduction((state) => state.document.currency);
  const columns: DataColumn<Part>[] = [
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
      cell: (part) => keyFigure(part, units),
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
      value: ({ priceMinor }) => priceMinor,
      cell: (part) => (
        <MoneyField
          label={`Price of ${part.name}`}
          valueMinor={part.priceMinor}
          currency={currency}
          onCommit={(minor) =>
            change(part, 'price', (target) => void (target.priceMinor = minor ?? 0))
          }
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
        <QuantityField
          label={`On hand, ${part.measure}`}
          value={part.onHand}
          dimension="count"
          assumedUnit=""
          step={1}
          min={0}
          max={100_000}
          system={units}
          onCommit={(onHand) =>
            change(part, 'on hand', (target) => void (target.onHand = onHand ?? 0))
          }
        />
      ),
    },
  ];
  return (
    <>
      <DataTable
        caption="Materials and parts of the shelf"
        className="rows w-full text-[13.5px]"
        columns={columns}
        rows={parts}
        rowId={({ id }) => id}
        mark="part"
      />
      <div className="my-3 w-56">
        <ChoiceField
          label="Add a part"
          value=""
          options={[
            { value: '', label: 'choose its kind' },
            ...Object.entries(ROLE_NAMES).map(([value, label]) => ({ value, label })),
          ]}
          onCommit={(role) => {
            if (role)
              put(
                newPart(
                  shelf,
                  role as Part['role'],
                  `New ${ROLE_NAMES[role as Part['role']].toLowerCase()}`,
                ),
                'add a part',
              );
          }}
        />
      </div>
      {open && (
        <RecordEditor
          record={open}
          fields={PART_FIELDS[open.role]}
          onChange={(field, label, value) =>
            change(open, label, (target) => void Object.assign(target, { [field]: value }))
          }
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
