'use client';
import type { SetAnswer } from '@/core/evaluate/setup/engine';
import { circuitWorking, wattsWorking } from '@/core/evaluate/setup/workings';
import type { Lit } from '@/core/set/readings';
import { Line } from './Line';

/** Watts as everything is turned up, and breakers with it fully up. */
export function CircuitFigures({ answer, lit }: { answer: SetAnswer; lit: readonly Lit[] }) {
  const on = new Set(lit.filter(({ state }) => state.factor > 0).map(({ light }) => light.id));
  const watts = lit.reduce((sum, { state }) => sum + state.wattsW, 0);
  const plugged = new Set(answer.circuits.flatMap(({ lights }) => lights.map(({ id }) => id)));
  const nameOf = (id: string) => lit.find(({ light }) => light.id === id)?.light.name ?? id;
  const loose = lit
    .filter(({ light, state }) => !plugged.has(light.id) && state.wattsW > 0)
    .map(({ light }) => light.name);
  return (
    <section aria-label="Power" data-power>
      <h2 className="text-[15px]">Power, as it is lit</h2>
      <dl>
        <Line
          term="All lamps"
          words={`${Math.round(watts)} W`}
          mark="watts"
          why={(words) => wattsWorking(lit, words)}
        />
        {answer.circuits.map((circuit) => {
          const { id, name, limitA, otherA } = circuit;
          const lights = circuit.lights
            .filter((each) => on.has(each.id))
            .map((each) => ({ ...each, name: nameOf(each.id) }));
          const amps = otherA + lights.reduce((sum, each) => sum + each.amps, 0);
          return (
            <Line
              key={id}
              term={name}
              words={`${amps.toFixed(1)} of ${limitA.toFixed(0)} A${amps > limitA ? ': more than it may carry for long' : ''}`}
              why={(words) => circuitWorking(circuit, lights, words)}
            />
          );
        })}
      </dl>
      {loose.length > 0 && (
        <p className="text-look">On no circuit yet, and in no breaker’s sum: {loose.join(', ')}.</p>
      )}
      <p className="mt-1 text-[13px] text-ink-soft">
        Amperes are those of lights fully up. Weigh down every stand, tape the cables, and hang
        nothing over people without a second line that holds it by itself. Each light’s own cautions
        are on Wire; local codes and licensed practice come first.
      </p>
    </section>
  );
}
