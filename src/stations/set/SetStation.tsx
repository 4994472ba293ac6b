'use client';
import { useMemo } from 'react';
import { nanoid } from 'nanoid';
import { freeName } from '@/core/document/records';
import { blankSetup } from '@/core/set/setup';
import { useSession } from '../shell/Workbench';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { SetBench } from './SetBench';

/** Several lights in one room, and what the camera makes of them. */
export function SetStation() {
  const setups = useProduction(({ document }) => document.setups);
  const { setupId, shotId } = useWorkplace();
  const setup =
    setups.find(({ id }) => id === setupId) ??
    setups.find((each) => each.shotId === shotId) ??
    setups[0];
  return setup ? <SetBench key={setup.id} setup={setup} /> : <NoSetup />;
}

/** Making, copying and taking out setups. */
export function useSetups() {
  const document = useProduction((state) => state.document);
  const { shotId, goTo, build } = useWorkplace();
  const { say } = useSession();
  const edits = useEdits();
  return useMemo(() => {
    const open = (id: string) => goTo('set', { setup: id, ...(build && { build: build.id }) });
    const add = (record: ReturnType<typeof blankSetup>, label: string) => {
      const refused = edits.add('setup', record, label);
      if (refused) say(refused);
      else open(record.id);
    };
    const named = (wanted: string) => freeName(wanted, document.setups);
    return {
      open,
      begin: () => {
        const shot = document.shots.find(({ id }) => id === shotId) ?? document.shots[0];
        const name = named(shot ? shot.name.slice(0, 70) : 'Setup');
        add(
          blankSetup(nanoid(8), name, shot?.id ?? null, shot && { balanceK: shot.cctK }),
          `begin setup ${name}`,
        );
      },
      copy: (setup: ReturnType<typeof blankSetup>) => {
        const name = named(setup.name);
        add({ ...structuredClone(setup), id: nanoid(8), name }, `copy ${setup.name}`);
      },
      remove: (setup: ReturnType<typeof blankSetup>) => {
        say(
          edits.remove('setup', setup, `take out ${setup.name}`) ??
            `${setup.name} is taken out. Undo brings it back.`,
        );
      },
    };
  }, [document.setups, document.shots, shotId, goTo, build, say, edits]);
}

function NoSetup() {
  const setups = useSetups();
  return (
    <section className="max-w-2xl p-6" data-setup="none">
      <h2 className="text-2xl">A light never stands alone</h2>
      <p className="mt-2">
        Walls send its light back, the ceiling lamp adds another colour, and the glass behind the
        actor shows it to the camera. Put the lights of a shot into its room here, before anything
        is carried in: drag them about, and see what the camera sees.
      </p>
      <button type="button" className="press press-strong mt-4" onClick={setups.begin}>
        Begin a setup
      </button>
    </section>
  );
}
