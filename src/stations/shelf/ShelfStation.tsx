'use client';
import dynamic from 'next/dynamic';
import { lazyPanel } from '@/ui/lazyPanel';
import { Plus, ScanText } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { freeName } from '@/core/document/records';
import type { BulbId } from '@/core/ids';
import { bulbSchema, type Bulb } from '@/core/units/bulb';
import { Sheets } from '@/ui/Sheets';
import { useSession } from '../shell/Workbench';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { bulbRows } from './bulbRows';
import { plainBulb } from './newRecords';

const BulbEditor = lazyPanel(() => import('./BulbEditor'));
const BulbTable = lazyPanel(() => import('./BulbTable'));
const PartTable = lazyPanel(() => import('./PartTable'));
const UnitTable = lazyPanel(() => import('./UnitTable'));
const CompareSheet = dynamic(() => import('./CompareSheet'), { ssr: false });
const FittingSheet = lazyPanel(() => import('./FittingSheet'));
const ColourSheet = dynamic(() => import('./ColourSheet'), { ssr: false });
const ReadDialog = lazyPanel(() => import('./ReadDialog'));

const SHEETS = [
  ['bulbs', 'Bulbs'],
  ['units', 'Tape, tubes, panels'],
  ['parts', 'Materials and parts'],
  ['compare', 'Side by side'],
  ['fitting', 'In this light'],
  ['colour', 'Colour'],
] as const;

export function ShelfStation() {
  const edits = useEdits();
  const { say } = useSession();
  const { shotId, build } = useWorkplace();
  const document = useProduction((state) => state.document);
  const [sheet, setSheet] = useState<(typeof SHEETS)[number][0]>('bulbs');
  const [openId, setOpenId] = useState<BulbId | null>(null);
  const [reading, setReading] = useState(false);
  const shot = document.shots.find(({ id }) => id === shotId);
  const { bulbs } = document.shelf;
  const rows = useMemo(() => bulbRows(bulbs, shot?.cctK ?? null), [bulbs, shot?.cctK]);
  const open = bulbs.find(({ id }) => id === openId);

  const put = (bulb: Bulb, label: string) => {
    edits.add('bulb', bulb, label);
    setOpenId(bulb.id);
  };
  const add = () => {
    const voltage = document.circuits[0]?.voltageV ?? 230;
    put(plainBulb(nanoid(10), freeName('New bulb', bulbs), voltage), 'add a bulb');
  };
  const duplicate = (bulb: Bulb) =>
    put(
      bulbSchema.parse({ ...bulb, id: nanoid(10), name: freeName(bulb.name, bulbs) }),
      `duplicate ${bulb.name}`,
    );
  const remove = (bulb: Bulb) => {
    setOpenId(null);
    edits.remove('bulb', bulb, `delete ${bulb.name}`);
    say(`Deleted ${bulb.name}. Undo brings it back.`);
  };
  return (
    <div className="flex h-full flex-col bg-sheet">
      <Sheets
        label="Shelf"
        sheets={SHEETS}
        open={sheet}
        onOpen={setSheet}
        className="relative min-h-0 flex-1 overflow-auto px-3"
        beside={
          <>
            <span className="flex-1" />
            <button
              type="button"
              className="press flex items-center gap-1"
              onClick={() => setReading(true)}
            >
              <ScanText size={15} aria-hidden /> Read labels
            </button>
          </>
        }
      >
        {sheet === 'bulbs' && bulbs.length === 0 && (
          <p className="p-6">
            The shelf is empty. In <em>Night Ferry</em> it begins with “A60 globe 9 W 806 lm 4000 K,
            three for €8.99”: add the first box you have.
          </p>
        )}
        {sheet === 'bulbs' && bulbs.length > 0 && (
          <BulbTable rows={rows} currency={document.currency} onOpen={setOpenId} />
        )}
        {sheet === 'units' && <UnitTable shotCctK={shot?.cctK ?? null} />}
        {sheet === 'parts' && <PartTable />}
        {sheet === 'compare' && <CompareSheet />}
        {sheet === 'fitting' &&
          (build ? <FittingSheet build={build} /> : <p className="p-6">Start a light first.</p>)}
        {sheet === 'colour' && <ColourSheet build={build} />}
        {sheet === 'bulbs' && (
          <button type="button" className="press mt-3 flex items-center gap-1" onClick={add}>
            <Plus size={15} aria-hidden /> Add a bulb
          </button>
        )}
        {(sheet === 'bulbs' || sheet === 'units') && shot && (
          <p className="py-2 text-[13px] text-ink-soft">
            Δ mired against “{shot.name}”, {shot.cctK} K. ~ is typical, not from the label.
          </p>
        )}
      </Sheets>
      {reading && <ReadDialog onClose={() => setReading(false)} />}
      {open && (
        <BulbEditor
          bulb={open}
          onClose={() => setOpenId(null)}
          onDuplicate={() => duplicate(open)}
          onDelete={() => remove(open)}
        />
      )}
    </div>
  );
}
