'use client';
import { useState } from 'react';
import { moneyFormatter, shopLength, show, showText } from '@/core/quantity';
import type { Load, Together as Answer } from '@/core/evaluate/together';
import { useDevice } from '@/ui/device';
import { Heads } from '@/ui/Heads';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import Layouts from './Layouts';
import MoneyTable from './MoneyTable';

/** Several builds bought and cut as one job, and everything that has to go into the car. */
export default function Together() {
  const document = useProduction((state) => state.document);
  const inUse = document.builds.filter(({ standing }) => standing === 'in use');
  const [left, setLeft] = useState<readonly string[]>([]);
  const ids = inUse.flatMap(({ id }) => (left.includes(id) ? [] : [id]));
  const { answer, busy, problem } = useEngine(
    (engine) => engine.together(document, ids),
    [document.shelf, document.builds, left],
  );
  return (
    <section data-together={busy ? 'working' : 'ready'}>
      <h2 className="text-lg">One purchase for several lights</h2>
      <fieldset className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-sm">
        <legend className="sr-only">Lights that are bought and cut together</legend>
        {inUse.map(({ id, name, copies }) => (
          <label key={id} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={!left.includes(id)}
              onChange={(event) =>
                setLeft(event.target.checked ? left.filter((each) => each !== id) : [...left, id])
              }
            />
            {name}
            {copies > 1 && ` × ${copies}`}
          </label>
        ))}
      </fieldset>
      <p role="status" className="my-2 text-[13px] text-ink-soft">
        {problem ?? (busy ? 'Laying everything out together…' : '')}
      </p>
      {answer &&
        (answer.builds.length > 0 ? <Job answer={answer} /> : <p>Choose a light or two.</p>)}
    </section>
  );
}

function Job({ answer }: { answer: Answer }) {
  const document = useProduction((state) => state.document);
  const money = moneyFormatter(document.currency);
  const { purchase, apartMinor, builds } = answer;
  const saved = apartMinor - purchase.spentNowMinor;
  const asked = builds.map(({ id }) => id).join(',');
  return (
    <div className="space-y-8">
      <p className="text-sm">
        Together <strong className="figure">{money(purchase.spentNowMinor)}</strong> to spend now;
        one by one it would be <span className="figure">{money(apartMinor)}</span>
        {saved > 0 && (
          <>
            : <strong className="figure">{money(saved)}</strong> stay in the purse
          </>
        )}
        .{' '}
        {builds.length > 1 && (
          <>
            Pieces wear the letter of their light:{' '}
            {builds.map(({ letter, name }) => `${letter} ${name}`).join(', ')}.
          </>
        )}
      </p>
      <Car loads={answer.loads} massKg={answer.massKg} productionId={document.id} asked={asked} />
      <Layouts cuts={answer.cuts} copies={null} perSheet={{}} />
      <MoneyTable purchase={purchase} copies={null} unchosen={answer.cuts.unchosen} />
    </div>
  );
}

interface CarProps {
  loads: readonly Load[];
  massKg: number;
  productionId: string;
  asked: string;
}

function Car({ loads, massKg, productionId, asked }: CarProps) {
  const { units } = useDevice();
  const longest = Math.max(0, ...loads.map(longestSide));
  const mass = (kg: number) => showText(show(kg, 'mass', units));
  return (
    <section>
      <h3 className="text-base font-semibold">In the car</h3>
      <p className="mb-1 text-[13px] text-ink-soft">
        {mass(massKg)} in all; the longest is {shopLength(longest, units)}: hold a lath of that
        length in the boot before you load.{' '}
        <a href={`/api/productions/${productionId}/car-sheet?builds=${asked}`} download>
          Car sheet as a PDF
        </a>
      </p>
      <table className="rows w-full text-sm">
        <Heads of={['Light', 'What', { figures: 'count' }, 'folded', { figures: 'mass of one' }]} />
        <tbody>
          {loads.map(({ build, name, count, widthM, heightM, depthM, massKg: each }, at) => (
            <tr key={at}>
              <td>{build}</td>
              <td>{name}</td>
              <td className="num">{count}</td>
              <td className="figure">
                {[widthM, heightM, depthM].map((side) => shopLength(side, units)).join(' × ')}
              </td>
              <td className="num">{mass(each)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const longestSide = ({ widthM, heightM, depthM }: Load) => Math.max(widthM, heightM, depthM);
