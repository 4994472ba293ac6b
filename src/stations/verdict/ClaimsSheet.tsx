'use client';
import { useState } from 'react';
import {
  checkClaim,
  FRONTS,
  MEASURES,
  type Claim,
  type Claimed,
  type FrontId,
} from '@/core/verdict/claims';
import { threeFigures } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { MoneyField, TextField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';

const nobody = (name: string): Claimed => ({
  name,
  watts: null,
  lumens: null,
  lux: null,
  atM: null,
  front: 'unknown',
  priceMinor: null,
});

/** “18 % more powerful at a tenth of the cost”: what was compared, and what it is like for like. */
export default function ClaimsSheet() {
  const [claim, setClaim] = useState<Claim>({
    more: null,
    priceShare: null,
    one: nobody('the one praised'),
    other: nobody('the other'),
  });
  const { units } = useDevice();
  const checked = checkClaim(claim);
  const told = claim.more !== null || claim.priceShare !== null || checked.ratios.length > 0;
  return (
    <section
      aria-label="Claims"
      className="grid grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] gap-8 p-4 max-md:grid-cols-1"
    >
      <div>
        <p className="mb-2 text-[15px] text-ink-soft">
          Type what an advertisement, a film or a friend says of two lights. Leave empty what they
          do not say.
        </p>
        <div className="grid grid-cols-2 gap-x-4 gap-y-2">
          <QuantityField
            label="More powerful by, %"
            value={claim.more === null ? null : claim.more * 100}
            dimension="count"
            assumedUnit=""
            step={1}
            min={-100}
            max={100_000}
            system={units}
            emptyText="not claimed"
            onCommit={(value) => setClaim({ ...claim, more: value === null ? null : value / 100 })}
          />
          <QuantityField
            label="For so much of the price, %"
            value={claim.priceShare === null ? null : claim.priceShare * 100}
            dimension="count"
            assumedUnit=""
            step={1}
            min={0}
            max={100_000}
            system={units}
            emptyText="not claimed"
            onCommit={(value) =>
              setClaim({ ...claim, priceShare: value === null ? null : value / 100 })
            }
          />
          <Light
            light={claim.one}
            title="The one praised"
            onChange={(one) => setClaim({ ...claim, one })}
          />
          <Light
            light={claim.other}
            title="Against"
            onChange={(other) => setClaim({ ...claim, other })}
          />
        </div>
      </div>
      <div aria-live="polite" data-claim={told ? 'checked' : 'empty'}>
        <h2 className="text-lg">What is left of it</h2>
        {!told && <p>Nothing is claimed yet.</p>}
        <ul className="list-disc pl-5 text-[15px]">
          {checked.words.map((words) => (
            <li key={words}>{words}</li>
          ))}
          {checked.priceHolds !== null && (
            <li>
              {checked.priceHolds
                ? 'The prices are what the claim says.'
                : `The prices say ${threeFigures(100 * checked.priceRatio!)} %.`}
            </li>
          )}
        </ul>
        {checked.ratios.length > 0 && (
          <table className="rows mt-3 w-full text-[14px]">
            <thead>
              <tr>
                <th scope="col">measure</th>
                <th scope="col" className="num">
                  as told
                </th>
                <th scope="col" className="num">
                  like for like
                </th>
              </tr>
            </thead>
            <tbody>
              {checked.ratios.map(({ measure, asTold, likeForLike }) => (
                <tr key={measure} data-measure={measure}>
                  <th scope="row">
                    {MEASURES[measure].name}
                    <span className="block text-[12.5px] font-normal">
                      {MEASURES[measure].what}
                    </span>
                  </th>
                  <td className="num">× {threeFigures(asTold)}</td>
                  <td className="num">
                    {likeForLike === null ? '–' : `× ${threeFigures(likeForLike)}`}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="mt-3 text-[13px] text-ink-soft">
          Lux are brought to one distance by the inverse square, which errs close to a wide front.
          Lumens say nothing of where the light goes: a spot and a globe of equal lumens are two
          lights.
        </p>
      </div>
    </section>
  );
}

function Light({
  light,
  title,
  onChange,
}: {
  light: Claimed;
  title: string;
  onChange: (light: Claimed) => void;
}) {
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
  const figure = (
    label: string,
    name: 'watts' | 'lumens' | 'lux' | 'atM',
    dimension: 'power' | 'luminousFlux' | 'illuminance' | 'length',
    unit: string,
    max: number,
  ) => (
    <QuantityField
      label={label}
      value={light[name]}
      dimension={dimension}
      assumedUnit={unit}
      step={1}
      min={0.01}
      max={max}
      system={units}
      emptyText="not said"
      onCommit={(value) => onChange({ ...light, [name]: value })}
    />
  );
  return (
    <fieldset className="grid content-start gap-2 border-t-2 border-line-strong pt-1">
      <legend className="float-left w-full font-display text-[16px] font-semibold">{title}</legend>
      <TextField
        label="Name"
        value={light.name}
        most={80}
        onCommit={(name) => onChange({ ...light, name })}
      />
      {figure('Watts', 'watts', 'power', 'W', 50_000)}
      {figure('Lumens', 'lumens', 'luminousFlux', 'lm', 10_000_000)}
      {figure('Lux', 'lux', 'illuminance', 'lx', 10_000_000)}
      {figure('at this distance', 'atM', 'length', 'm', 100)}
      <ChoiceField<FrontId>
        label="Measured"
        value={light.front}
        options={(Object.keys(FRONTS) as FrontId[]).map((value) => ({
          value,
          label: FRONTS[value],
        }))}
        onCommit={(front) => onChange({ ...light, front })}
      />
      <MoneyField
        label="Price"
        valueMinor={light.priceMinor}
        currency={currency}
        emptyText="not said"
        onCommit={(priceMinor) => onChange({ ...light, priceMinor })}
      />
    </fieldset>
  );
}
