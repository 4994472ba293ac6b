'use client';
import { zodResolver } from '@hookform/resolvers/zod';
import { nanoid } from 'nanoid';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { addRecord } from '@/core/document/edit';
import { blankShot } from '@/core/document/blank';
import { freeName } from '@/core/document/records';
import { type Shot } from '@/core/location/shot';
import { USES, USE_NAMES, type Use } from '@/core/location/use';
import { parseQuantity } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { Dialog } from '@/ui/Dialog';
import { useWorkplace } from '../shell/useWorkplace';
import { useProductionStore } from '../store/context';

/** What usually comes with a use, to be changed on the sheet [common practice]. */
const USUAL: Record<Use, Partial<Shot>> = {
  face: {},
  wash: { coverageWidthM: 3, coverageHeightM: 2, softnessDeg: 0 },
  green: {
    coverageWidthM: 3,
    coverageHeightM: 2,
    softnessDeg: 0,
    evennessStops: 0.25,
    cctK: 5600,
  },
  insert: { coverageWidthM: 0.4, coverageHeightM: 0.3, fNumber: 5.6 },
  edge: { coverageWidthM: 1, coverageHeightM: 1.8, softnessDeg: 5, evennessStops: 1 },
  dressing: { coverageWidthM: 1, coverageHeightM: 1, softnessDeg: 0, evennessStops: 1.5 },
  overhead: { coverageWidthM: 3, coverageHeightM: 2, softnessDeg: 40 },
};

const answersSchema = z.object({
  name: z.string().trim().min(1, 'Give the shot a name, such as “Ticket clerk”.').max(80),
  use: z.enum(USES),
  distance: z.string(),
});
type Answers = z.infer<typeof answersSchema>;

/** Three questions, and there is a shot to build for. */
export default function NewShotDialog({ onClose }: { onClose: () => void }) {
  const store = useProductionStore();
  const { units } = useDevice();
  const { goTo } = useWorkplace();
  const { register, handleSubmit, setError, formState } = useForm<Answers>({
    resolver: zodResolver(answersSchema),
    defaultValues: { name: '', use: 'face', distance: units === 'metric' ? '1.2 m' : '4 ft' },
  });
  const make = (answers: Answers) => {
    const distance = parseQuantity(answers.distance, 'length', units === 'metric' ? 'm' : 'ft');
    const problem = !distance.ok
      ? distance.problems[0]!.message
      : distance.value < 0.1 || distance.value > 50
        ? 'Use a distance from 10 cm to 50 m.'
        : null;
    if (!distance.ok || problem) return setError('distance', { message: problem ?? '' });
    const { shots } = store.getState().document;
    const shot: Shot = {
      ...blankShot(nanoid(10), freeName(answers.name, shots)),
      ...USUAL[answers.use],
      use: answers.use,
      distanceM: distance.value,
    };
    store.getState().change(`new shot ${shot.name}`, addRecord({ kind: 'shot' }, shot));
    onClose();
    goTo('shot', { shot: shot.id });
  };
  const { errors } = formState;
  return (
    <Dialog title="A new shot" open onClose={onClose}>
      <form onSubmit={handleSubmit(make)} className="grid gap-4">
        <Question label="What do you call it?" error={errors.name?.message}>
          <input
            {...register('name')}
            autoFocus
            autoComplete="off"
            className="field"
            aria-invalid={Boolean(errors.name)}
          />
        </Question>
        <Question label="What is lit?">
          <select {...register('use')} className="field">
            {USES.map((use) => (
              <option key={use} value={use}>
                {USE_NAMES[use]}
              </option>
            ))}
          </select>
        </Question>
        <Question label="How far is the light from it?" error={errors.distance?.message}>
          <input
            {...register('distance')}
            autoComplete="off"
            className="field figure"
            aria-invalid={Boolean(errors.distance)}
          />
        </Question>
        <p>
          <button type="submit" className="press press-main">
            Make the shot
          </button>
        </p>
      </form>
    </Dialog>
  );
}

function Question({
  label,
  error,
  children,
}: {
  label: string;
  error?: string;
  children: React.ReactNode;
}) {
  return (
    <label className="block">
      <span className="block font-semibold">{label}</span>
      {children}
      {error && (
        <span role="alert" className="block text-sm font-semibold text-stop">
          {error}
        </span>
      )}
    </label>
  );
}
