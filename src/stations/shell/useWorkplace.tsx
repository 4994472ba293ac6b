'use client';
import { createContext, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import type { Build } from '@/core/document/production';
import { Derivations } from '@/core/evaluate/derive';
import { evaluate } from '@/core/evaluate/evaluate';
import type { WorkedOut } from '@/core/evaluate/readouts';
import type { Finding } from '@/core/findings/finding';
import { useProduction } from '../store/context';
import { serverAnswers } from '../store/saving';
import { STATIONS, type StationId } from './stations';
import { troubles } from './troubles';
import { useTransport, type TransportState } from './useTransport';

interface Workplace {
  station: StationId;
  /** at the question what to build, before there is a build */
  asking: boolean;
  /** the build everything on screen is about; null in a production without builds */
  build: Build | null;
  readouts: WorkedOut | null;
  /** of the build, known form or not */
  findings: readonly Finding[];
  /** results kept for every build of the production */
  derivations: Derivations;
  /** the shot of the build, or the one picked on the Shot station */
  shotId: string | null;
  /** the setup the address names; null for none */
  setupId: string | null;
  /** how far the light of the build has been simulated */
  transport: TransportState;
  goTo: (
    station: StationId | 'ask',
    place?: { build?: string; shot?: string; setup?: string },
  ) => void;
}

const NO_FINDINGS: readonly Finding[] = [];

/**
 * A station comes from the server. Where that is gone the browser would put its own page of errors in the
 * place of this one, which goes on.
 */
function ifServed(id: string, go: () => void): void {
  void serverAnswers(id).then((answers) => {
    if (answers) return go();
    troubles
      .getState()
      .tell(
        'The server does not answer; this page goes on.',
        () => ifServed(id, go),
        'That page does not come.',
      );
  });
}

const WorkplaceContext = createContext<Workplace | null>(null);

/** Where the user is, read from the address, and the one evaluation all parts of the screen share. */
export function WorkplaceProvider({ children }: { children: React.ReactNode }) {
  const router = useRouter();
  const search = useSearchParams();
  const { station, asking } = useStation();
  const document = useProduction((state) => state.document);
  const wantedBuild = search.get('build');
  const wantedShot = search.get('shot');

  const setupId = search.get('setup');
  const picked = document.shots.find(({ id }) => id === wantedShot);
  const build =
    document.builds.find(({ id }) => id === wantedBuild) ??
    (picked ? document.builds.find(({ shotId }) => shotId === picked.id) : document.builds[0]) ??
    null;
  const shotId = picked?.id ?? build?.shotId ?? document.shots[0]?.id ?? null;

  const [derivations] = useState(() => new Derivations());
  const { state: transport, follow } = useTransport(station !== 'glow');
  const { known, told } = transport;
  const answer = useMemo(() => {
    const found =
      build &&
      evaluate(document, build.id, {
        derivations,
        transported: ({ key }) => known.get(key),
        estimateScale: known.scales.get(build.id),
        glow: station === 'glow',
      });
    return found?.ok ? found.value : null;
    // `told` says that `known` holds something new.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [document, build, derivations, known, told, station]);
  const readouts = answer?.kind === 'worked out' ? answer : null;
  const findings = answer?.findings ?? NO_FINDINGS;
  useEffect(() => {
    follow(readouts?.room ?? null);
    if (build && readouts?.estimateScale) known.scales.set(build.id, readouts.estimateScale);
  }, [readouts, follow, known, build]);

  const goTo = useCallback<Workplace['goTo']>(
    (next, place) => {
      const query = new URLSearchParams();
      const nextBuild = place ? place.build : (build?.id ?? undefined);
      if (nextBuild) query.set('build', nextBuild);
      // A shot without a light stays picked on the way to Build, where its first one is begun.
      const nextShot = place ? place.shot : nextBuild ? undefined : picked?.id;
      if (nextShot) query.set('shot', nextShot);
      if (place?.setup) query.set('setup', place.setup);
      ifServed(document.id, () => router.push(`/p/${document.id}/${next}?${query}`));
    },
    [router, document.id, build?.id, picked?.id],
  );

  const workplace = useMemo(
    () => ({
      station,
      asking,
      build,
      readouts,
      findings,
      derivations,
      shotId,
      setupId,
      transport,
      goTo,
    }),
    [station, asking, build, readouts, findings, derivations, shotId, setupId, transport, goTo],
  );
  return <WorkplaceContext value={workplace}>{children}</WorkplaceContext>;
}

export function useWorkplace(): Workplace {
  const workplace = useContext(WorkplaceContext);
  if (!workplace) throw new Error('useWorkplace needs a WorkplaceProvider above it');
  return workplace;
}

/** The question what to build belongs to the shot it is asked for. */
function useStation(): { station: StationId; asking: boolean } {
  const last = usePathname().split('/').at(-1);
  const station = STATIONS.find(({ id }) => id === last)?.id ?? 'shot';
  return { station, asking: last === 'ask' };
}
