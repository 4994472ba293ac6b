'use client';
import type { ComponentType } from 'react';
import { lazyPanel } from '@/ui/lazyPanel';

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

export const Workbench = afterLoad(() => import('./shell/Workbench').then((m) => m.Workbench));
export const ShotStation = afterLoad(() => import('./shot/ShotStation').then((m) => m.ShotStation));
export const ShelfStation = afterLoad(() =>
  import('./shelf/ShelfStation').then((m) => m.ShelfStation),
);
export const BuildStation = afterLoad(() =>
  import('./build/BuildStation').then((m) => m.BuildStation),
);
export const GlowStation = afterLoad(() => import('./glow/GlowStation').then((m) => m.GlowStation));
export const WireStation = afterLoad(() => import('./wire/WireStation').then((m) => m.WireStation));
export const CutStation = afterLoad(() => import('./cut/CutStation').then((m) => m.CutStation));
export const VerdictStation = afterLoad(() =>
  import('./verdict/VerdictStation').then((m) => m.VerdictStation),
);
