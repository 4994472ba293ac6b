'use client';
import type { ComponentType } from 'react';
import { lazyPanel } from '@/ui/lazyPanel';
import { Listening } from '@/ui/Listening';

/** Resolves when the page has loaded; at once on the server, which sends the whole page as HTML. */
const pageStands = (): Promise<void> =>
  typeof window === 'undefined' || document.readyState === 'complete'
    ? Promise.resolve()
    : new Promise((resolve) => window.addEventListener('load', () => resolve(), { once: true }));

/**
 * A station whose code comes after the page: the server's HTML stands meanwhile with every number in
 * it, and the forms and engines behind it weigh nothing on the first load.
 */
const afterLoad = <P extends object>(load: () => Promise<ComponentType<P>>) =>
  lazyPanel<P>(async () => {
    await pageStands();
    return { default: await load() };
  });

const station = (load: () => Promise<ComponentType>) =>
  afterLoad(async () => {
    const Station = await load();
    return function ListeningStation() {
      return (
        <>
          <Station />
          <Listening />
        </>
      );
    };
  });

export const Workbench = afterLoad(() => import('./shell/Workbench').then((m) => m.Workbench));
export const ShotStation = station(() => import('./shot/ShotStation').then((m) => m.ShotStation));
export const ShelfStation = station(() =>
  import('./shelf/ShelfStation').then((m) => m.ShelfStation),
);
export const BuildStation = station(() =>
  import('./build/BuildStation').then((m) => m.BuildStation),
);
export const GlowStation = station(() => import('./glow/GlowStation').then((m) => m.GlowStation));
export const WireStation = station(() => import('./wire/WireStation').then((m) => m.WireStation));
export const CutStation = station(() => import('./cut/CutStation').then((m) => m.CutStation));
export const MakeStation = station(() => import('./make/MakeStation').then((m) => m.MakeStation));
export const MeterStation = station(() =>
  import('./meter/MeterStation').then((m) => m.MeterStation),
);
export const VerdictStation = station(() =>
  import('./verdict/VerdictStation').then((m) => m.VerdictStation),
);
export const SetStation = station(() => import('./set/SetStation').then((m) => m.SetStation));
export const AskStation = station(() => import('./ask/AskStation').then((m) => m.AskStation));
