'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { REGION_IDS, REGIONS } from '@/core/electrics/region';
import { Dialog } from '@/ui/Dialog';
import { requestJson } from './request';

interface Answers {
  name: string;
  region: string;
  currency: string;
  own: boolean;
}

const CURRENCIES = [
  'EUR',
  'GBP',
  'USD',
  'JPY',
  'CHF',
  'SEK',
  'NOK',
  'DKK',
  'PLN',
  'KRW',
  'CAD',
  'AUD',
];

export default function NewProductionDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const { register, handleSubmit, formState } = useForm<Answers>({
    defaultValues: { name: '', region: 'eu-230-50', currency: 'EUR', own: true },
  });
  const make = async (answers: Answers) => {
    const outcome = await requestJson('POST', '/api/productions', answers);
    if (outcome.ok && outcome.id) router.push(`/p/${outcome.id}/shot`);
    else setProblem(outcome.message ?? null);
  };
  const nameProblem = formState.errors.name?.message;
  return (
    <Dialog title="A new production" open onClose={onClose}>
      <form onSubmit={handleSubmit(make)} className="grid gap-4">
        <label className="block">
          <span className="block font-semibold">What is it called?</span>
          <input
            {...register('name', {
              validate: (name) =>
                name.trim().length > 0 || 'Give it a name, such as the film’s working title.',
              maxLength: { value: 120, message: 'At most 120 characters.' },
            })}
            autoFocus
            autoComplete="off"
            className="field"
            aria-invalid={Boolean(nameProblem)}
          />
          {nameProblem && (
            <span role="alert" className="block text-sm font-semibold text-stop">
              {nameProblem}
            </span>
          )}
        </label>
        <label className="block">
          <span className="block font-semibold">Which mains?</span>
          <select {...register('region')} className="field">
            {REGION_IDS.map((id) => (
              <option key={id} value={id}>
                {REGIONS[id].name}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="block font-semibold">Which money?</span>
          <select {...register('currency')} className="field">
            {CURRENCIES.map((currency) => (
              <option key={currency}>{currency}</option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          <input type="checkbox" className="accent-brass" {...register('own')} />
          What I own comes onto its shelf, if I have kept it for every production
        </label>
        <p className="text-sm text-ink-soft">
          It begins with a shelf of typical bulbs and parts; put in your own prices.
        </p>
        {problem && (
          <p role="alert" className="bg-stop-wash p-3 text-sm">
            {problem}
          </p>
        )}
        <p>
          <button type="submit" className="press press-main">
            Make it
          </button>
        </p>
      </form>
    </Dialog>
  );
}
