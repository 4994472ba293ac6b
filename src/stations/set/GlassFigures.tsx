'use client';
import type { SetAnswer } from '@/core/evaluate/setup/engine';
import { glassWorking } from '@/core/evaluate/setup/workings';
import { show, showText, type UnitSystem } from '@/core/quantity';
import { turnDeg } from '@/core/set/pose';
import type { Setup } from '@/core/set/setup';
import { Asked } from './Line';
import type { SetEdits } from './useSetEdits';

const degrees = (radians: number): string => `${Math.abs((radians * 180) / Math.PI).toFixed(1)}°`;

/** What the camera finds in a glass, and the least turn that hides it. */
export function GlassFigures({
  glass,
  setup,
  edits,
  units,
}: {
  glass: SetAnswer['glasses'][number];
  setup: Setup;
  edits: SetEdits;
  units: UnitSystem;
}) {
  const { id, name, seen, turns, heightM } = glass;
  const thing = setup.things.find((each) => each.id === id);
  const turnBy = turns.upright;
  const tip = turns['upper edge'];
  return (
    <section aria-label={name} data-glass={id} data-seen={seen.map((each) => each.id).join(' ')}>
      <h2 className="text-[15px]">{name}</h2>
      {seen.length === 0 ? (
        <p>
          <Asked
            words="The camera sees no light in it."
            why={(words) => glassWorking(glass, words)}
          />
        </p>
      ) : (
        <>
          <p className="text-stop">
            <Asked
              words={`The camera sees ${seen.map((each) => each.name).join(' and ')} in it.`}
              why={(words) => glassWorking(glass, words)}
            />
          </p>
          <ul className="grid gap-1">
            <li>
              {turnBy === null
                ? 'No turn up to 30° about an upright line hides all of it.'
                : `Turn it ${degrees(turnBy)} ${turnBy > 0 ? 'to the left' : 'to the right'} (${turnBy > 0 ? '+' : '−'}, from above)`}
              {turnBy !== null && thing?.kind === 'glass' && (
                <button
                  type="button"
                  className="press ml-2 !px-2 !py-0.5"
                  onClick={() =>
                    edits.thing(thing, 'turned to hide what is in it', (draft) => {
                      const margin = Math.sign(turnBy) * 0.2;
                      if (draft.kind === 'glass')
                        draft.panDeg = Number(
                          turnDeg(draft.panDeg + (turnBy * 180) / Math.PI + margin).toFixed(2),
                        );
                    })
                  }
                >
                  Turn it so
                </button>
              )}
            </li>
            {tip !== null && tip !== 0 && (
              <li>
                Or hang it so that its lower edge {tip > 0 ? 'comes out' : 'goes in'} by{' '}
                {showText(show(heightM * Math.abs(Math.sin(tip)), 'length', units))} ({degrees(tip)}
                ).
              </li>
            )}
          </ul>
        </>
      )}
    </section>
  );
}
