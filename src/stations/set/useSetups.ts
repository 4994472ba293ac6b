'use client';
import { useMemo } from 'react';
import { nanoid } from 'nanoid';
import { freeName } from '@/core/document/records';
import { blankSetup, type Setup } from '@/core/set/setup';
import { useSession } from '../shell/Workbench';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

/** What a setup is begun with. */
interface Begun {
  id: string;
  name: string;
  next: () => string;
}

/** Making, copying and taking out setups. */
export function useSetups() {
  const document = useProduction((state) => state.document);
  const { shotId, goTo, build } = useWorkplace();
  const { say } = useSession();
  const edits = useEdits();
  return useMemo(() => {
    const open = (id: string) => goTo('set', { setup: id, ...(build && { build: build.id }) });
    const add = (record: Setup, label: string) => {
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
      /** one that is worked out from something else, under a free name */
      put: (wanted: string, make: (begun: Begun) => Setup) => {
        const name = named(wanted.slice(0, 70));
        add(make({ id: nanoid(8), name, next: () => nanoid(8) }), `begin setup ${name}`);
      },
      copy: (setup: Setup) => {
        const name = named(setup.name);
        add({ ...structuredClone(setup), id: nanoid(8), name }, `copy ${setup.name}`);
      },
      remove: (setup: Setup) => {
        say(
          edits.remove('setup', setup, `take out ${setup.name}`) ??
            `${setup.name} is taken out. Undo brings it back.`,
        );
      },
    };
  }, [document.setups, document.shots, shotId, goTo, build, say, edits]);
}
