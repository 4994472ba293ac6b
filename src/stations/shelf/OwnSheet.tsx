'use client';
import { ScanText } from 'lucide-react';
import { useState } from 'react';
import { isOwned, TAKES } from '@/core/materials/takes';
import { countOf, ownedOf } from '@/core/shelf/own';
import { amountText } from '@/core/shop/purchase';
import type { Shelf } from '@/core/shelf/shelf';
import { useDevice } from '@/ui/device';
import { ThingPicture } from './ThingPicture';
import { countedIn, packOf, useOwn, type Thing } from './useOwn';

/** Things as they lie about in a household and a workshop. */
const GROUPS: [string, (thing: Thing) => boolean][] = [
  ['Bulbs', (thing) => 'category' in thing && thing.category === 'bulb'],
  ['Tape', (thing) => 'category' in thing && thing.category === 'strip'],
  ['Tubes, work lights, panels', (thing) => 'category' in thing],
  [
    'Tins and round things',
    (thing) => isTin(thing) || isRole(thing, 'round', 'softbox', 'clamp-lamp'),
  ],
  ['Boards', (thing) => isRole(thing, 'sheet')],
  ['Pipe and batten', (thing) => isRole(thing, 'stick')],
  ['Cloth, film and paper', (thing) => isRole(thing, 'cloth', 'diffusion')],
  [
    'Cords, plugs, sockets, supplies',
    (thing) => isRole(thing, 'cord', 'plug', 'socket', 'dimmer', 'supply', 'ballast'),
  ],
  ['Small things', () => true],
];
const isRole = (thing: Thing, ...roles: string[]) => 'role' in thing && roles.includes(thing.role);
const isTin = (thing: Thing) => 'role' in thing && TAKES.vessel.fits(thing);

function grouped({ units, parts }: Shelf): { name: string; things: Thing[] }[] {
  const left = new Set<Thing>([...units, ...parts]);
  return GROUPS.map(([name, is]) => {
    const things = [...left].filter(is);
    for (const thing of things) left.delete(thing);
    return { name, things };
  }).filter(({ things }) => things.length > 0);
}

/** All of what somebody owns on one sheet: ticked by picture, pasted, or brought from elsewhere. */
export default function OwnSheet({ onRead }: { onRead: () => void }) {
  const own = useOwn();
  const [only, setOnly] = useState(false);
  const count = countOf(ownedOf(own.shelf));
  const atHome = own.home ? countOf(own.home.shelf) : 0;
  return (
    <div className="py-3">
      <div className="flex flex-wrap items-center gap-3 text-sm">
        <p role="status" data-owned={count} className="mr-auto">
          <strong>{count === 0 ? 'Nothing ticked yet.' : `${count} things are yours.`}</strong> Tick
          what lies in your cupboard: it is used before anything is bought.
        </p>
        <button type="button" className="press flex items-center gap-1" onClick={onRead}>
          <ScanText size={15} aria-hidden /> Type or paste it
        </button>
        {own.others.length > 0 && (
          <label className="flex items-center gap-1.5">
            Bring from
            <select
              className="field !w-auto"
              value=""
              onChange={(event) => void own.bringFrom(event.target.value)}
            >
              <option value="">another production</option>
              {own.others.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
        {atHome > 0 && (
          <button
            type="button"
            className="press"
            onClick={() => own.bring(own.home!, 'my own shelf')}
          >
            Bring my own {atHome}
          </button>
        )}
        <button
          type="button"
          className="press"
          disabled={count === 0}
          onClick={() => void own.keepAtHome()}
        >
          Keep for every production
        </button>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-brass"
            checked={only}
            onChange={(event) => setOnly(event.target.checked)}
          />
          only mine
        </label>
      </div>
      {own.problem && (
        <p role="alert" className="mt-2 bg-stop-wash p-2 text-sm">
          {own.problem}
        </p>
      )}
      {grouped(own.shelf).map(({ name, things }) => {
        const shown = only ? things.filter(isOwned) : things;
        return shown.length === 0 ? null : (
          <section key={name} className="mt-4">
            <h2 className="border-b border-line text-[15px] font-semibold">{name}</h2>
            <ul className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-2">
              {shown.map((thing) => (
                <OwnCard key={thing.id} thing={thing} onHand={(n) => own.setOnHand(thing, n)} />
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}

interface OwnCardProps {
  thing: Thing;
  onHand: (amount: number) => void;
}

/** One thing: a press says that a pack of it is there; more or fewer by the buttons beside. */
function OwnCard({ thing, onHand }: OwnCardProps) {
  const { units } = useDevice();
  const mine = isOwned(thing);
  const pack = packOf(thing);
  const step = countedIn(thing) === 'piece' ? 1 : pack;
  return (
    <li
      data-own={mine ? 'yes' : 'no'}
      className={`flex items-center border ${mine ? 'border-brass bg-brass-wash' : 'border-line bg-raised'}`}
    >
      <button
        type="button"
        aria-pressed={mine}
        className="flex min-w-0 flex-1 items-center gap-2 p-1.5 text-left text-[13px] leading-tight"
        onClick={() => onHand(mine ? 0 : pack)}
      >
        <ThingPicture thing={thing} />
        <span className="line-clamp-3 min-w-0">
          {thing.name}
          {!mine && <span className="sr-only">, not mine</span>}
        </span>
      </button>
      {mine && (
        <span className="flex flex-col items-center pr-1.5 text-[13px]">
          <button
            type="button"
            className="press !min-h-0 !px-2 !py-0"
            aria-label={`One more ${thing.name}`}
            onClick={() => onHand(thing.onHand + step)}
          >
            +
          </button>
          <span className="figure whitespace-nowrap">
            {amountText(thing.onHand, countedIn(thing), units)}
          </span>
          <button
            type="button"
            className="press !min-h-0 !px-2 !py-0"
            aria-label={`One less ${thing.name}`}
            onClick={() => onHand(Math.max(0, thing.onHand - step))}
          >
            −
          </button>
        </span>
      )}
    </li>
  );
}
