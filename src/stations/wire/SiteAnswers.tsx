'use client';
import { CIRCUIT_RECORD } from '@/core/location/circuit';
import { SITE_RECORD } from '@/core/location/site';
import type { Build } from '@/core/document/production';
import type { BuildForm } from '../build/useBuildForm';
import { AnswerField } from './AnswerField';

/** What only makes sense with something else. */
const HIDDEN: Readonly<Record<string, (site: Build['site']) => boolean>> = {
  'site.leadCord': ({ lead }) => lead === 'none' || lead === 'unknown',
  'site.leadLengthM': ({ lead }) => lead === 'none' || lead === 'unknown',
  'site.overM': ({ over }) => over === 'nothing' || over === 'unknown',
};
/** Asked of the circuit here; its breaker and its other load stand with the circuits. */
const OF_CIRCUIT = ['rcd', 'earthPin', 'place'];

const QUESTIONS = [
  ...CIRCUIT_RECORD.fields
    .filter(({ field }) => OF_CIRCUIT.includes(field))
    .map(({ field }) => `circuit.${field}`),
  ...SITE_RECORD.fields.map(({ field }) => `site.${field}`),
];

/** Everything no drawing tells, as it was answered: to be looked through, and changed on another location. */
export const SiteAnswers = ({ build, form }: { build: Build; form: BuildForm }) => (
  <details>
    <summary className="font-display text-lg font-semibold">
      Where it stands, who comes near
    </summary>
    <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-2 max-md:grid-cols-1">
      {QUESTIONS.filter((name) => !HIDDEN[name]?.(build.site)).map((name) => (
        <AnswerField key={name} name={name} build={build} form={form} findings={NONE} />
      ))}
    </div>
  </details>
);
const NONE: readonly never[] = [];
