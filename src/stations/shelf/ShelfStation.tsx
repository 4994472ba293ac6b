'use client';
import dynamic from 'next/dynamic';
import { lazyPanel } from '@/ui/lazyPanel';
import { ScanText } from 'lucide-react';
import { useState } from 'react';
import { CATEGORIES, type Category } from '@/core/units/unit';
import { Sheets } from '@/ui/Sheets';
import { useKept } from '@/ui/useKept';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';

const OwnSheet = lazyPanel(() => import('./OwnSheet'));
const PartTable = lazyPanel(() => import('./PartTable'));
const UnitTable = lazyPanel(() => import('./UnitTable'));
const CompareSheet = dynamic(() => import('./CompareSheet'), { ssr: false });
const FittingSheet = lazyPanel(() => import('./FittingSheet'));
const ColourSheet = dynamic(() => import('./ColourSheet'), { ssr: false });
const ReadDialog = lazyPanel(() => import('./ReadDialog'));

const SHEETS = [
  ['own', 'What I own'],
  ['bulbs', 'Bulbs'],
  ['units', 'Tape, tubes, panels'],
  ['parts', 'Materials and parts'],
  ['compare', 'Side by side'],
  ['fitting', 'In this light'],
  ['colour', 'Colour'],
] as const;

const BULBS: readonly Category[] = ['bulb'];
const OTHERS = CATEGORIES.filter((category) => !BULBS.includes(category));

export function ShelfStation() {
  const { shotId, build } = useWorkplace();
  const document = useProduction((state) => state.document);
  const [sheet, setSheet] = useKept<(typeof SHEETS)[number][0]>(
    'shelf',
    SHEETS.map(([id]) => id),
    'bulbs',
  );
  const [reading, setReading] = useState(false);
  const shot = document.shots.find(({ id }) => id === shotId);
  const shotCctK = shot?.cctK ?? null;
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
        {sheet === 'own' && <OwnSheet onRead={() => setReading(true)} />}
        {sheet === 'bulbs' && <UnitTable name="Bulbs" categories={BULBS} shotCctK={shotCctK} />}
        {sheet === 'units' && (
          <UnitTable
            name="Tape, tubes, work lights and panels"
            categories={OTHERS}
            shotCctK={shotCctK}
          />
        )}
        {sheet === 'parts' && <PartTable />}
        {sheet === 'compare' && <CompareSheet />}
        {sheet === 'fitting' &&
          (build ? <FittingSheet build={build} /> : <p className="p-6">Start a light first.</p>)}
        {sheet === 'colour' && <ColourSheet build={build} />}
        {(sheet === 'bulbs' || sheet === 'units') && shot && (
          <p className="py-2 text-[13px] text-ink-soft">
            Δ mired against “{shot.name}”, {shot.cctK} K. ~ is typical, not from the label.
          </p>
        )}
      </Sheets>
      {reading && <ReadDialog onClose={() => setReading(false)} />}
    </div>
  );
}
