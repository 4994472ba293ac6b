'use client';
import { useMemo, useState } from 'react';
import { litOf } from '@/core/set/readings';
import type { Setup } from '@/core/set/setup';
import { useDevice } from '@/ui/device';
import { Sheets } from '@/ui/Sheets';
import { useProduction } from '../store/context';
import { Beside } from './Beside';
import { CameraPicture } from './CameraPicture';
import { exposureOf } from './exposureOf';
import { Faders } from './Faders';
import { MixLine } from './MixLine';
import { PlanDrawing } from './PlanDrawing';
import { RoomPanel } from './RoomPanel';
import { SetBar } from './SetBar';
import { SetFigures } from './SetFigures';
import { SetTable } from './SetTable';
import { ThingPanel } from './ThingPanel';
import { useLayers } from './useLayers';
import { useSetEdits } from './useSetEdits';
import { useSolved } from './useSolved';

const SHEETS = [
  ['above', 'From above'],
  ['side', 'From the side'],
  ['table', 'In words'],
] as const;
type SheetId = (typeof SHEETS)[number][0];

/** A lamp whose light is not known yet is drawn so large. */
const SOME_FRONT = { widthM: 0.3, heightM: 0.3 };

/** One setup: its plan, the camera's picture of it, faders and figures. */
export function SetBench({ setup }: { setup: Setup }) {
  const { units } = useDevice();
  const shots = useProduction(({ document }) => document.shots);
  const setups = useProduction(({ document }) => document.setups);
  const [besideId, setBeside] = useState('');
  const [pickedId, setPicked] = useState<string | null>(null);
  const [draggedId, setDragged] = useState<string | null>(null);
  const [aloneId, setAlone] = useState<string | null>(null);
  const [sheet, setSheet] = useState<SheetId>('above');
  const edits = useSetEdits(setup);
  const { answer, busy, problem, stock } = useSolved(setup, draggedId);
  const layers = useLayers(answer?.picture ?? null);
  const { targetLx, greyLx } = exposureOf(shots, setup);
  const other = setups.find(({ id }) => id === besideId && id !== setup.id) ?? null;
  const lit = useMemo(() => litOf(setup, answer?.lights ?? []), [setup, answer?.lights]);
  const troubles = answer?.troubles ?? [];
  const picked = setup.things.find(({ id }) => id === pickedId) ?? null;
  const fronts = new Map(answer?.lights.map((light) => [light.id, light]));
  return (
    <div
      className="flex h-full flex-col bg-sheet max-lg:h-auto"
      data-setup={setup.id}
      data-solved={busy ? 'busy' : 'done'}
    >
      <SetBar
        setup={setup}
        edits={edits}
        onPick={setPicked}
        besideId={other?.id ?? ''}
        onBeside={setBeside}
      />
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_minmax(420px,42%)] max-lg:flex max-lg:flex-col-reverse">
        <div className="flex min-h-0 flex-col border-r border-line max-lg:border-r-0">
          <Sheets
            label="Plan"
            sheets={SHEETS}
            open={sheet}
            onOpen={setSheet}
            className="relative min-h-[280px] flex-1"
          >
            {sheet === 'table' ? (
              <SetTable setup={setup} units={units} onPick={setPicked} />
            ) : (
              <PlanDrawing
                setup={setup}
                view={sheet}
                front={(id) => fronts.get(id) ?? SOME_FRONT}
                lit={lit}
                troubled={new Set(troubles.flatMap(({ thingId }) => thingId ?? []))}
                edits={edits}
                units={units}
                pickedId={pickedId}
                onPick={setPicked}
                onDrag={setDragged}
              />
            )}
          </Sheets>
          <div className="max-h-[42%] shrink-0 overflow-y-auto border-t border-line p-3 max-lg:max-h-none">
            {picked ? (
              <ThingPanel
                key={picked.id}
                thing={picked}
                mix={
                  picked.kind === 'light' && (
                    <MixLine
                      thing={picked}
                      lit={lit.find(({ light }) => light.id === picked.id)}
                      camera={setup.camera}
                      edits={edits}
                    />
                  )
                }
                troubles={troubles.filter(({ thingId }) => thingId === picked.id)}
                edits={edits}
                onTakenOut={() => setPicked(null)}
              />
            ) : (
              <RoomPanel setup={setup} edits={edits} />
            )}
          </div>
        </div>
        <div
          className="min-h-0 overflow-y-auto p-3"
          tabIndex={0}
          role="group"
          aria-label="Picture and figures"
        >
          <CameraPicture
            name={setup.name}
            layers={layers}
            lit={lit}
            targetLx={greyLx}
            aloneId={aloneId}
            busy={busy}
          />
          {other && <Beside setup={setup} lit={lit} other={other} />}
          <Told
            problem={problem}
            refused={answer?.refused ?? null}
            troubles={troubles}
            setup={setup}
            onPick={setPicked}
          />
          <Faders
            setup={setup}
            lit={lit}
            edits={edits}
            aloneId={aloneId}
            onAlone={setAlone}
            pickedId={pickedId}
            onPick={setPicked}
          />
          {answer && (
            <SetFigures
              setup={setup}
              answer={answer}
              lit={lit}
              targetLx={targetLx}
              edits={edits}
              units={units}
              stock={stock}
            />
          )}
        </div>
      </div>
    </div>
  );
}

interface ToldProps {
  problem: string | null;
  refused: string | null;
  troubles: readonly { thingId: string | null; message: string }[];
  setup: Setup;
  onPick: (id: string) => void;
}

/** What is wrong, each with the thing it is about. */
function Told({ problem, refused, troubles, setup, onPick }: ToldProps) {
  const nameOf = (id: string | null) => setup.things.find((thing) => thing.id === id)?.name;
  const all = [
    ...(problem ? [{ thingId: null, message: problem }] : []),
    ...(refused ? [{ thingId: null, message: refused }] : []),
    ...troubles,
  ];
  if (all.length === 0) return null;
  return (
    <ul className="my-1 grid gap-1 text-[14px]" aria-label="What is wrong here">
      {all.map(({ thingId, message }) => (
        <li key={`${thingId} ${message}`} data-trouble={thingId ?? 'set'} className="text-stop">
          {thingId ? (
            <button type="button" className="underline" onClick={() => onPick(thingId)}>
              {nameOf(thingId)}
            </button>
          ) : null}{' '}
          {message}
        </li>
      ))}
    </ul>
  );
}
