'use client';
import { useState } from 'react';
import { nanoid } from 'nanoid';
import { bySchool, SCHOOL_IDS, SCHOOLS, type SchoolId } from '@/core/set/schools';
import type { Setup } from '@/core/set/setup';
import { THINGS, type LightThing, type ThingKind } from '@/core/set/things';
import { Dialog } from '@/ui/Dialog';
import { TextField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';
import { lightsAtHand } from './atHand';
import { useSetups } from './useSetups';
import type { SetEdits } from './useSetEdits';

interface SetBarProps {
  setup: Setup;
  edits: SetEdits;
  onPick: (id: string | null) => void;
  besideId: string;
  onBeside: (id: string) => void;
}

/** Which setup, whose shot, and what is brought in. */
export function SetBar({ setup, edits, onPick, besideId, onBeside }: SetBarProps) {
  const document = useProduction((state) => state.document);
  const setups = useSetups();
  const [choosing, setChoosing] = useState(false);
  const bring = (kind: ThingKind) => {
    const [first] = lightsAtHand(document, setup.shotId);
    const { name = 'Light', ...source } = first ?? {};
    const { widthM, depthM } = setup.room;
    const middle = { xM: widthM / 2, yM: depthM / 2 };
    const light: Partial<LightThing> = { ...source, name, ...middle, yM: depthM / 3 };
    onPick(edits.add(kind, kind === 'light' ? light : kind === 'window' ? {} : middle));
  };
  return (
    <div className="no-print flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-line px-3 py-1.5">
      <select
        aria-label="Setup"
        className="field !w-auto max-w-52"
        value={setup.id}
        onChange={(event) => setups.open(event.target.value)}
      >
        {document.setups.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <button type="button" className="press !px-2" onClick={setups.begin}>
        New
      </button>
      <button type="button" className="press !px-2" onClick={() => setups.copy(setup)}>
        Copy
      </button>
      <button type="button" className="press !px-2" onClick={() => setups.remove(setup)}>
        Take out
      </button>
      <NameAndShot setup={setup} edits={edits} />
      <button type="button" className="press !px-2" onClick={() => setChoosing(true)}>
        Schools
      </button>
      <a
        href={`/api/productions/${document.id}/setups/${setup.id}/plan`}
        download
        className="press !px-2"
      >
        Print plan
      </a>
      <span className="flex-1" />
      {document.setups.length > 1 && (
        <select
          aria-label="Held against"
          className="field !w-auto max-w-36"
          value={besideId}
          onChange={(event) => onBeside(event.target.value)}
        >
          <option value="">beside: nothing</option>
          {document.setups
            .filter(({ id }) => id !== setup.id)
            .map(({ id, name }) => (
              <option key={id} value={id}>
                beside: {name}
              </option>
            ))}
        </select>
      )}
      <label className="flex items-center gap-1.5 text-[14px]">
        Bring in
        <select
          className="field !w-auto max-w-28"
          aria-label="Bring in"
          value=""
          onChange={(event) => event.target.value && bring(event.target.value as ThingKind)}
        >
          <option value="">choose</option>
          {(Object.keys(THINGS) as ThingKind[]).map((kind) => (
            <option key={kind} value={kind}>
              {THINGS[kind].name}
            </option>
          ))}
        </select>
      </label>
      {choosing && <SchoolDialog setup={setup} edits={edits} onClose={() => setChoosing(false)} />}
    </div>
  );
}

/** Its name, and the shot whose exposure the picture has. */
function NameAndShot({ setup, edits }: { setup: Setup; edits: SetEdits }) {
  const shots = useProduction(({ document }) => document.shots);
  const [open, setOpen] = useState(false);
  const shot = shots.find(({ id }) => id === setup.shotId);
  return (
    <>
      <button type="button" className="press !px-2" onClick={() => setOpen(true)}>
        {shot ? `For ${shot.name}` : 'For no shot'}
      </button>
      {open && (
        <Dialog open title="Setup" onClose={() => setOpen(false)}>
          <div className="grid gap-3">
            <TextField
              label="Name"
              most={80}
              value={setup.name}
              onCommit={(name) => edits.setup('name', (draft) => void (draft.name = name))}
            />
            <label className="grid gap-0.5 text-[13px] text-ink-soft">
              Shot, whose exposure the picture has
              <select
                className="field text-[15px] text-ink"
                value={setup.shotId ?? ''}
                onChange={(event) => {
                  const found = shots.find(({ id }) => id === event.target.value);
                  edits.setup('shot', (draft) => void (draft.shotId = found?.id ?? null));
                }}
              >
                <option value="">none</option>
                {shots.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          </div>
        </Dialog>
      )}
    </>
  );
}

/** Ways to begin, each with what it costs and who disagrees. */
function SchoolDialog({
  setup,
  edits,
  onClose,
}: {
  setup: Setup;
  edits: SetEdits;
  onClose: () => void;
}) {
  const document = useProduction((state) => state.document);
  const shot = document.shots.find(({ id }) => id === setup.shotId);
  const begin = (school: SchoolId) => {
    const next = bySchool(setup, school, {
      lights: lightsAtHand(document, setup.shotId),
      distanceM: shot?.distanceM ?? 1.5,
      id: () => nanoid(8),
    });
    edits.setup(`begin by ${SCHOOLS[school].name}`, (draft) => void (draft.things = next.things));
    onClose();
  };
  return (
    <Dialog open title="Begin by a school" onClose={onClose} place="wide">
      <p className="mb-2 text-[14px] text-ink-soft">
        Whoever stands there stays, with room, table, glass and backdrop; lights and cards come
        anew, from the builds at hand. Then draw everything about. One undo brings back what was.
      </p>
      <ul className="grid gap-2">
        {SCHOOL_IDS.map((id) => {
          const { name, goodFor, costs, disagrees } = SCHOOLS[id];
          return (
            <li key={id} className="grid grid-cols-[1fr_auto] gap-3 border-b border-line pb-2">
              <div>
                <p className="font-display text-[15px] font-semibold">{name}</p>
                <p className="text-[13.5px]">
                  Good for {goodFor}.{' '}
                  <span className="text-ink-soft">
                    Costs: {costs}. Disagree: {disagrees}.
                  </span>
                </p>
              </div>
              <button
                type="button"
                className="press self-start"
                onClick={() => begin(id)}
                aria-label={`Begin: ${name}`}
              >
                Begin
              </button>
            </li>
          );
        })}
      </ul>
    </Dialog>
  );
}
