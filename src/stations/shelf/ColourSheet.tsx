'use client';
import {
  CategoryScale,
  Chart,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
} from 'chart.js';
import { useState } from 'react';
import type { ColourView } from '@/core/evaluate/colourSheet';
import type { Build } from '@/core/document/production';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { ChartFigure } from '@/ui/ChartFigure';
import { axisIn, useChart } from '@/ui/useChart';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { RoomLights } from './RoomLights';

Chart.register(
  LineController,
  LineElement,
  PointElement,
  LinearScale,
  CategoryScale,
  Filler,
  Legend,
);

const OWN = 'this light, at its subject';
const TOGETHER = 'with all light in the room';

/** A light's spectrum and figures, skins and paints under it, and how it sits with other light. */
export default function ColourSheet({ build }: { build: Build | null }) {
  const document = useProduction((state) => state.document);
  const { shelf } = document;
  const [what, setWhat] = useState('build');
  const whole = useEngine(
    (engine) => (build ? engine.colour(document, build.id) : Promise.resolve(null)),
    [shelf, document.shots, document.builds, build?.id],
  );
  const unit = useEngine(
    (engine) => engine.unitColour(document, what),
    [shelf, what],
    what !== 'build' && what !== 'together',
  );
  const sheet = whole.answer;
  const view =
    what === 'build' ? sheet?.build : what === 'together' ? sheet?.together : unit.answer;
  const options = [
    { value: 'build', label: OWN },
    ...(sheet?.together ? [{ value: 'together', label: TOGETHER }] : []),
    ...shelf.units.map(({ id, name }) => ({
      value: id as string,
      label: name,
    })),
  ];
  const shot = build && document.shots.find(({ id }) => id === build.shotId);
  return (
    <div className="grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-5 py-2 max-lg:grid-cols-1">
      <section data-colour={view ? 'known' : 'asking'}>
        <ChoiceField label="Light of" value={what} options={options} onCommit={setWhat} />
        {view ? <View view={view} /> : <p className="py-4">Choose lamps for this light first.</p>}
      </section>
      {shot && <RoomLights shot={shot} advice={sheet?.advice ?? null} />}
    </div>
  );
}

function View({ view }: { view: ColourView }) {
  const { figures, looks, origin } = view;
  const { cctK, duv, ra, special, x, y, uPrime, vPrime, meaningful } = figures;
  return (
    <>
      <dl className="mt-2 grid grid-cols-4 gap-2 text-[13px] max-md:grid-cols-2">
        <Figure name="Temperature">{Math.round(cctK)} K</Figure>
        <Figure name="Off the white line">{duvText(duv)}</Figure>
        <Figure name="Ra">{meaningful ? ra.toFixed(0) : 'not meaningful'}</Figure>
        <Figure name="R9, deep red">{meaningful ? special[8]!.toFixed(0) : '–'}</Figure>
      </dl>
      <p className="text-[13px] text-ink-soft">
        {origin === 'metered'
          ? 'From a metered spectrum.'
          : 'Nobody has measured this spectrum: it is typical of the kind at the label’s colour temperature and Ra.'}{' '}
        x {x.toFixed(4)}, y {y.toFixed(4)}; u′ {uPrime.toFixed(4)}, v′ {vPrime.toFixed(4)}. CIE 15,
        CIE 13.3.
      </p>
      <Curve view={view} />
      <details className="text-[13px]">
        <summary>R1 to R14</summary>
        <p className="figure">
          {special.map((value, k) => `R${k + 1} ${value.toFixed(0)}`).join('  ')}
        </p>
      </details>
      <h2 className="mt-2 text-base">Under it, and under its reference</h2>
      <ul className="grid grid-cols-5 gap-2 max-md:grid-cols-3">
        {looks.map((look) => (
          <li key={look.id} className="text-[12.5px]" data-patch={look.id}>
            <span aria-hidden className="flex h-10 border border-line-strong">
              <span className="flex-1" style={{ background: look.under }} />
              <span className="flex-1" style={{ background: look.reference }} />
            </span>
            {look.name}
            <span className="block text-ink-soft">{look.words}</span>
          </li>
        ))}
      </ul>
      <p className="text-[12.5px] text-ink-soft">
        Left under this light, right under a black body or daylight of the same temperature, camera
        balanced to each. Reflectances typical, from memory; screens differ.
      </p>
    </>
  );
}

/** Below a thousandth the eye sees white. */
const duvText = (duv: number): string =>
  Math.abs(duv) < 0.00005
    ? '0.0000'
    : `${duv > 0 ? '+' : '−'}${Math.abs(duv).toFixed(4)}${Math.abs(duv) < 0.001 ? '' : duv > 0 ? ' greenish' : ' pinkish'}`;

const Figure = ({ name, children }: { name: string; children: React.ReactNode }) => (
  <div>
    <dt className="text-ink-soft">{name}</dt>
    <dd className="figure text-base">{children}</dd>
  </div>
);

function Curve({ view }: { view: ColourView }) {
  const canvas = useChart(
    (ink) => ({
      type: 'line',
      data: {
        labels: view.curve.map((_, k) => String(380 + 5 * k)),
        datasets: [
          {
            label: 'this light',
            data: view.curve,
            borderColor: ink('--brass'),
            backgroundColor: ink('--glass'),
            fill: true,
            pointRadius: 0,
            borderWidth: 2,
          },
          {
            label: 'its reference, at equal lux',
            data: view.reference,
            borderColor: ink('--ink-soft'),
            borderDash: [4, 4],
            pointRadius: 0,
            borderWidth: 1.5,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            type: 'category',
            ...axisIn(ink, 'wavelength, nm'),
            ticks: { color: ink('--ink-soft'), autoSkip: true, maxTicksLimit: 9, maxRotation: 0 },
          },
          y: { type: 'linear', min: 0, ...axisIn(ink, 'power, peak 1') },
        },
        plugins: { legend: { labels: { color: ink('--ink'), boxHeight: 1 } } },
      },
    }),
    [view],
  );
  return (
    <ChartFigure
      canvas={canvas}
      className="h-[190px]"
      label="Power by wavelength; figures above, R1 to R14 below"
    />
  );
}
